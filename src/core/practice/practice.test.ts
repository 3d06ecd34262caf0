import { describe, expect, it } from 'vitest';
import { CAUSES, isFault } from '../base';
import { ACTION_KINDS, figuresOf, NO_OWN_FIGURES, type Entry } from '../case';
import { CATALOGUE, findItem } from '../evidence';
import { PLAN_TEMPLATES, type DrivePlan } from '../planning';
import {
  answerTo,
  costSoFar,
  drawPractice,
  drivePractice,
  isCured,
  isOver,
  isRight,
  LEVEL_NAMES,
  LEVELS,
  practiceCase,
  practiceFromJob,
  readPractice,
  reviewOf,
  scoredOf,
  skills,
  testsLeft,
  testTaken,
  WAY_TEXT,
  type PracticeSheet,
  type RepairStep,
} from '.';

const FIGURES = figuresOf(NO_OWN_FIGURES);
const PLAN: DrivePlan = { phases: PLAN_TEMPLATES[1]!.phases, ambient_c: 0, heater_pct: 40, startExcess_k: 0 };
const step = (id: string) => ({ id, at: 0 });
const repair = (over: Partial<RepairStep>): RepairStep => ({
  ...{ kind: 'repair', ...step('r'), cause: 'healthy', certainty: 0.8, action: 'leave-it', cured: false },
  ...over,
});
const drawn = (fits: (p: PracticeSheet) => boolean, level: (typeof LEVEL_NAMES)[number] = 'clear'): PracticeSheet => {
  for (let n = 1; n < 80; n++) {
    const sheet = drawPractice(level, n);
    if (fits(sheet)) return sheet;
  }
  throw new Error('no such case was drawn');
};
const BROKEN = drawn((p) => p.truth.causes[0] === 'thermostat-stuck-open');
const SOUND = drawn((p) => !isFault(p.truth.causes[0]!));

describe('a drawn case', () => {
  it('is the same for the same number, another for another, and of a cause of its level', () => {
    expect(drawPractice('usual', 5)).toEqual(drawPractice('usual', 5));
    const causes = new Set([1, 2, 3, 4, 5, 6, 7, 8].map((n) => drawPractice('clear', n).truth.causes[0]!));
    expect(causes.size).toBeGreaterThan(3);
    for (const cause of causes) expect(Object.keys(LEVELS.clear.causes)).toContain(cause);
  });

  it('brings a broken car in for something, and keeps what is wrong off its card', () => {
    for (let n = 1; n <= 12; n++) {
      const { truth, given, vehicle } = drawPractice('hard', n);
      if (isFault(truth.causes[0]!)) expect(given.length).toBeGreaterThan(0);
      expect(vehicle.label).toMatch(/^\d\.\d (petrol|diesel)$/);
      for (const g of given) expect(['complaint', 'code']).toContain(findItem(g.item)!.stage);
    }
  });

  it('answers a test the same however often it is asked, in answers of the catalogue', () => {
    for (const item of testsLeft(BROKEN, FIGURES)) {
      const answer = answerTo(BROKEN, item.id);
      expect(answerTo(BROKEN, item.id)).toBe(answer);
      expect(item.answers.map((a) => a.key)).toContain(answer);
    }
  });

  it('answers clearly on the first level and vaguely on the last', () => {
    const agreeing = (level: 'clear' | 'hard') => {
      let good = 0;
      for (let n = 1; n <= 6; n++) {
        const sheet = drawPractice(level, n);
        for (const item of testsLeft(sheet, FIGURES)) {
          const likely = item.answers.reduce((a, b) => {
            const p = (key: string) => item.likelihood(key, sheet.vehicle)[sheet.truth.causes[0]!];
            return p(b.key) > p(a.key) ? b : a;
          });
          if (answerTo(sheet, item.id) === likely.key) good++;
        }
      }
      return good;
    };
    expect(agreeing('clear')).toBeGreaterThan(agreeing('hard'));
  });

  it('drives as planned, each time in other traffic, on the day of its card', () => {
    const first = drivePractice(BROKEN, PLAN, 0);
    const second = drivePractice(BROKEN, PLAN, 1);
    expect(first.channels.ect_c[0]!).toBeLessThan(BROKEN.ambient_c! + 6);
    expect(first.channels.ect_c.length).toBeGreaterThan(200);
    expect([...second.channels.ect_c.slice(0, 200)]).not.toEqual([...first.channels.ect_c.slice(0, 200)]);
    // Stuck open: after fourteen minutes of road it is far below its rating.
    expect(first.channels.ect_c.at(-1)!).toBeLessThan(BROKEN.vehicle.thermostat.rated_c - 4);
  });

  it('has words for every way in which its fault came about', () => {
    for (let n = 1; n <= 15; n++) {
      const { way } = drawPractice('usual', n).truth;
      if (way !== 'plain') expect(WAY_TEXT[way]).toBeTypeOf('string');
    }
  });
});

