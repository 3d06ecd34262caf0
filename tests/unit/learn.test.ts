import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { CAUSES, channelSet, type Cause } from '@/core/base';
import { experienced } from '@/core/judge';
import { drawWorldScenario } from '@/core/plant';
import { readCases, writeCases } from '../../scripts/learn/casesFile';
import { examineReport, judgedWithout, partsOf } from '../../scripts/learn/examine';
import type { LearnCase } from '../../scripts/learn/learnCase';
import { retold } from '../../scripts/learn/retold';
import { scaleOf, train, TRAIN } from '../../scripts/learn/train';

const SMALL = { ...TRAIN, nets: 1, hidden: 6, epochs: 60, dropout: 0.1, decay: 0.001 };
const FLAT = CAUSES.map(() => 0);

/** Cases of three causes that one figure parts; a second says nothing. */
function cases(origin: LearnCase['origin'], count = 90): LearnCase[] {
  const of: readonly Cause[] = ['healthy', 'thermostat-stuck-open', 'sender-slow'];
  return Array.from({ length: count }, (_, i) => {
    const k = i % of.length;
    return {
      id: `${origin} ${i}`,
      origin,
      telling: 0,
      group: `${origin} ${i % 5}`,
      causes: [of[k]!],
      counts: i % 17 !== 0,
      clear: true,
      figures: { level: 10 * k + Math.sin(i), 'says nothing': Math.cos(7 * i), missing: i % 3 === 0 ? null : 1 },
      physics: FLAT,
    };
  });
}
const examine = (of: readonly LearnCase[]) =>
  examineReport(
    partsOf(of),
    partsOf(of).map((part) => judgedWithout(of, part, 3, SMALL)),
  );
const leader = (experience: ReturnType<typeof train>, level: number): Cause => {
  const { logOdds } = experienced(
    experience,
    { level },
    Object.fromEntries(CAUSES.map((c) => [c, 0])) as Record<Cause, number>,
  );
  return CAUSES.reduce((a, b) => (logOdds[b] > logOdds[a] ? b : a));
};

describe('a drive told again', () => {
  const drive = (seed: number) => {
    const s = drawWorldScenario({ seed, world: 3, causes: ['healthy'], channelSet: 'full', start: 'cold' });
    return { trace: s.trace, vehicle: s.vehicle, causes: s.causes };
  };
  const one = drive(7);

  it('is at first as it was logged, then of a car whose papers are a little off, the same for the same number', () => {
    expect(retold(one, 0, 7)).toEqual({ trace: one.trace, vehicle: one.vehicle });
    const again = retold(one, 1, 7);
    expect(again.trace).toBe(one.trace);
    const share = again.vehicle.coolant.volume_l / one.vehicle.coolant.volume_l;
    expect(share).not.toBe(1);
    expect(Math.abs(Math.log(share))).toBeLessThan(0.15);
    expect(again.vehicle.thermostat).toEqual(one.vehicle.thermostat);
    expect(retold(one, 1, 7)).toEqual(again);
    expect(retold(one, 1, 8)).not.toEqual(again);
  });

  it('is then of a poorer logger, but for a fault that shows between two channels', () => {
    for (let n = 0; n < 12; n++) {
      const { trace } = retold(one, 2, n);
      expect(channelSet(trace)).toMatch(/basic|temperature-only/);
      expect(trace.channels.ect_c).toBe(one.trace.channels.ect_c);
    }
    expect(retold({ ...one, causes: ['gauge-sender-fault'] }, 2, 7).trace).toBe(one.trace);
  });
});

