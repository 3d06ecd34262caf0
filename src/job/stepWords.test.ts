import { describe, expect, it } from 'vitest';
import type { JournalRecord } from '@/storage/records';
import { stepText } from './stepWords';

const show = (_family: string, si: number) => `${si}°`;
const row = (table: string, after: object | null, before: object | null = null): JournalRecord => ({
  ...{ group: 'g', scope: 'job j', at: 1, table, key: 'k' },
  before: before as JournalRecord['before'],
  after: after as JournalRecord['after'],
});
const entry = (fields: object) => ({ id: 'k', jobId: 'j', at: 1, ...fields });

describe('the words of a step', () => {
  it('are those of its entry, the later of two that replace each other, before those of what it moved beside', () => {
    const sound = entry({ kind: 'check', item: 'look-belt', answer: 'sound', minute: null });
    const gone = row('entries', { ...sound, takenBack: true }, sound);
    const note = row('entries', entry({ kind: 'note', stage: 'x', text: 'seep at the hose' }));
    expect(stepText([gone, note, row('jobs', {})], show)).toBe('note, seep at the hose');
    expect(stepText([gone], show)).toMatch(/^seen, .*: sound/);
  });

  it('tell what was taken away by what it was, and long ones by their beginning', () => {
    const long = entry({ kind: 'note', stage: 'x', text: 'a'.repeat(200) });
    const text = stepText([row('entries', null, long)], show);
    expect(text).toHaveLength(60);
    expect(text).toMatch(/^note, aaa.*…$/);
  });

  it('name the sheet where no entry tells', () => {
    expect(stepText([row('repairs', {})], show)).toBe('the repair sheet');
    expect(stepText([row('vehicles', {})], show)).toBe('the vehicle');
    expect(stepText([], show)).toBe('nothing');
  });
});
