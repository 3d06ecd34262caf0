/** What happens around a stretch that only one tab has at a time. */
export interface Stretch {
  /** Another tab has it; this one waits for its turn. */
  readonly waits: () => void;
  readonly begin: () => Promise<unknown>;
  /** Called when this tab leaves; the next one begins after it is done. */
  readonly end: () => Promise<unknown>;
}

/**
 * Has something under a name in one tab of this browser at a time.
 *
 * @returns how to leave it
 */
export function alone(name: string, { waits, begin, end }: Stretch): () => void {
  const leaving = new AbortController();
  const left = new Promise<void>((resolve) => leaving.signal.addEventListener('abort', () => resolve()));
  const hold = async (): Promise<void> => {
    if (leaving.signal.aborted) return;
    await begin();
    await left;
    await end();
  };
  const run = async (): Promise<void> => {
    const had = await navigator.locks.request(name, { ifAvailable: true }, async (lock) => {
      if (!lock) return false;
      await hold();
      return true;
    });
    if (had || leaving.signal.aborted) return;
    waits();
    await navigator.locks.request(name, { signal: leaving.signal }, hold);
  };
  void run().catch((error: unknown) => {
    // Left while it waited: nothing had begun.
    if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
  });
  return () => leaving.abort();
}
