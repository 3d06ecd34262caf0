import { describe, expect, it } from 'vitest';
import { CAUSES } from '../base';
import { errorPatterns, senderErrorLikelihood } from './senderError';

/** Readings at two temperatures against a thermometer good to 1.5 K. */
const read = (...errors_k: number[]) => ({
  at_c: errors_k.map((_, i) => 20 + 65 * i),
  errors_k,
  sds_k: errors_k.map(() => 1.5),
});
const likelihood = (...errors_k: number[]) => senderErrorLikelihood(read(...errors_k), []);

describe('errors of a sender against a thermometer', () => {
  it('within tolerance of sound no sender is accused', () => {
    const found = likelihood(0.5, -0.4);
    for (const c of CAUSES) expect(found[c]).toBeLessThanOrEqual(found.healthy);
  });

  it.each([
    [-12, 'sender-reads-low', 'sender-reads-high'],
    [12, 'sender-reads-high', 'sender-reads-low'],
  ] as const)('%d K at both speaks for %s', (error_k, cause, other) => {
    const found = likelihood(error_k, error_k);
    expect(found[cause]).toBeGreaterThan(20 * found.healthy);
    expect(found[cause]).toBeGreaterThan(20 * found[other]);
  });

  it.each([
    [-14, 'sender-reads-low'],
    [14, 'sender-reads-high'],
  ] as const)('right when cold and off by %d K when warm speaks for %s: an element that drifted', (warm_k, cause) => {
    const found = likelihood(0, warm_k);
    expect(found[cause]).toBeGreaterThan(20 * found.healthy);
  });

  it('low when cold and high when warm is no offset: a reading unrelated to the coolant is likelier', () => {
    const found = likelihood(-25, 30);
    expect(found['sender-stuck']).toBeGreaterThan(found['sender-reads-low']);
    expect(found['sender-stuck']).toBeGreaterThan(found['sender-reads-high']);
  });

  it('causes that leave the sender alone are not told apart', () => {
    const found = likelihood(-8, -7);
    expect(found['thermostat-stuck-open']).toBe(found.healthy);
    expect(found['fan-always-on']).toBe(found.healthy);
  });

  it('an error that all readings share, as of a curve of another family, accuses much less', () => {
    const known = senderErrorLikelihood(read(-8, -8), []);
    const shared = senderErrorLikelihood(read(-8, -8), [], { common: { sd_k: 8 } });
    const factor = (l: typeof known) => l['sender-reads-low'] / l.healthy;
    expect(factor(shared)).toBeLessThan(factor(known) / 10);
  });

  it('patterns weigh one together; resistance in the plug reads low, most when hot', () => {
    const patterns = errorPatterns([20, 85], -1, []);
    expect(patterns.reduce((sum, p) => sum + p.weight, 0)).toBeCloseTo(1, 9);
    for (const { errors_k } of patterns) for (const e of errors_k) expect(e).toBeLessThanOrEqual(1e-9);
    const wiring = patterns.filter((p) => p.errors_k[0] !== p.errors_k[1]);
    expect(wiring.length).toBeGreaterThan(5);
    for (const { errors_k } of wiring) expect(errors_k[1]).toBeLessThan(errors_k[0]!);
  });

  it('at the bare element the wiring errs by nothing', () => {
    const patterns = errorPatterns([20, 85], 1, [], 'element');
    expect(patterns.filter((p) => p.errors_k.every((e) => e === 0)).length).toBeGreaterThan(0);
    // An offset is the same at both; what drifted is right at 20 °C.
    for (const { errors_k } of patterns) expect(errors_k[0] === errors_k[1] || errors_k[0] === 0).toBe(true);
  });
});
