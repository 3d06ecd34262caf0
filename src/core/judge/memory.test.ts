import { describe, expect, it } from 'vitest';
import { drawBody, drivePhases, logRun, NO_FAULT, seededRandom, simulateDrive, type Phase } from '../plant';
import { parameterIndex, prepareInputs } from '../twin';
import { startingVehicle } from '../planning';
import { predictBand } from './fits/healthyBand';
import { SOUND } from './fits/hypotheses';
import { bandWidth_k, learnVehicle, NO_MEMORY } from './memory';
import { prepareProblem } from './fits/traceFit';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const body = drawBody(vehicle, seededRandom(81));
const PHASES: readonly Phase[] = [
  { kind: 'idle', duration_s: 60 },
  { kind: 'town', duration_s: 600 },
  { kind: 'road', duration_s: 600 },
];

/** A drive of the same vehicle, sound, in some weather. */
function logged(seed: number, ambient_c: number) {
  const random = seededRandom(seed);
  const demand = drivePhases([...PHASES], 30, random);
  const run = simulateDrive(body, NO_FAULT, demand, { ambient_c, engineStart_c: ambient_c, coverFraction: 0 }, random);
  const channels = ['ect_c', 'ambient_c', 'speed_kmh', 'rpm', 'maf_gps', 'heater_pct'] as const;
  return logRun(run, { channels, period_s: 1, jitter: 0, lost: 0, polled: false }, random);
}

describe('the memory of a vehicle', () => {
  const first = logged(1, 4);
  const memory = learnVehicle(first, vehicle);

  it('narrows what a drive shows and never widens anything', () => {
    expect(memory.sd.every((sd, i) => sd <= NO_MEMORY.sd[i]!)).toBe(true);
    expect(memory.sd[parameterIndex('metal')]!).toBeLessThan(0.9);
    expect(memory.sd.every((sd) => sd >= 0.4)).toBe(true);
    expect(memory.heatSource).toBe('air-flow');
  });

  it('never remembers the weather', () => {
    for (const name of ['ambient', 'startExcess'] as const) {
      expect(memory.mean[parameterIndex(name)]).toBe(0);
      expect(memory.sd[parameterIndex(name)]).toBe(1);
    }
  });

  it('narrows the band of the next drive, and the drive lies in it', () => {
    const next = logged(2, 12);
    const inputs = prepareInputs(next, vehicle);
    const plain = prepareProblem(inputs, next, null);
    const remembered = prepareProblem(inputs, next, memory);
    expect(bandWidth_k(remembered)).toBeLessThan(0.85 * bandWidth_k(plain));
    const band = predictBand(remembered, SOUND);
    const inside = remembered.measured_c.reduce(
      (n, v, k) => n + Number(v > band.low_c[k]! - 2.5 && v < band.high_c[k]! + 2.5),
      0,
    );
    expect(inside / remembered.measured_c.length).toBeGreaterThan(0.8);
  });

  it('a second good trace narrows further', () => {
    const twice = learnVehicle(logged(3, -6), vehicle, memory);
    const sum = (m: typeof memory) => m.sd.reduce((a, b) => a + b, 0);
    expect(sum(twice)).toBeLessThan(sum(memory));
  });

  it('heat found from one channel is not carried to another', () => {
    const trace = logged(4, 8);
    const channels = { ...trace.channels };
    delete channels.maf_gps;
    const other = learnVehicle({ time_s: trace.time_s, channels }, vehicle, memory);
    for (const name of ['heatScale', 'heatTilt'] as const) {
      expect(other.mean[parameterIndex(name)]).toBe(memory.mean[parameterIndex(name)]);
    }
    expect(other.heatSource).toBe('air-flow');
  });
});

describe('the band of a sound vehicle', () => {
  it('is ordered, widens away from the start, and is the same each time', () => {
    const trace = logged(5, 2);
    const problem = prepareProblem(prepareInputs(trace, vehicle), trace, null);
    const band = predictBand(problem, SOUND);
    band.mid_c.forEach((mid, k) => {
      expect(band.low_c[k]!).toBeLessThanOrEqual(mid);
      expect(band.high_c[k]!).toBeGreaterThanOrEqual(mid);
    });
    const width = (k: number) => band.high_c[k]! - band.low_c[k]!;
    expect(width(30)).toBeGreaterThan(2 * width(0));
    expect([...predictBand(problem, SOUND).mid_c]).toEqual([...band.mid_c]);
  });
});
