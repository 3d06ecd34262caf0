import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause, type ChannelName } from '../../base';
import { START_LINE } from '../../evidence';
import { startingVehicle } from '../../planning';
import type { AtStart } from './atStart';
import { inspectSignal } from './detectors';
import { againstStart, startEvidence, startWitnesses } from './startEvidence';
import { signalLines } from './traceLines';

const NOTHING: AtStart = {
  ect_c: null,
  outside_c: null,
  intake_c: null,
  gauge_c: null,
  second_c: null,
  oil_c: null,
};

const witnesses = (start: Partial<AtStart>, second = false) => startWitnesses({ ...NOTHING, ...start }, second);
const says = (start: Partial<AtStart>, second = false) => startEvidence(witnesses(start, second));
const best = (logs: Record<Cause, number>) => CAUSES.reduce((a, b) => (logs[b] > logs[a] ? b : a));

describe('first readings', () => {
  it('that stand far over gauge and air are a sender that reads high', () => {
    const logs = says({ ect_c: 29, gauge_c: 8, intake_c: 8 });
    expect(best(logs)).toBe('sender-reads-high');
    expect(logs['sender-reads-high'] - logs['gauge-sender-fault']).toBeGreaterThan(1);
    expect(logs['sender-reads-high']).toBeGreaterThan(4);
  });

  it('colder than the air are one that reads low, whoever tells the air', () => {
    for (const air of [{ outside_c: 18 }, { intake_c: 18 }]) {
      const logs = says({ ect_c: 5, ...air });
      expect(best(logs)).toBe('sender-reads-low');
      expect(logs['sender-reads-low']).toBeGreaterThan(2.2);
    }
    // A pipe in the sun is a little warmer than the block.
    expect(says({ ect_c: 17, intake_c: 20 })['sender-reads-low']).toBeLessThan(1);
  });

  it('of an engine that is still warm accuse nobody', () => {
    const logs = says({ ect_c: 60, gauge_c: 59, oil_c: 57, outside_c: 10 });
    for (const cause of CAUSES) expect(logs[cause]).toBeLessThan(0.5);
    expect(says({ ect_c: 60, outside_c: 10 })['sender-reads-high']).toBeLessThan(1.5);
  });

  it('that agree with all speak against senders that are off, frozen elsewhere, and gauges that are off', () => {
    const logs = says({ ect_c: 12, gauge_c: 13, oil_c: 12, outside_c: 11, second_c: 12 }, true);
    for (const cause of ['sender-reads-high', 'sender-reads-low', 'gauge-sender-fault', 'sender-stuck'] as const) {
      expect(logs[cause]).toBeLessThan(-0.5);
    }
    expect(logs['thermostat-stuck-open']).toBeCloseTo(0, 9);
  });

  it('from which the gauge alone stands off are the gauge', () => {
    const logs = says({ ect_c: 12, gauge_c: 30, oil_c: 12, outside_c: 12 });
    expect(best(logs)).toBe('gauge-sender-fault');
    expect(logs['gauge-sender-fault'] - logs['sender-reads-low']).toBeGreaterThan(3);
  });

  it('far over everything else are high or frozen, and never count beyond a bound', () => {
    const logs = says({ ect_c: 75, gauge_c: 12, intake_c: 17 });
    expect(logs['sender-stuck']).toBeGreaterThan(4);
    for (const cause of CAUSES) expect(Math.abs(logs[cause])).toBeLessThanOrEqual(8);
  });

  it('with nothing to hold them against say nothing', () => {
    for (const start of [{ ect_c: 40 }, { outside_c: 10, gauge_c: 12 }, {}]) {
      expect(witnesses(start)).toBeNull();
      expect(says(start)).toEqual(startEvidence(null));
      expect(againstStart(witnesses(start))).toBeNull();
    }
    // A second sensor at the radiator is no witness of the engine.
    expect(witnesses({ ect_c: 40, second_c: 12 })).toBeNull();
  });

  it('are told in a line of evidence, each witness by name', () => {
    const rows = 900;
    const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
    const line = (first: Partial<Record<ChannelName, number>>) => {
      const channels = Object.fromEntries(
        Object.entries(first).map(([name, from]) => [
          name,
          Float64Array.from({ length: rows }, (_, i) => from + i / 20),
        ]),
      );
      const trace = {
        time_s: Float64Array.from({ length: rows }, (_, i) => i),
        channels: { ...channels, ect_c: channels.ect_c! },
      };
      return signalLines(inspectSignal(trace, vehicle), trace, vehicle, {}).find((l) => l.id === START_LINE);
    };
    expect(line({ ect_c: 30 })).toBeUndefined();
    const told = line({ ect_c: 30, ambient_c: 9, iat_c: 14, gauge_c: 8, oil_c: 31 })!;
    expect(told.seen).toBe(
      'At the start the reading stands 21 K above outside air, 22 K above the gauge, 1 K below the oil',
    );
    expect(told.logLikelihood['sender-reads-high']).not.toBe(0);
  });
});
