import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { caseOf, figuresOf, inOrder, NO_OWN_FIGURES, readEntry, type Entry } from '@/core/case';
import { startingVehicle } from '@/core/planning';
import { CATALOGUE } from '@/core/evidence';

const root = path.join(import.meta.dirname, '..', '..');
const garage = JSON.parse(readFileSync(path.join(root, 'public', 'demo', 'garage.json'), 'utf8')) as {
  readonly jobs: readonly { readonly entries: readonly Record<string, unknown>[] }[];
};

/** One raw entry of each shape that the demo garage holds, and one of each item of the catalogue. */
const RAW: readonly Record<string, unknown>[] = [
  ...garage.jobs.flatMap((j) => j.entries),
  ...CATALOGUE.map((i) => ({ kind: i.stage === 'complaint' ? 'statement' : 'check', item: i.id, answer: 'yes' })),
];

const odd = fc.oneof(
  fc.constantFrom<unknown>(null, undefined, '', 'toString', '__proto__', NaN, -1e308, Infinity, [], {}, [null], true),
  fc.string(),
  fc.double(),
  fc.record({ id: fc.string(), kind: fc.string() }, { noNullPrototype: true }),
);

/** An entry with some of its fields, at any depth, as no version would have written them. */
function damaged(raw: unknown, values: readonly unknown[], at: { n: number }): unknown {
  if (typeof raw !== 'object' || raw === null) return raw;
  if (Array.isArray(raw)) return raw.map((v) => damaged(v, values, at));
  return Object.fromEntries(
    Object.entries(raw).map(([k, v]) => [k, ++at.n % 5 === 0 ? values[at.n % values.length] : damaged(v, values, at)]),
  );
}

describe('entries that no version wrote', () => {
  it('are kept as they came and never keep a job from being opened', () => {
    const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.4, hybrid: false });
    fc.assert(
      fc.property(
        fc.array(fc.nat(RAW.length - 1), { minLength: 1, maxLength: 6 }),
        fc.array(odd, { minLength: 3, maxLength: 8 }),
        fc.nat(4),
        (picked, values, offset) => {
          const at = { n: offset };
          const entries = picked.map((i, n): Entry => {
            const raw = damaged(RAW[i], values, at) as Record<string, unknown>;
            return readEntry(raw, { id: String(n), at: n });
          });
          const figures = figuresOf(NO_OWN_FIGURES);
          const found = caseOf({ vehicle, senderPoints: [], entries: inOrder(entries), drives: new Map(), figures });
          const sum = found.now.reduce((s, o) => s + o.probability, 0);
          expect(sum).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 600 },
    );
  });
});
