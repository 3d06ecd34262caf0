import { describe, expect, it } from 'vitest';
import { NEIGHBOURS, type Cause } from '../../base';
import { chronicle, drive, made, madeDrive, oddsOf, said, work } from '../../../../tests/support/madeCases';

const THERMOSTAT: readonly Cause[] = NEIGHBOURS.flat();
const sum = (odds: Readonly<Record<Cause, number>>, causes: readonly Cause[]) =>
  causes.reduce((s, c) => s + odds[c], 0);

const light = { kind: 'bench', item: 'bench-thermostat', answer: 'light', part: 'old', text: '' } as const;
const p0118 = { kind: 'code', code: 'P0118', freezeFrame: '', clearedAt: null } as const;
const deadRails = { kind: 'check', item: 'unplug-rails', answer: 'no', minute: null } as const;
const fanStill = { kind: 'check', item: 'fan-commanded', answer: 'still', minute: null } as const;
const since = (answer: 'since' | 'before') => ({ kind: 'check', item: 'since-repair', answer, minute: null }) as const;
const tooCold = { kind: 'code', code: 'P0128', freezeFrame: '', clearedAt: null } as const;
const replaced = work('replaced-thermostat');

describe('what work brings', () => {
  it('light at the seat, thermostat replaced, then P0118 and dead rails: a connector left off, and it was the thermostat', () => {
    const found = made(chronicle(said('complaint-slow-warm-up'), tooCold, light, replaced, p0118, deadRails));
    expect(found.headline.family).toBe('sender');
    expect(sum(oddsOf(found.now), ['sender-stuck', 'sender-intermittent'])).toBeGreaterThan(0.6);
    expect(sum(oddsOf(found.atArrival), THERMOSTAT)).toBeGreaterThan(0.8);
    const told = made(
      chronicle(said('complaint-slow-warm-up'), tooCold, light, replaced, p0118, deadRails, since('since')),
    );
    expect(sum(oddsOf(told.now), ['sender-stuck', 'sender-intermittent'])).toBeGreaterThan(
      sum(oddsOf(found.now), ['sender-stuck', 'sender-intermittent']),
    );
    expect(sum(oddsOf(told.atArrival), THERMOSTAT)).toBeGreaterThan(0.9);
  });

  it('a scan reading of -40 beside a warm reference since the work leaves the thermostat what it was', () => {
    const moment = {
      kind: 'measurement',
      name: 'moment',
      values: { reference_c: 88, scan_c: -40 },
      ...{ tolerance: {}, place: '', text: '' },
    } as const;
    const found = made(chronicle(tooCold, light, replaced, moment));
    expect(found.now[0]!.cause).toBe('sender-stuck');
    expect(sum(oddsOf(found.atArrival), THERMOSTAT)).toBeGreaterThan(0.7);
  });

  it('a fan that is dead since the repair is now the fan, and arrival stays with the thermostat', () => {
    const found = made(chronicle(tooCold, light, replaced, fanStill, since('since')));
    expect(oddsOf(found.now)['fan-not-running']).toBeGreaterThan(0.5);
    expect(sum(oddsOf(found.atArrival), THERMOSTAT)).toBeGreaterThan(0.8);
    expect(oddsOf(found.atArrival)['fan-not-running']).toBeLessThan(0.1);
  });

  it('one that was there before was there at arrival', () => {
    const [after, before] = (['since', 'before'] as const).map((answer) =>
      oddsOf(made(chronicle(tooCold, replaced, fanStill, since(answer))).atArrival),
    );
    expect(before!['fan-not-running']).toBeGreaterThan(2 * after!['fan-not-running']);
  });

  it('is asked for where a fault shows after work, once, and not before any work', () => {
    const asks = (entries: ReturnType<typeof chronicle>) => made(entries).askSince;
    expect(asks(chronicle(tooCold, fanStill))).toBe(false);
    expect(asks(chronicle(tooCold, replaced))).toBe(false);
    expect(asks(chronicle(tooCold, light, replaced, fanStill))).toBe(true);
    expect(asks(chronicle(tooCold, light, replaced, fanStill, since('since')))).toBe(false);
    // What was held to be there at arrival and is there still is no new sign.
    const drives = { a: madeDrive({ 'sender-reads-low': 9 }), b: madeDrive({ 'sender-reads-low': 9 }) };
    expect(made(chronicle(drive('a'), replaced, drive('b')), drives).askSince).toBe(false);
    const found = made(chronicle(tooCold, since('since')));
    expect(oddsOf(found.now)).toEqual(oddsOf(made(chronicle(tooCold)).now));
  });

  it('an answer that is given twice counts once, and the latest stands', () => {
    const once = oddsOf(made(chronicle(tooCold, replaced, fanStill, since('since'))).now);
    expect(oddsOf(made(chronicle(tooCold, replaced, fanStill, since('since'), since('since'))).now)).toEqual(once);
    expect(oddsOf(made(chronicle(tooCold, replaced, fanStill, since('before'), since('since'))).now)).toEqual(once);
  });

  it('two works of one visit have brought together what shows after them; what was seen between them has not', () => {
    const filled = work('topped-up-and-bled');
    const entries = chronicle(tooCold, light, replaced, filled, fanStill, since('since'));
    const oneVisit = oddsOf(made(entries).atArrival)['fan-not-running'];
    expect(oneVisit).toBeLessThan(0.1);
    // Seen before the second work, it is not new since then.
    const between = made(chronicle(tooCold, light, replaced, fanStill, filled, fanStill, since('before')));
    expect(oddsOf(between.now)['fan-not-running']).toBeGreaterThan(0.6);
  });

  it('a sound drive after the work still proves it', () => {
    const drives = { a: madeDrive({ healthy: 4, 'insufficient-heat': -5 }) };
    const found = made(chronicle(tooCold, light, replaced, drive('a')), drives);
    expect(found.now[0]!.cause).toBe('healthy');
    expect(found.now[0]!.probability).toBeGreaterThan(0.9);
  });
});
