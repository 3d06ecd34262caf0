/** Work that follows changes, as {@link followChanges} makes it. */
export interface Follower {
  /** Something changed. Resolves when the work has caught up; what the work throws comes out of the call that began it. */
  readonly changed: () => Promise<void>;
  /** No more work from now on. */
  readonly end: () => void;
}

/**
 * Does a work at the first change, and once more for all changes that came while it ran or rested.
 *
 * @param rest_ms least time between the end of one run and the next
 */
export function followChanges(work: () => Promise<void>, rest_ms: number): Follower {
  let again = false;
  let busy = false;
  let ended = false;
  return {
    changed: async () => {
      again = true;
      if (busy) return;
      busy = true;
      try {
        while (again && !ended) {
          again = false;
          await work();
          await new Promise((rest) => setTimeout(rest, rest_ms));
        }
      } finally {
        busy = false;
      }
    },
    end: () => {
      ended = true;
    },
  };
}
