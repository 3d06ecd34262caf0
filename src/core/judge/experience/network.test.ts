import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSES, perCause } from '../../base';
import { flatLogs, type EvidenceLine } from '../../evidence';
import { addLogs, logPriors, toProbabilities } from '../../evidence';
import { EXPERIENCE } from './experience';
import { experienceLine } from './experienceLine';
import { groupOf } from './figureGroups';
import { experienced, inputsOf, outputsOf, shallow, type Experience } from './network';
import { withSecondFault } from './secondFault';

const OUT = 2 * CAUSES.length;
/** One input, one hidden unit: the first cause rises with the figure, the presence of the second falls. */
const small: Experience = {
  schema: 'varmek-experience/1',
  names: ['late q50'],
  middle: [10],
  spread: [2],
  hidden: 1,
  nets: [
    {
      w1: [1],
      b1: [0],
      w2: [...CAUSES.map((_, i) => (i === 0 ? 3 : 0)), ...CAUSES.map((_, i) => (i === 1 ? -4 : 0))],
      b2: new Array<number>(OUT).fill(0),
      gain: 1,
    },
  ],
  deepest: 8,
};
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

describe('the learned layer', () => {
  it('measures figures in their spreads, at most three; what was not seen stands in the middle', () => {
    expect(Array.from(inputsOf(small, { 'late q50': 12 }))).toEqual([1]);
    expect(Array.from(inputsOf(small, { 'late q50': 100 }))).toEqual([3]);
    expect(Array.from(inputsOf(small, { 'late q50': NaN }))).toEqual([0]);
    expect(Array.from(inputsOf(small, {}))).toEqual([0]);
  });

  it('is a network as by hand', () => {
    const out = outputsOf(small.nets[0]!, 1, Float64Array.of(0.5));
    expect(out[0]!).toBeCloseTo(3 * Math.tanh(0.5), 12);
    expect(out[CAUSES.length + 1]!).toBeCloseTo(-4 * Math.tanh(0.5), 12);
    expect(out[2]!).toBe(0);
  });

  it('takes the odds of the physics over, as deep as they count, and stretches them a little', () => {
    const physics = { ...flatLogs(-100), healthy: 0, 'sender-slow': -3 };
    expect(shallow(physics, 8)['fan-not-running']).toBe(-8);
    const found = experienced(small, {}, physics);
    expect(found.logOdds.healthy - found.logOdds['sender-slow']).toBeCloseTo(1.1 * 3, 9);
    expect(found.logOdds.healthy - found.logOdds['fan-not-running']).toBeCloseTo(1.1 * 8, 9);
  });

  it('moves odds and presence by the figures, and its odds sum to one', () => {
    const physics = flatLogs(0);
    const [low, high] = [7, 13].map((v) => experienced(small, { 'late q50': v }, physics)) as [
      ReturnType<typeof experienced>,
      ReturnType<typeof experienced>,
    ];
    expect(high.logOdds[CAUSES[0]!]).toBeGreaterThan(low.logOdds[CAUSES[0]!] + 3);
    expect(low.present[CAUSES[1]!]).toBeGreaterThan(0.9);
    expect(high.present[CAUSES[1]!]).toBeLessThan(0.1);
    for (const e of [low, high]) expect(sum(CAUSES.map((c) => Math.exp(e.logOdds[c])))).toBeCloseTo(1, 9);
  });
});

describe('the line of experience', () => {
  const line = (logs: Parameters<typeof shallow>[0]): EvidenceLine => ({
    ...{ id: 'trace-fit', kind: 'course', seen: '', reason: '', source: '' },
    logLikelihood: logs,
  });

  it('gives, with the other lines and the usual base rates, the odds that were learned', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -60, max: 0, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (logs, level) => {
          const physics = perCause((c) => logs[CAUSES.indexOf(c)]!);
          const { line: learned } = experienceLine(small, { 'late q50': level }, [line(physics)]);
          const odds = toProbabilities(addLogs(logPriors(), physics, learned.logLikelihood), 0);
          const wanted = withSecondFault(experienced(small, { 'late q50': level }, physics));
          for (const c of CAUSES) expect(odds[c]).toBeCloseTo(Math.exp(wanted[c]), 6);
        },
      ),
    );
  });

  it('leaves impossible what the physics calls impossible', () => {
    const physics = { ...flatLogs(0), 'thermostat-heating-fault': -Infinity };
    const { line: learned } = experienceLine(small, {}, [line(physics)]);
    const odds = toProbabilities(addLogs(logPriors(), physics, learned.logLikelihood));
    expect(odds['thermostat-heating-fault']).toBe(0);
    for (const c of CAUSES) expect(Number.isNaN(learned.logLikelihood[c])).toBe(false);
  });

  it('says which figures speak most for the leader', () => {
    const { line: learned } = experienceLine(small, { 'late q50': 16 }, [line(flatLogs(0))]);
    expect(learned.seen).toContain('the level once warm');
    const silent = experienceLine(small, {}, [line(flatLogs(0))]);
    expect(silent.line.seen).not.toContain('most of it');
  });
});

describe('the weights that ship', () => {
  it('fit their sizes and name figures that belong somewhere', () => {
    expect(EXPERIENCE.names.length).toBeGreaterThan(150);
    expect(new Set(EXPERIENCE.names).size).toBe(EXPERIENCE.names.length);
    for (const net of EXPERIENCE.nets) expect(net.gain).toBeGreaterThan(0.2);
    for (const s of EXPERIENCE.spread) expect(s).toBeGreaterThan(0);
    const groups = new Set(EXPERIENCE.names.map(groupOf));
    expect(groups.size).toBeGreaterThanOrEqual(10);
    expect(groupOf('start over air')).toContain('start against the air');
    expect(groupOf('sound heater')).toContain('fits');
    expect(groupOf('diesel')).toContain('kind of vehicle');
  });
});
