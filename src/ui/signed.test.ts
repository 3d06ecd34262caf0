import { expect, it } from 'vitest';
import { signed } from './signed';

it('a difference has a sign unless it rounds to nothing', () => {
  expect([2.04, -2.06, 0, -0.04, 0.06].map((v) => signed(v))).toEqual(['+2.0', '−2.1', '0.0', '0.0', '+0.1']);
  expect(signed(-0.04, 2)).toBe('−0.04');
});
