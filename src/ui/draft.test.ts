import { afterEach, describe, expect, it, vi } from 'vitest';
import { dropDraft, keepDraft, readDraft } from './draft';

/** A tab's store of so many characters. */
function tab(room = 1000) {
  const held = new Map<string, string>();
  return {
    getItem: (key: string) => held.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (value.length > room) throw new DOMException('no room', 'QuotaExceededError');
      held.set(key, value);
    },
    removeItem: (key: string) => held.delete(key),
  };
}

afterEach(() => vi.unstubAllGlobals());

describe('a draft', () => {
  it('waits under its name until the very words are saved', () => {
    vi.stubGlobal('window', { sessionStorage: tab() });
    keepDraft('notes', 'seep at the hose');
    expect(readDraft('notes')).toBe('seep at the hose');
    expect(readDraft('other')).toBeNull();
    keepDraft('notes', 'seep at the hose, and');
    dropDraft('notes', 'seep at the hose');
    expect(readDraft('notes')).toBe('seep at the hose, and');
    dropDraft('notes', 'seep at the hose, and');
    expect(readDraft('notes')).toBeNull();
  });

  it('that does not fit leaves the one before', () => {
    vi.stubGlobal('window', { sessionStorage: tab(5) });
    keepDraft('notes', 'seep');
    keepDraft('notes', 'seep at the hose');
    expect(readDraft('notes')).toBe('seep');
  });

  it('is none where a tab may keep nothing, and on the server', () => {
    const blocked = {
      get sessionStorage(): never {
        throw new DOMException('denied', 'SecurityError');
      },
    };
    vi.stubGlobal('window', blocked);
    keepDraft('notes', 'x');
    expect(readDraft('notes')).toBeNull();
    vi.unstubAllGlobals();
    expect(readDraft('notes')).toBeNull();
  });
});
