import { describe, expect, it } from 'vitest';
import { typedPath } from './typedPath';

const ROW = { id: 'a', at: 1, values: { ect_c: 4, iat_c: 5 }, marks: [{ text: 'x', done: false }], updatedAt: 1 };
const path = (after: object) => typedPath(ROW, { ...ROW, updatedAt: 2, ...after }, ['updatedAt']);

describe('the place in which a change typed', () => {
  it('is that of a single figure or text, at any depth', () => {
    expect(path({ values: { ect_c: 41, iat_c: 5 } })).toBe('/values/ect_c');
    expect(path({ values: { ect_c: 4, iat_c: 5, outside_c: 3 } })).toBe('/values/outside_c');
    expect(path({ marks: [{ text: 'xy', done: false }] })).toBe('/marks/0/text');
  });

  it('is none where nothing changed, more than one did, something was ticked or taken out', () => {
    expect(path({})).toBeNull();
    expect(path({ at: 2, values: { ect_c: 41, iat_c: 5 } })).toBeNull();
    expect(path({ marks: [{ text: 'x', done: true }] })).toBeNull();
    expect(path({ values: { ect_c: 4 } })).toBeNull();
    expect(path({ values: null })).toBeNull();
  });
});
