import { describe, expect, it } from 'vitest';
import { CATALOGUE } from './catalogue/catalogue';
import { complaintConflicts } from './conflicts';

const STATEMENTS = CATALOGUE.filter((item) => item.stage === 'complaint').map((item) => item.id);

describe('statements that do not go together', () => {
  it('one alone conflicts with nothing', () => {
    for (const id of STATEMENTS) expect(complaintConflicts([id])).toEqual([]);
  });

  it('too cold and too hot asks when each happens, whatever else is said and in either order', () => {
    const pair = ['complaint-overheats', 'complaint-slow-warm-up'];
    for (const said of [pair, [...pair].reverse(), [...pair, 'complaint-weak-heater']]) {
      expect(complaintConflicts(said).join()).toContain('Ask when each happens');
    }
    expect(complaintConflicts(['complaint-slow-warm-up', 'complaint-weak-heater'])).toEqual([]);
  });

  it('each question is about statements that can be ticked, and all of them at once ask each once', () => {
    const all = complaintConflicts(STATEMENTS);
    expect(all.length).toBeGreaterThanOrEqual(4);
    expect(new Set(all).size).toBe(all.length);
  });
});
