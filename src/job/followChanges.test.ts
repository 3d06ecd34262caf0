import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { followChanges } from './followChanges';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

/** Work that takes a second, and when it began. */
function timedWork() {
  const begun: number[] = [];
  const from = Date.now();
  const work = async () => {
    begun.push(Date.now() - from);
    await new Promise((done) => setTimeout(done, 1000));
  };
  return { begun, work };
}

describe('work that follows changes', () => {
  it('begins at once, and once more for all that came while it ran or rested', async () => {
    const { begun, work } = timedWork();
    const { changed } = followChanges(work, 2000);
    const all = [changed()];
    await vi.advanceTimersByTimeAsync(500);
    all.push(changed(), changed());
    await vi.advanceTimersByTimeAsync(1500);
    all.push(changed());
    await vi.advanceTimersByTimeAsync(20_000);
    await Promise.all(all);
    expect(begun).toEqual([0, 3000]);
  });

  it('begins at once again after a rest', async () => {
    const { begun, work } = timedWork();
    const { changed } = followChanges(work, 2000);
    void changed();
    await vi.advanceTimersByTimeAsync(60_000);
    void changed();
    await vi.advanceTimersByTimeAsync(1);
    expect(begun).toEqual([0, 60_000]);
  });

  it('ended, does nothing more, not even what had been asked for', async () => {
    const { begun, work } = timedWork();
    const { changed, end } = followChanges(work, 2000);
    void changed();
    await vi.advanceTimersByTimeAsync(100);
    void changed();
    end();
    await vi.advanceTimersByTimeAsync(60_000);
    await changed();
    expect(begun).toEqual([0]);
  });

  it('hands on what the work throws, and works at the next change', async () => {
    let runs = 0;
    const { changed } = followChanges(async () => {
      runs++;
      if (runs === 1) throw new Error('no database');
    }, 10);
    await expect(changed()).rejects.toThrow('no database');
    const next = changed();
    await vi.advanceTimersByTimeAsync(100);
    await next;
    expect(runs).toBe(2);
  });
});