describe('the way through a case', () => {
  it('costs what its tests cost, and each test once', () => {
    const [a, b] = testsLeft(BROKEN, FIGURES);
    let sheet = testTaken(BROKEN, a!.id, step('a'));
    const one = costSoFar(sheet, FIGURES);
    sheet = testTaken(sheet, b!.id, step('b'));
    const two = costSoFar(sheet, FIGURES);
    expect(one.minutes).toBe(a!.minutes + 3);
    expect(two.minutes - one.minutes).toBe(b!.minutes + 3);
    expect(two.money).toBeCloseTo((two.minutes / 60) * 90);
    expect(testsLeft(sheet, FIGURES).map((i) => i.id)).not.toContain(a!.id);
    expect(testTaken(sheet, a!.id, step('again'))).toEqual(sheet);
  });

  it('moves Varmek’s odds by the evidence that was paid for', () => {
    const before = practiceCase(BROKEN, FIGURES).steps.length;
    const sheet = testTaken(BROKEN, testsLeft(BROKEN, FIGURES)[0]!.id, step('a'));
    expect(practiceCase(sheet, FIGURES).steps).toHaveLength(before + 1);
  });

  it('leaves out a finding that no judge wrote', () => {
    const bad = { kind: 'drive', ...step('d'), plan: PLAN, finding: { nonsense: true } } as never;
    const sheet = { ...BROKEN, steps: [bad] };
    expect(practiceCase(sheet, FIGURES).now).toEqual(practiceCase(BROKEN, FIGURES).now);
  });

  it('is over with the cure, not with a part that does not help', () => {
    expect(isCured(SOUND, 'leave-it', FIGURES)).toBe(true);
    expect(isCured(SOUND, 'replace-thermostat', FIGURES)).toBe(false);
    expect(isCured(BROKEN, 'mend-fan', FIGURES)).toBe(false);
    for (const cause of CAUSES) {
      const truth = { causes: [cause], way: '' };
      expect(
        ACTION_KINDS.some((action) => isCured({ truth }, action, FIGURES)),
        cause,
      ).toBe(true);
    }
    for (let n = 1; n <= 4; n++) {
      const sheet = drawPractice('usual', n);
      // Every car can be cured, and the cure alone costs less than any way that begins with another part.
      const { cure, varmek } = reviewOf(sheet, FIGURES);
      expect(cure.minutes).toBeGreaterThan(0);
      expect(varmek.cost.money).toBeGreaterThanOrEqual(cure.money);
      expect(isCured(sheet, varmek.actions.at(-1)!, FIGURES)).toBe(true);
    }
    expect(isOver({ ...BROKEN, steps: [repair({ cured: false })] })).toBe(false);
    expect(isOver({ ...BROKEN, steps: [repair({ cured: true })] })).toBe(true);
    expect(isOver({ ...BROKEN, endedAt: 1 })).toBe(true);
  });

  it('takes a neighbour for right where the same is done', () => {
    expect(isRight('thermostat-leaking', BROKEN)).toBe(true);
    expect(isRight('sender-reads-low', BROKEN)).toBe(false);
  });
});

