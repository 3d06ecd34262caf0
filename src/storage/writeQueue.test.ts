import { fail, ok, type Result } from '@/core/base';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StorageError } from './storageError';
import { WriteQueue } from './writeQueue';

const FULL: StorageError = { kind: 'full', message: 'full' };
const REFUSED: StorageError = { kind: 'refused', message: 'of another version' };

let isFull = false;
let store: string[] = [];
const put = (what: string) => (): Promise<Result<string, StorageError>> => {
  if (isFull) return Promise.resolve(fail(FULL));
  store.push(what);
  return Promise.resolve(ok(what));
};

/** What was told of each change. */
function told() {
  const said: string[] = [];
  const of = (name: string) => ({
    kept: () => void said.push(`${name} kept`),
    waits: () => void said.push(`${name} waits`),
    refused: (e: StorageError) => void said.push(`${name} refused: ${e.message}`),
  });
  return { said, of };
}

beforeEach(() => {
  isFull = false;
  store = [];
  vi.useFakeTimers();
});
afterEach(() => vi.useRealTimers());

describe('changes on their way to the store', () => {
  it('are kept at once while there is room', async () => {
    const queue = new WriteQueue();
    const { said, of } = told();
    await queue.keep(put('a'), of('a'));
    expect(store).toEqual(['a']);
    expect(said).toEqual(['a kept']);
    expect(queue.current()).toEqual({ count: 0, why: null });
  });

  it('wait in order without room, are told once, and land in order when there is', async () => {
    const queue = new WriteQueue();
    const { said, of } = told();
    const seen: number[] = [];
    queue.watch(() => seen.push(queue.current().count));
    isFull = true;
    await queue.keep(put('a'), of('a'));
    expect(queue.current()).toEqual({ count: 1, why: 'full' });
    await queue.keep(put('b'), of('b'));
    expect(queue.current()).toEqual({ count: 2, why: 'full' });
    expect(store).toEqual([]);
    isFull = false;
    await queue.keep(put('c'), of('c'));
    expect(store).toEqual(['a', 'b', 'c']);
    expect(said.filter((s) => s.endsWith('kept'))).toEqual(['a kept', 'b kept', 'c kept']);
    expect(queue.current()).toEqual({ count: 0, why: null });
    expect(seen).toContain(2);
    expect(seen.at(-1)).toBe(0);
  });

  it('keep the tab from closing until they are kept', async () => {
    const queue = new WriteQueue();
    const { of } = told();
    expect(queue.isBusy()).toBe(false);
    const underway = queue.keep(put('a'), of('a'));
    expect(queue.isBusy()).toBe(true);
    await underway;
    expect(queue.isBusy()).toBe(false);
    await queue.keep(() => Promise.reject(new Error('broke')), of('b')).catch(() => undefined);
    expect(queue.isBusy()).toBe(false);
    isFull = true;
    await queue.keep(put('c'), of('c'));
    expect(queue.isBusy()).toBe(true);
    isFull = false;
    await queue.tryAgain();
    expect(queue.isBusy()).toBe(false);
  });

  it('are tried again by themselves', async () => {
    const queue = new WriteQueue();
    isFull = true;
    await queue.keep(put('a'), told().of('a'));
    await vi.advanceTimersByTimeAsync(25_000);
    expect(queue.current().count).toBe(1);
    isFull = false;
    await vi.advanceTimersByTimeAsync(10_000);
    expect(store).toEqual(['a']);
    expect(queue.current().count).toBe(0);
  });

  it('that can never be kept are told and not held', async () => {
    const queue = new WriteQueue();
    const { said, of } = told();
    await queue.keep(() => Promise.resolve(fail(REFUSED)), of('a'));
    expect(said).toEqual(['a refused: of another version']);
    expect(queue.current().count).toBe(0);
    await queue.keep(put('b'), of('b'));
    expect(store).toEqual(['b']);
  });

  it('are let go on a word', async () => {
    const queue = new WriteQueue();
    const { said, of } = told();
    isFull = true;
    await queue.keep(put('a'), of('a'));
    queue.letGo();
    expect(queue.current().count).toBe(0);
    expect(said.at(-1)).toMatch(/^a refused: Let go/);
    isFull = false;
    await vi.advanceTimersByTimeAsync(60_000);
    expect(store).toEqual([]);
  });
});
