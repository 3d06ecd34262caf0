import type { Result } from '@/core/base';
import type { StorageError } from './storageError';

/** How often what waits is tried again by itself, ms. */
const TRY_EVERY_MS = 10_000;

/** A change that could not be kept and waits for room. */
interface Waiting {
  /** Tries it again; false while it still cannot be kept. */
  readonly attempt: () => Promise<boolean>;
  readonly letGo: () => void;
}

/** What is told of a change on its way to the store. */
export interface Told<T> {
  /** It is kept. */
  readonly kept?: (value: T) => void;
  /** It cannot be kept now; it is held and tried again. */
  readonly waits?: (error: StorageError) => void;
  /** It can never be kept as it is. */
  readonly refused: (error: StorageError) => void;
}

/** What waits, as it is shown. */
export interface WaitingView {
  readonly count: number;
  /** Why the oldest waits; null while nothing does. */
  readonly why: string | null;
}

const NOTHING: WaitingView = { count: 0, why: null };

/** Whether trying again can help: room is made, storage is allowed. What is refused or gone stays so. */
export const mayPass = ({ kind }: StorageError): boolean => kind === 'full' || kind === 'blocked' || kind === 'other';

/**
 * Changes that could not be kept: held in the order in which they were made, tried again by themselves and before any
 * later one, so that an old change never lands on top of a newer.
 */
export class WriteQueue {
  private waiting: readonly Waiting[] = [];
  private view = NOTHING;
  private why: StorageError | null = null;
  private trying: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private underway = 0;
  private readonly watchers = new Set<() => void>();

  /** Whether a change is on its way to the store, or waits: a tab that closed now would lose it. */
  readonly isBusy = (): boolean => this.underway > 0 || this.waiting.length > 0;

  /** Keeps a change, or holds it until it can be kept. */
  async keep<T>(make: () => Promise<Result<T, StorageError>>, told: Told<T>): Promise<void> {
    this.underway++;
    try {
      await this.keepOrHold(make, told);
    } finally {
      this.underway--;
    }
  }

  private async keepOrHold<T>(make: () => Promise<Result<T, StorageError>>, told: Told<T>): Promise<void> {
    if (this.waiting.length > 0) await this.tryAgain();
    const attempt = async (): Promise<boolean> => {
      const result = await make();
      if (result.ok) told.kept?.(result.value);
      else if (mayPass(result.error)) {
        this.why = result.error;
        told.waits?.(result.error);
        return false;
      } else told.refused(result.error);
      return true;
    };
    // Behind others that wait it takes its place without a try of its own.
    if (this.waiting.length === 0 && (await attempt())) return;
    if (this.waiting.length > 0 && this.why) told.waits?.(this.why);
    this.show([...this.waiting, { attempt, letGo: () => told.refused(LET_GO) }]);
    this.setTimer();
  }

  /** Tries everything that waits again, oldest first, up to the first that still cannot be kept. */
  tryAgain(): Promise<void> {
    return (this.trying ??= this.tryAll().finally(() => {
      this.trying = null;
    }));
  }

  /** Lets everything that waits go. */
  letGo(): void {
    const { waiting } = this;
    this.show([]);
    for (const { letGo } of waiting) letGo();
  }

  /** What waits now. */
  readonly current = (): WaitingView => this.view;

  /** Calls at every change of what waits. @returns how to end it */
  readonly watch = (changed: () => void): (() => void) => {
    this.watchers.add(changed);
    return () => this.watchers.delete(changed);
  };

  private async tryAll(): Promise<void> {
    for (let first = this.waiting[0]; first; first = this.waiting[0]) {
      if (!(await first.attempt())) break;
      // It may have been let go meanwhile.
      this.show(this.waiting.filter((w) => w !== first));
    }
    this.setTimer();
  }

  private setTimer(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = this.waiting.length === 0 ? null : setTimeout(() => void this.tryAgain(), TRY_EVERY_MS);
  }

  private show(waiting: readonly Waiting[]): void {
    this.waiting = waiting;
    this.view = waiting.length === 0 ? NOTHING : { count: waiting.length, why: this.why?.message ?? null };
    for (const changed of this.watchers) changed();
  }
}

const LET_GO: StorageError = { kind: 'refused', message: 'Let go: this change was not kept.' };

/** The changes of this tab that wait. */
export const writeQueue = new WriteQueue();
