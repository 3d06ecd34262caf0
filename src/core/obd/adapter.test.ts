import { describe, expect, it } from 'vitest';
import { LIVE_PIDS, OLD_CABLE, readReply, requestText, simulatedReply } from './index';

const steady = { delay_s: [0.01, 0.02], busy: 0, dropped: 0 } as const;
const half = () => 0.5;

describe('serial adapter', () => {
  it('asks in text', () => expect(requestText(0x05)).toBe('0105\r'));

  it.each([
    ['41 05 5A\r\r>', { kind: 'values', values: [{ channel: 'ect_c', value: 50 }] }],
    ['0105\r41055A\r>', { kind: 'values', values: [{ channel: 'ect_c', value: 50 }] }],
    ['7F 01 12\r>', { kind: 'refused', forGood: true }],
    ['7F 01 21\r>', { kind: 'refused', forGood: false }],
    ['?\r>', { kind: 'nothing' }],
    ['no answer from the bus\r>', { kind: 'nothing' }],
    ['', { kind: 'nothing' }],
  ])('%j', (text, reply) => expect(readReply(text)).toEqual(reply));

  it('the stand-in answers what it is asked, in the steps of the parameter', () => {
    const { text } = simulatedReply('010C\r', (c) => (c === 'rpm' ? 812.3 : null), steady, half);
    expect(readReply(text!)).toEqual({ kind: 'values', values: [{ channel: 'rpm', value: 812.25 }] });
  });

  it('it refuses for good what the vehicle does not have, and what is no request', () => {
    const oil = simulatedReply('015C\r', () => null, steady, half);
    expect(readReply(oil.text!)).toEqual({ kind: 'refused', forGood: true });
    expect(readReply(simulatedReply('hello', () => 1, steady, half).text!)).toEqual({ kind: 'nothing' });
  });

  it('now and then it is busy or silent, and never faster than its cable', () => {
    let draw = 0;
    const chance = () => (draw = (draw + 0.618034) % 1);
    const replies = Array.from({ length: 2000 }, () => simulatedReply('0105\r', () => 20, OLD_CABLE, chance));
    const silent = replies.filter((r) => r.text === null).length;
    const busy = replies.filter((r) => r.text !== null && readReply(r.text).kind === 'refused').length;
    expect(silent).toBeGreaterThan(0);
    expect(busy).toBeGreaterThan(0);
    expect(silent + busy).toBeLessThan(200);
    expect(Math.min(...replies.map((r) => r.delay_s))).toBeGreaterThanOrEqual(0.02);
  });

  it('live logging asks for the coolant first', () => expect(LIVE_PIDS[0]).toBe(0x05));
});