describe('training of the learned layer', () => {
  const all = [...cases('field'), ...cases('world')];
  const experience = train(all, 3, SMALL);

  it('finds what parts the causes', () => {
    expect(leader(experience, 0)).toBe('healthy');
    expect(leader(experience, 10)).toBe('thermostat-stuck-open');
    expect(leader(experience, 20)).toBe('sender-slow');
  });

  it('says the same again for the same seed', () => {
    expect(train(all, 3, SMALL)).toEqual(experience);
    expect(train(all, 4, SMALL).nets).not.toEqual(experience.nets);
  });

  it('takes middle and spread over what was seen, and leaves out what was hardly ever', () => {
    const scale = scaleOf(all);
    expect(scale.names).toEqual(['level', 'missing', 'says nothing']);
    expect(scale.middle[0]!).toBeGreaterThan(8);
    const rare = all.map((c, i) => ({ ...c, figures: { ...c.figures, rare: i < 5 ? 1 : null } }));
    expect(scaleOf(rare).names).not.toContain('rare');
  });

  it('learns of two faults at once that both are there, while the odds stay those of single causes', () => {
    const beside = (n: number, level: number, causes: readonly Cause[], second: number): LearnCase[] =>
      Array.from({ length: n }, (_, i) => ({
        ...{
          id: `${causes.join()} ${i}`,
          origin: 'world',
          telling: 0,
          group: `w${i % 5}`,
          causes,
          counts: true,
          clear: true,
          physics: FLAT,
        },
        figures: { level: level + Math.sin(i), second },
      }));
    const open = beside(60, 10, ['thermostat-stuck-open'], 0);
    const both = beside(60, 10, ['thermostat-stuck-open', 'sender-slow'], 4);
    const slow = beside(60, 20, ['sender-slow'], 0);
    const layer = train([...open, ...both, ...slow], 3, { ...SMALL, epochs: 250 });
    const at = (figures: Record<string, number>) =>
      experienced(layer, figures, Object.fromEntries(CAUSES.map((c) => [c, 0])) as Record<Cause, number>);
    expect(at({ level: 10, second: 4 }).present['sender-slow']).toBeGreaterThan(0.5);
    expect(at({ level: 10, second: 0 }).present['sender-slow']).toBeLessThan(0.3);
    expect(at({ level: 10, second: 4 }).present['thermostat-stuck-open']).toBeGreaterThan(0.5);
    const single = at({ level: 10, second: 0 }).logOdds;
    expect(CAUSES.reduce((a, b) => (single[b] > single[a] ? b : a))).toBe('thermostat-stuck-open');
  });

  it('is examined on vehicles and worlds that it did not learn from', () => {
    const report = examine(all);
    expect(report).toContain('| every vehicle in turn |');
    expect(report).toContain('| field 3 |');
    expect(report).toContain('| every part of the worlds in turn |');
    expect(report).not.toContain('world 3 |');
    const two = examine([...all, { ...all[1]!, id: 'two', causes: ['thermostat-stuck-open', 'sender-slow'] }]);
    expect(two).toMatch(
      /Vehicles left out, two faults at once: one of them named first (0|100) %, both among the first three (0|100) %/,
    );
    expect(report).toMatch(/Vehicles left out, two faults at once: one of them named first - %/);
  });

  it('asks for a drive that is told again once, and learns from none of its tellings when it is left out', () => {
    const again = all.map((c) => ({ ...c, telling: 1, figures: { ...c.figures, level: c.figures.level! + 0.1 } }));
    const part = partsOf(all)[0]!;
    const asked = (of: readonly LearnCase[]) => judgedWithout(of, part, 3, SMALL);
    expect(asked([...all, ...again])).toHaveLength(asked(all).length);
    const others = again.map((c) =>
      part.groups.includes(c.group) ? { ...c, causes: ['fan-always-on'] as Cause[] } : c,
    );
    expect(asked([...all, ...others])).toEqual(asked([...all, ...again]));
  });
});

describe('the file of drives', () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'cases-')), 'cases.ndjson');

  it('is read as it was written', () => {
    writeCases(file, cases('field', 4));
    expect(readCases(file)).toEqual(cases('field', 4));
  });

  it.each([
    ['cut off', '{"id":"a"'],
    ['of a time when drives were told once', JSON.stringify({ ...cases('field', 1)[0], telling: undefined })],
  ])('with a line %s is refused, with its line and what to do', (_, line) => {
    writeFileSync(file, `${JSON.stringify(cases('field', 1)[0])}\n${line}\n`);
    expect(() => readCases(file)).toThrow(/line 2: no drive .* make the file anew/);
  });
});
