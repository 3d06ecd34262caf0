import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ChannelName } from '../base';
import {
  answeringUnit,
  CHANNEL_PIDS,
  readAnswer,
  readCanFrame,
  reassembly,
  splitIntoFrames,
  writeCanFrame,
} from './index';

const hex = (text: string) => text.split(' ').map((b) => parseInt(b, 16));

describe('answers of mode 01', () => {
  it.each<[string, Partial<Record<ChannelName, number>>]>([
    ['41 05 5A', { ect_c: 50 }],
    ['41 0C 0B B8', { rpm: 750 }],
    ['41 05 5A 0C 0B B8 0D 32', { ect_c: 50, rpm: 750, speed_kmh: 50 }],
    ['41 67 03 5A 5B', { ect_c: 50, ect2_c: 51 }],
    ['41 67 01 5A 00', { ect_c: 50 }],
    ['41 10 01 2C', { maf_gps: 3 }],
    ['41 42 30 39 46 3C', { ambient_c: 20 }],
  ])('%s', (payload, expected) => {
    const answer = readAnswer(hex(payload))!;
    expect(Object.fromEntries(answer.values.map((v) => [v.channel, v.value]))).toEqual(expected);
    expect(answer.stoppedAt).toBeNull();
  });

  it('stop at a parameter of unknown length and keep what came before', () => {
    expect(readAnswer(hex('41 05 5A F3 01 05 10'))).toEqual({
      values: [{ channel: 'ect_c', value: 50 }],
      stoppedAt: 0xf3,
    });
    expect(readAnswer(hex('41 0C 0B'))).toMatchObject({ values: [], stoppedAt: 0x0c });
  });

  it('other services say nothing', () => {
    expect(readAnswer(hex('7F 01 12'))).toBeNull();
    expect(readAnswer(hex('43 01 33 00'))).toBeNull();
  });

  it('every channel with a parameter reads back within its step', () => {
    for (const [channel, { pid, encode }] of Object.entries(CHANNEL_PIDS)) {
      const value = channel === 'maf_gps' ? 12.34 : 60;
      const read = readAnswer([0x41, pid, ...encode(value)])!.values.find((v) => v.channel === channel)!;
      expect(Math.abs(read.value - value)).toBeLessThan(0.25);
    }
  });
});

describe('frames', () => {
  it.each([
    ['(1436509052.249713) can0 7E8#0341055A', 1436509052.249713, 0x7e8, [3, 0x41, 5, 0x5a]],
    ['  (000.500000)  can1  18DAF110   [8]  03 41 05 5A 00 00 00 00', 0.5, 0x18daf110, [3, 0x41, 5, 0x5a, 0, 0, 0, 0]],
    ['can0  7E8   [4]  03 41 05 5A', null, 0x7e8, [3, 0x41, 5, 0x5a]],
  ])('%s', (line, time_s, id, data) => {
    expect(readCanFrame(line)).toMatchObject({ time_s, id, data });
  });

  it('other lines are none', () => expect(readCanFrame('0,12,850')).toBeNull());

  it('know who answers', () => {
    const frame = (line: string) => readCanFrame(line)!;
    expect(answeringUnit(frame('(0) can0 7E9#00'))).toBe(0x7e9);
    expect(answeringUnit(frame('(0) can0 7E0#00'))).toBeNull();
    expect(answeringUnit(frame('(0) can0 18DAF110#00'))).toBe(0x18daf110);
    expect(answeringUnit(frame('(0) can0 18DA10F1#00'))).toBeNull();
  });

  it('are read back as written', () => {
    const frame = { time_s: 1.5, id: 0x18daf110, extended: true, data: [1, 2, 255] };
    expect(readCanFrame(writeCanFrame(frame))).toEqual(frame);
  });
});

describe('reassembly', () => {
  it('gives back any message that was split', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(255), { minLength: 1, maxLength: 200 }), (message) => {
        const receiver = reassembly();
        const got = splitIntoFrames(message).map((frame) => receiver.push(frame));
        expect(got.at(-1)).toEqual(message);
        expect(got.slice(0, -1).every((m) => m === null)).toBe(true);
        expect(receiver.broken()).toBe(0);
      }),
    );
  });

  it('counts a message with a lost frame and goes on', () => {
    const receiver = reassembly();
    const frames = splitIntoFrames(Array.from({ length: 20 }, (_, i) => i));
    receiver.push(frames[0]!);
    expect(receiver.push(frames[2]!)).toBeNull();
    expect(receiver.broken()).toBe(1);
    expect(receiver.push([2, 0x41, 5, 0, 0, 0, 0, 0])).toEqual([0x41, 5]);
  });
});
