import { quantile } from 'd3-array';
import { beforeAll, describe, expect, it } from 'vitest';
import { drawWorldScenario } from '../../plant';
import type { ChannelSet, Engine } from '../../base';
import { constantList, runConstants, runTangents, twinKernel, twinTruth, VEHICLE_PARAMETERS } from '../../twin';
import { loadKernel } from '../../twin/kernel/kernel';
import * as LAYOUT from '../../twin/kernel/layout';
import { prepareDrive } from '../prepareDrive';
import { HYPOTHESES, type Hypothesis } from './hypotheses';
import { predictTogether, type Prediction } from './predictTogether';
import { readingTangents } from './readingTangents';
import { firstGuess, predictReading, vectorSize, type TraceProblem } from './traceFit';

const kernel = twinKernel()!;
const SETS: readonly ChannelSet[] = ['full', 'basic', 'temperature-only'];

interface Point {
  readonly problem: TraceProblem;
  readonly hypothesis: Hypothesis;
  readonly z: Float64Array;
}

/** Points of every hypothesis on drives of all kinds of cars: inlet and outlet, heated, hybrids, every kind of fan. */
function drawPoints(): Point[] {
  const points: Point[] = [];
  for (let n = 0; n < 18; n++) {
    const s = drawWorldScenario({
      ...{ seed: 8_100_000 + n, world: n, causes: ['healthy'], start: 'cold' },
      channelSet: SETS[n % 3]!,
    });
    const { problem } = prepareDrive(s.trace, s.vehicle);
    for (const hypothesis of HYPOTHESES.filter((h) => h.applies?.(s.vehicle) ?? true)) {
      const z = firstGuess(problem, hypothesis, hypothesis.starts[0]!);
      for (let i = 0; i < z.length; i++) z[i]! += 0.6 * Math.sin(12.9 * i + n);
      points.push({ problem, hypothesis, z });
    }
  }
  return points;
}

/** Reading and outlet at a point, copied. */
function seen(problem: TraceProblem, hypothesis: Hypothesis, z: Float64Array) {
  const reading = Float64Array.from(predictReading(problem, hypothesis, z));
  return { reading, outlet: Float64Array.from(problem.workspace.outlet_c) };
}

/** Largest difference between a column and the slope between two runs, against the size of that slope. */
function miss(column: Float64Array, above: Float64Array, below: Float64Array, width: number): number {
  let off = 0;
  let size = 0;
  for (let k = 0; k < column.length; k++) {
    const slope = (above[k]! - below[k]!) / width;
    off = Math.max(off, Math.abs(slope - column[k]!));
    size = Math.max(size, Math.abs(slope));
  }
  return off / (1 + size);
}

let points: Point[] = [];
/** Eighteen drives of drawn cars. */
const DRAWING_MS = 60_000;
beforeAll(() => {
  points = drawPoints();
}, DRAWING_MS);

