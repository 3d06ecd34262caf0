import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../../planning';
import { madeDrive, oddsOf } from '../../../../tests/support/madeCases';
import { caseOf } from '../caseOf';
import { lineContext } from '../context';
import { DRIVE_MARKS, driveMarkOf, isDriveMark } from '../driveMarks';
import type { MarkEntry } from '../entry';
import { fromCheck, fromDriveMark } from './answered';
import { readEntry } from '../readEntry';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const context = lineContext(vehicle);
const mark = (at_s: number, rest: Partial<MarkEntry> = {}): MarkEntry => ({
  ...{
    id: 'm',
    at: 1,
    kind: 'mark',
    traceId: 't',
    at_s,
    mark: 'hose-warm',
    place: 'upper hose',
    value: null,
    text: '',
  },
  ...rest,
});

describe('words of a mark column', () => {
  it.each([
    ['Fan on', 'fan-on', ''],
    ['fan stopped', 'fan-off', ''],
    ['top hose is warm', 'hose-warm', 'upper hose'],
    ['lower hose hot', 'hose-warm', 'lower hose'],
    ['hot hose', 'hose-warm', 'upper hose'],
    ['bubbles in the tank', 'bubbles', ''],
    ['heater hot', 'heater-hot', ''],
    ['needle in the middle', 'needle', ''],
    ['vent 48', 'vent', ''],
    ['IR 61 housing', 'probe', ''],
    ['lunch', 'other', ''],
  ])('%s', (text, kind, place) => expect(driveMarkOf(text)).toEqual({ mark: kind, place }));

  it('kinds are known by name only', () => {
    expect(Object.keys(DRIVE_MARKS).every(isDriveMark)).toBe(true);
    expect(isDriveMark('toString')).toBe(false);
  });
});

describe('a mark as evidence', () => {
  it('says what the same mark of a running drive says: early yes, late no', () => {
    const live = fromCheck(
      { id: 'c', at: 1, kind: 'check', item: 'mark-top-hose-warm', answer: 'seen', minute: 1 },
      context,
    );
    const set = fromDriveMark(mark(60), context);
    expect(set[0]!.logLikelihood).toEqual(live[0]!.logLikelihood);
    expect(fromDriveMark(mark(900), context)).toEqual([]);
  });

  it('speaks for an open path at the outlet, and the other way at the inlet', () => {
    const inlet = lineContext({ ...vehicle, thermostat: { ...vehicle.thermostat, location: 'inlet' } });
    const open = (c: typeof context) => {
      const { logLikelihood } = fromDriveMark(mark(60), c)[0]!;
      return logLikelihood['thermostat-stuck-open'] - logLikelihood.healthy;
    };
    expect(open(context)).toBeGreaterThan(1);
    expect(open(inlet)).toBeLessThan(open(context));
  });

  it('another hose, or what is no answer to anything, moves nothing', () => {
    expect(fromDriveMark(mark(60, { place: 'heater hose' }), context)).toEqual([]);
    expect(fromDriveMark(mark(60, { mark: 'bubbles', place: '' }), context)).toEqual([]);
  });
});

describe('a mark from outside', () => {
  const raw = { id: 'm', at: 5, kind: 'mark', traceId: 't', at_s: 61, mark: 'vent', value: 47 };

  it('is read with what it leaves out', () => {
    expect(readEntry(raw, { id: '', at: 0 })).toMatchObject({ kind: 'mark', at_s: 61, place: '', text: '', value: 47 });
  });

  it.each([
    ['of another kind', { mark: 'smell' }],
    ['before the drive', { at_s: -3 }],
    ['of no drive', { traceId: undefined }],
    ['with words for a value', { value: 'hot' }],
  ])('%s is kept and not understood', (_, change) => {
    expect(readEntry({ ...raw, ...change }, { id: '', at: 0 }).kind).toBe('unknown');
  });

  it('a probe on the housing is held against what the log shows then', () => {
    const time_s = [0, 60, 120, 180, 600];
    const measured_c = [20, 28, 33, NaN, 88];
    const drives = new Map([['t', { ...madeDrive({ healthy: 0 }), curves: { time_s, measured_c } }]]);
    const of = (...marks: MarkEntry[]) => oddsOf(caseOf({ vehicle, senderPoints: [], entries: marks, drives }).now);
    const probe = (at_s: number, value: number, place = 'thermostat housing') =>
      mark(at_s, { mark: 'probe', value, place });
    const before = of();
    expect(of(probe(125, 52))['sender-reads-low']).toBeGreaterThan(3 * before['sender-reads-low']);
    // 55 K are more than an offset: the reading stands, lags, or the sender is in air.
    expect(of(probe(125, 88)).healthy).toBeLessThan(before.healthy / 5);
    expect(of(probe(600, 88))['sender-reads-low']).toBeLessThan(before['sender-reads-low']);
    // A hose is not where the sender sits, and a moment without a reading is none.
    expect(of(probe(125, 88, 'lower hose'))).toEqual(before);
    expect(of(probe(300, 88))).toEqual(before);
    const { lines } = caseOf({ vehicle, senderPoints: [], entries: [probe(125, 88)], drives });
    expect(lines[0]!.seen).toBe('Housing 88 °C, scan reading 33 °C, minute 2.1 of the drive');
  });
});
