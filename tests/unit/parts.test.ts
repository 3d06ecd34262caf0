import { describe, expect, it } from 'vitest';
import { alikeExam, senderExam, thermostatExam } from '../../scripts/exam/benchExam';

/** Parts on the bench against the truth, on few tests; the claims stand in docs/accuracy.md with their command. */
const seeds = (count: number, first: number) => Array.from({ length: count }, (_, i) => first + i);

describe('thermostats in a pot that the correction was not written for', () => {
  const tests = thermostatExam(seeds(60, 70_000));

  it('every figure lies within its stated uncertainty in nine of ten', () => {
    const errors = tests.flatMap((t) => t.errors);
    expect(errors.length).toBeGreaterThan(80);
    const within = errors.filter((e) => Math.abs(e.error) < 1.645 * e.sd).length;
    expect(within / errors.length).toBeGreaterThanOrEqual(0.9);
    // And it is not covered by being wide: most stated uncertainties are under 2 K.
    const opens = errors.filter((e) => e.figure === 'opens');
    expect(opens.filter((e) => e.sd < 2).length / opens.length).toBeGreaterThan(0.8);
  });

  it('the verdict is right, or none', () => {
    const right = tests.filter((t) => t.said === t.truth).length;
    expect(right / tests.length).toBeGreaterThanOrEqual(0.88);
    // What is open when cold is never missed.
    const open = tests.filter((t) => t.truth === 'stuck-open');
    expect(open.filter((t) => t.said === 'stuck-open').length).toBe(open.length);
    // One that opens late is not seen to open in water that boils first.
    const wrong = tests.filter((t) => t.said !== t.truth && t.said !== 'cannot-tell');
    expect(wrong.filter((t) => !(t.truth === 'opens-late' && t.said === 'stuck-closed')).length).toBeLessThanOrEqual(2);
  });
});

describe('senders with one fault each', () => {
  const senders = senderExam(seeds(160, 71_000));

  it('the fault is named where it stands out, and hardly ever a wrong one', () => {
    const clear = senders.filter((s) => s.truth !== 'good' && s.over > 3);
    const right = clear.filter((s) => s.said === s.truth).length;
    const named = clear.filter((s) => s.said !== null).length;
    expect(clear.length).toBeGreaterThan(100);
    expect(right / clear.length).toBeGreaterThanOrEqual(0.84);
    expect(right / named).toBeGreaterThanOrEqual(0.9);
  });

  it('a sound one is not accused, and the error lies in its band', () => {
    const good = senders.filter((s) => s.truth === 'good');
    expect(good.filter((s) => s.said !== 'good').length).toBeLessThanOrEqual(1);
    const told = senders.filter((s) => s.truth !== 'open' && s.truth !== 'short');
    const covered = told.filter((s) => Math.abs(s.error90_k) < s.band90_k).length;
    expect(covered / told.length).toBeGreaterThanOrEqual(0.9);
  });

  it('two faults that are alike where it was measured are left open', () => {
    const alike = alikeExam(seeds(80, 72_000));
    expect(alike.filter((a) => a.said === null).length / alike.length).toBeGreaterThanOrEqual(0.65);
    expect(alike.filter((a) => a.said !== null && a.said !== a.truth).length / alike.length).toBeLessThanOrEqual(0.1);
  });
});