describe('the answer', () => {
  const wrong = repair({ cause: 'sender-reads-low', action: 'replace-sender', certainty: 0.9 });
  const good = repair({ id: 's', cause: 'thermostat-stuck-open', action: 'replace-thermostat', cured: true });

  it('counts the customer who comes back, and scores against Varmek’s own way', () => {
    const straight = reviewOf({ ...BROKEN, steps: [good] }, FIGURES);
    const round = reviewOf({ ...BROKEN, steps: [wrong, good] }, FIGURES);
    expect(round.cost.money - straight.cost.money).toBeCloseTo(45 + 25 + 450);
    expect(straight.cure.money).toBeLessThanOrEqual(straight.cost.money);
    expect(round.result.score).toBeLessThan(straight.result.score);
    expect(round.result.first!.right).toBe(false);
    expect(straight.result.first!.right).toBe(true);
    expect(reviewOf({ ...BROKEN, steps: [wrong] }, FIGURES).result.score).toBe(0);
  });

  it('says of each step how far it parted the truth from its rival, and names a better one', () => {
    const tests = testsLeft(BROKEN, FIGURES);
    const useless = tests.find((t) => t.id === 'look-belt') ?? tests[0]!;
    const { steps } = reviewOf({ ...testTaken(BROKEN, useless.id, step('a')) }, FIGURES);
    expect(steps[0]!.parted).toBeGreaterThan(0.3);
    expect(steps[0]!.parted).toBeLessThan(3);
    const ids: (string | null)[] = [null, ...CATALOGUE.map((i) => i.id)];
    expect(ids).toContain(steps[0]!.better);
    expect(steps[0]!.better).not.toBe(useless.id);
  });

  it('holds certainty against outcome, one’s own beside Varmek’s', () => {
    const cases = [good, wrong, wrong].map((r, i) => ({
      ...{ id: `${i}`, startedAt: i },
      sheet: { ...BROKEN, steps: [r], endedAt: 1 },
    }));
    const { yours, varmek } = skills(scoredOf(cases, FIGURES));
    expect(yours.right).toMatchObject({ n: 3, hits: 1 });
    expect(yours.brier).toBeCloseTo((0.2 ** 2 + 0.9 ** 2 + 0.9 ** 2) / 3);
    expect(yours.bins.find((b) => b.from === 0.85)!.right).toMatchObject({ n: 2, hits: 0 });
    expect(varmek.right.n).toBe(3);
    // What was kept stands, whatever the shop's figures became since.
    const kept = {
      ...cases[0]!.sheet,
      result: { score: 77, first: null, varmekSays: { cause: 'healthy', share: 1, right: false } },
    } as const;
    expect(scoredOf([{ ...cases[0]!, sheet: kept }], FIGURES)[0]!.result.score).toBe(77);
    expect(scoredOf([{ id: 'open', startedAt: 0, sheet: BROKEN }], FIGURES)).toEqual([]);
  });
});

describe('a case from an own job', () => {
  const entries: Entry[] = [
    { kind: 'statement', id: '1', at: 1, item: 'complaint-slow-warm-up', answer: 'yes' },
    { kind: 'code', id: '2', at: 2, code: 'P0128', freezeFrame: 'Mrs Example, 14 North Quay', clearedAt: null },
    { kind: 'check', id: '3', at: 3, item: 'hose-top-2min', answer: 'warm', minute: null },
    { kind: 'check', id: '4', at: 4, item: 'hose-bottom-2min', answer: 'warm', minute: null, takenBack: true },
    { kind: 'note', id: '5', at: 5, stage: 'arrival', text: 'Mrs Example wants it by Friday' },
    { kind: 'work', id: '6', at: 6, work: 'replaced-thermostat', detail: 'from Example Parts', benchPassed: false },
    { kind: 'check', id: '7', at: 7, item: 'heater-at-plateau', answer: 'hot', minute: null },
  ];
  const vehicle = { ...BROKEN.vehicle, label: 'Blue estate of Mrs Example' };
  const truth = { causes: ['thermostat-stuck-open'] as const, by: 'cured' as const };
  const sheet = practiceFromJob({ vehicle, entries, truth, finding: null })!;

  it('holds keys alone: no words, names or days', () => {
    expect(JSON.stringify(sheet)).not.toMatch(/Example|Quay|Friday|Blue/);
    expect(sheet.ambient_c).toBeNull();
  });

  it('can be asked what was asked before the work, and nothing else', () => {
    expect(sheet.given.map((g) => g.item)).toEqual(['complaint-slow-warm-up', 'code-P0128']);
    expect(testsLeft(sheet, FIGURES).map((i) => i.id)).toEqual(['hose-top-2min']);
    expect(answerTo(sheet, 'hose-top-2min')).toBe('warm');
    expect(answerTo(sheet, 'heater-at-plateau')).toBeNull();
    expect(() => drivePractice(sheet, PLAN, 0)).toThrow(RangeError);
  });

  it('is none where nothing could be asked', () => {
    expect(practiceFromJob({ vehicle, entries: entries.slice(0, 2), truth, finding: null })).toBeNull();
  });
});

describe('reading', () => {
  it('takes what it wrote and refuses what it cannot understand', () => {
    const sheet = { ...testTaken(BROKEN, 'hose-top-2min', step('a')), endedAt: 3 };
    expect(readPractice(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
    const bad: unknown[] = [
      null,
      'text',
      { ...sheet, schema: 'varmek-practice/9' },
      { ...sheet, steps: [{ ...sheet.steps[0], answer: 'nonsense' }] },
      { ...sheet, steps: [repair({ action: 'pray' as never })] },
      { ...sheet, truth: { causes: [], way: '' } },
      { ...sheet, truth: { causes: ['gremlins'], way: '' } },
      { ...sheet, source: { kind: 'elsewhere' } },
      { ...sheet, result: { score: 'much' } },
    ];
    for (const value of bad) expect(readPractice(value)).toBeNull();
  });
});