describe('the kernel of the twin', () => {
  it('has the constants of a run in the order of its layout', () => {
    const { problem } = points[0]!;
    const constants = runConstants(
      problem.inputs,
      problem.prior.toParameters(new Float64Array(60)),
      HYPOTHESES[0]!.toFault([]),
      problem.workspace.engineCapacity,
    );
    const list = constantList(constants);
    expect(list.length).toBe(LAYOUT.CONSTANTS);
    const places = Object.entries(LAYOUT).filter(([name]) => name.startsWith('C_'));
    expect(places.length).toBe(Object.keys(constants).length);
    for (const [name, place] of places) {
      const key = name
        .slice(2)
        .toLowerCase()
        .replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
      expect([key, list[place]]).toEqual([key, constants[key as keyof typeof constants]]);
    }
  });

  it('runs as the reference does, to rounding', () => {
    let worst = 0;
    for (const { problem, hypothesis, z } of points) {
      const { prior, inputs, workspace } = problem;
      const fault = hypothesis.toFault(
        hypothesis.severities.map((s, i) => s.toValue(z.at(i - hypothesis.severities.length)!)),
      );
      const first = VEHICLE_PARAMETERS.length;
      const run = {
        ...{ inputs, prior, fault, cellCapacity: workspace.radiatorCapacity / 2 },
        constants: constantList(runConstants(inputs, prior.toParameters(z), fault, workspace.engineCapacity)),
        knots: prior.toKnots(z.subarray(first, first + prior.knotCount)),
      };
      const element_c = Float64Array.from(runTangents(kernel, run, 0, new Float32Array(0), false).element_c);
      const truth = twinTruth(inputs);
      predictReading(problem, { ...hypothesis, observe: undefined }, z, truth);
      const { senderOffset } = prior.toParameters(z);
      element_c.forEach((v, k) => {
        worst = Math.max(worst, Math.abs(v + senderOffset - workspace.element_c[k]!));
      });
    }
    expect(worst).toBeLessThan(1e-8);
  });

  it('its derivatives are the slopes of the reference, along every coordinate and for every hypothesis', () => {
    const STEP = 1e-5;
    const tally = new Map<string, { right: number; all: number }>();
    const count = (key: string, right: boolean) => {
      const t = tally.get(key) ?? { right: 0, all: 0 };
      tally.set(key, { right: t.right + (right ? 1 : 0), all: t.all + 1 });
    };
    for (const { problem, hypothesis, z } of points) {
      const active = Array.from({ length: vectorSize(problem, hypothesis) }, (_, i) => i);
      const tangents = readingTangents(kernel, problem, hypothesis, z, active);
      const columns = {
        reading: Float64Array.from(tangents.reading),
        outlet: tangents.outlet && Float64Array.from(tangents.outlet),
      };
      const { bins } = problem.inputs;
      for (const i of active) {
        const at = (shift: number) =>
          seen(
            problem,
            hypothesis,
            Float64Array.from(z, (v, k) => (k === i ? v + shift : v)),
          );
        const [above, below] = [at(STEP), at(-STEP)];
        const column = (all: Float64Array) => all.subarray(i * bins, (i + 1) * bins);
        const off = miss(column(columns.reading), above.reading, below.reading, 2 * STEP);
        const name =
          VEHICLE_PARAMETERS[i]?.name ?? (i < active.length - hypothesis.severities.length ? 'knot' : 'severity');
        count(name, off < 1e-3);
        count(`${hypothesis.cause} ${hypothesis.variant}`, off < 1e-3);
        if (columns.outlet) count('outlet', miss(column(columns.outlet), above.outlet, below.outlet, 2 * STEP) < 1e-3);
      }
    }
    // A valve that leaps has no slope there: a few columns of some car differ, never those of one coordinate.
    expect([...tally].filter(([, { right, all }]) => right < 0.97 * all)).toEqual([]);
    expect(tally.get('outlet')!.all).toBeGreaterThan(100);
    expect(tally.size).toBeGreaterThan(40);
  });

  it('says when there are more directions than room', () => {
    const { problem, hypothesis, z } = points[0]!;
    const many = Array.from({ length: 49 }, () => 0);
    expect(() => readingTangents(kernel, problem, hypothesis, z, many)).toThrow(/room for 48/);
  });

  it('is done without where the engine has no WebAssembly, or a page forbids it', () => {
    const engine = globalThis as unknown as Engine;
    class Forbidden {
      constructor() {
        throw new Error('refused to compile');
      }
    }
    expect(loadKernel({ atob: engine.atob })).toBeNull();
    expect(
      loadKernel({
        atob: engine.atob,
        WebAssembly: { ...engine.WebAssembly!, Memory: engine.WebAssembly!.Memory, Module: Forbidden },
      }),
    ).toBeNull();
    expect(loadKernel(engine)).not.toBeNull();
  });
});

const room = (bins: number): Prediction => ({ reading_c: new Float64Array(bins), outlet_c: new Float64Array(bins) });

describe('runs side by side', () => {
  it('read what the reference reads, for every hypothesis on all kinds of cars', () => {
    const misses: number[] = [];
    let outlets = 0;
    for (const { problem, hypothesis, z } of points) {
      const { bins } = problem.inputs;
      const zs = [0, 1, 2, 3].map((n) => z.map((v, i) => v + 0.3 * n * Math.sin(7 * i)));
      const out = zs.map(() => room(bins));
      predictTogether(kernel, problem, hypothesis, zs, out);
      zs.forEach((at, r) => {
        const reading = predictReading(problem, hypothesis, at);
        let miss = 0;
        for (let k = 0; k < bins; k++) {
          miss = Math.max(miss, Math.abs(reading[k]! - out[r]!.reading_c[k]!));
          if (problem.outlet) miss = Math.max(miss, Math.abs(problem.workspace.outlet_c[k]! - out[r]!.outlet_c[k]!));
        }
        misses.push(miss);
        if (problem.outlet) outlets++;
      });
    }
    expect(misses.length).toBeGreaterThan(1000);
    expect(outlets).toBeGreaterThan(100);
    // Single precision, and 404 steps of it.
    expect(quantile(misses, 0.5)).toBeLessThan(3e-4);
    expect(quantile(misses, 0.98)).toBeLessThan(0.01);
    // A valve that hunts makes much of rounding.
    expect(Math.max(...misses)).toBeLessThan(1);
  });

  it('are the same alone as beside others, and leave the room of others alone', () => {
    const { problem, hypothesis, z } = points.find((p) => p.hypothesis.severities.length > 0)!;
    const { bins } = problem.inputs;
    const other = z.map((v) => v + 0.5);
    const [together, alone] = [
      [room(bins), room(bins), room(bins)],
      [room(bins), room(bins)],
    ];
    predictTogether(kernel, problem, hypothesis, [other, z, other], together);
    predictTogether(kernel, problem, hypothesis, [z], alone);
    expect(alone[0]!.reading_c).toEqual(together[1]!.reading_c);
    expect(together[0]!.reading_c).toEqual(together[2]!.reading_c);
    expect(together[0]!.reading_c).not.toEqual(together[1]!.reading_c);
    expect(alone[1]).toEqual(room(bins));
  });
});
