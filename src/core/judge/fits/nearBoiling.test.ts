import { describe, expect, it } from 'vitest';
import { channelSet, type Trace, type Vehicle } from '../../base';
import { addLogs, COURSE_LINE } from '../../evidence';
import { drawWorldScenario } from '../../plant';
import { judgeNow } from '../judge';
import { boilsFromBin } from './nearBoiling';

const BIN_S = 10;
const { trace, vehicle } = drawWorldScenario({
  ...{ seed: 8, world: 8, causes: ['thermostat-stuck-closed'], channelSet: 'full', start: 'cold' },
});
const mixed = (glycol_pct: number, cap_kpa: number | null): Vehicle => ({
  ...vehicle,
  coolant: { ...vehicle.coolant, glycol_pct, cap_kpa },
});
/** Climbs by 2 K a bin from 20 °C and stays at the top. */
const climb = (top_c: number, bins: number) =>
  Float64Array.from({ length: bins }, (_, k) => Math.min(top_c, 20 + 2 * k));

describe('where a drive ends by boiling', () => {
  it('begins some kelvin short of the boiling point of mix and cap', () => {
    // 47.6 % under 103 kPa boils at about 129 °C.
    const half = boilsFromBin(climb(127, 60), BIN_S, mixed(47.6, 100));
    expect(half).toBeGreaterThanOrEqual((119 - 20) / 2);
    expect(half).toBeLessThanOrEqual((123 - 20) / 2);
    expect(boilsFromBin(climb(127, 60), BIN_S, mixed(0, 75))).toBeLessThan(half - 3);
  });

  it('does not count on more than a worn cap holds, nor on a cap that nobody told', () => {
    const at = (cap: number | null) => boilsFromBin(climb(127, 60), BIN_S, mixed(50, cap));
    expect(at(140)).toBe(at(100));
    expect(at(null)).toBe(at(100));
  });

  it('is nowhere on a drive that stays cooler, or that goes on so high: that is a sender', () => {
    expect(boilsFromBin(climb(115, 60), BIN_S, mixed(50, null))).toBe(60);
    expect(boilsFromBin(climb(127, 120), BIN_S, mixed(50, null))).toBe(120);
    expect(boilsFromBin(new Float64Array(30).fill(NaN), BIN_S, mixed(50, null))).toBe(30);
  });

  it('does not make a valve that opens very late of one that is stuck shut', () => {
    // As logged up to 124 °C, then a minute at which it boils.
    const last = trace.time_s.length;
    const longer = (values: Float64Array) =>
      Float64Array.from({ length: last + 60 }, (_, i) => values[Math.min(i, last - 1)]!);
    const boiling: Trace = {
      ...trace,
      time_s: longer(trace.time_s).map((t, i) => t + Math.max(0, i - last + 1)),
      channels: {
        ...Object.fromEntries(Object.entries(trace.channels).map(([name, values]) => [name, longer(values)])),
        ect_c: longer(trace.channels.ect_c).map((v) => Math.min(v, 124)),
      } as Trace['channels'],
    };
    expect(channelSet(boiling)).toBe('full');
    const { evidence } = judgeNow(boiling, vehicle);
    const logs = addLogs(...evidence.filter((l) => l.id !== 'experience').map((l) => l.logLikelihood));
    expect(logs['thermostat-stuck-closed']).toBeGreaterThan(logs['thermostat-opens-late']);
    // And it is said where the comparison ends.
    const course = evidence.find((l) => l.id === COURSE_LINE)!.seen;
    const [, minute] = /up to minute ([\d.]+): from there it nears boiling/.exec(course)!;
    expect(60 * Number(minute)).toBeLessThan(boiling.time_s.at(-1)! - boiling.time_s[0]! - 60);
  });
});
