import { describe, expect, it } from 'vitest';
import { ACTION_KINDS, ACTIONS, actionSpec } from './actions';
import { SCHOOLS } from './schools';
import { WORK, WORK_KINDS } from './work';

describe('questions on which workshops disagree', () => {
  it.each(SCHOOLS.map((s) => [s.question, s] as const))('%s: two different sides, and what settles it', (_, school) => {
    expect(new Set([school.one, school.other, school.settles]).size).toBe(3);
    for (const action of school.actions) expect(ACTION_KINDS).toContain(action);
  });

  it('stand once each, and there are those that bear on any choice', () => {
    expect(new Set(SCHOOLS.map((s) => s.id)).size).toBe(SCHOOLS.length);
    expect(SCHOOLS.some((s) => s.actions.length === 0)).toBe(true);
  });
});

describe('choices', () => {
  it.each(ACTION_KINDS)('%s is made of work that there is', (kind) => {
    for (const work of actionSpec(kind).work) expect(WORK_KINDS).toContain(work);
    expect(actionSpec(kind).minutes).toBeGreaterThan(0);
  });

  it('no two are said alike, nor are two kinds of work', () => {
    expect(new Set(ACTION_KINDS.map((k) => ACTIONS[k].says)).size).toBe(ACTION_KINDS.length);
    expect(new Set(WORK_KINDS.map((k) => WORK[k].done)).size).toBe(WORK_KINDS.length);
  });
});
