import type { ChannelName } from '@/core/base';
import { LIVE_PIDS, PROMPT, readReply, requestText } from '@/core/obd';
import type { RecordedRow } from '@/storage/records';
import type { SerialPortLike } from './serialPort';

/** Speed of the line, baud: what serial adapters are set to when they leave their box. */
const BAUD = 38_400;
/** Longest wait for an answer, s. */
const ANSWER_WITHIN_S = 1;
/** Time between rounds, s. */
const ROUND_S = 1;
/** Rounds without a single answer that mean a pulled plug. */
const SILENT_ROUNDS = 5;

/** What came in and how it went. */
export interface PollCounts {
  readonly answers: number;
  readonly refusals: number;
  readonly dropped: number;
}

/** Why polling ended. */
export type PollEnd = 'stopped' | 'lost';

/** Collects what a port writes and hands it out up to each prompt. */
class PromptReader {
  private text = '';
  private waiting: ((text: string | null) => void) | null = null;
  private ended = false;
  private readonly reader: ReadableStreamDefaultReader<Uint8Array>;

  constructor(readable: ReadableStream<Uint8Array>) {
    this.reader = readable.getReader();
    void this.pump();
  }

  /** The text up to the next prompt; null when none comes in time or the port is gone. */
  next(within_ms: number): Promise<string | null> {
    if (this.ended) return Promise.resolve(null);
    return new Promise((resolve) => {
      const timer = setTimeout(() => this.settle(null), within_ms);
      this.waiting = (text) => {
        clearTimeout(timer);
        resolve(text);
      };
      this.handOut();
    });
  }

  get isEnded(): boolean {
    return this.ended;
  }

  /** What an earlier request still brought is of no use for the next. */
  forget(): void {
    this.text = '';
  }

  async cancel(): Promise<void> {
    await this.reader.cancel();
  }

  private async pump(): Promise<void> {
    const decoder = new TextDecoder();
    try {
      for (;;) {
        const { value, done } = await this.reader.read();
        if (done) break;
        this.text += decoder.decode(value, { stream: true });
        this.handOut();
      }
    } catch (error) {
      // A pulled plug ends the stream with an error: the caller sees it as lost.
      if (!(error instanceof Error)) throw error;
    }
    this.ended = true;
    this.settle(null);
  }

  private handOut(): void {
    const end = this.text.indexOf(PROMPT);
    if (end < 0 || !this.waiting) return;
    const text = this.text.slice(0, end);
    this.text = this.text.slice(end + 1);
    this.settle(text);
  }

  private settle(text: string | null): void {
    const { waiting } = this;
    this.waiting = null;
    waiting?.(text);
  }
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Asks an adapter round by round for everything that a warm-up needs, until it is stopped or the port is gone.
 * Parameters that are refused for good are not asked for again.
 */
export async function pollAdapter(
  port: SerialPortLike,
  how: {
    readonly now_s: () => number;
    /** How much faster than a real drive; 1 for a real adapter. */
    readonly speed: number;
    readonly signal: AbortSignal;
    /** The adapter said something, be it that it cannot. */
    readonly onAnswer: () => void;
    readonly onRow: (row: RecordedRow, counts: PollCounts) => void;
  },
): Promise<PollEnd> {
  await port.open({ baudRate: BAUD });
  const reader = new PromptReader(port.readable!);
  const writer = port.writable!.getWriter();
  const encoder = new TextEncoder();
  const wanted = new Set(LIVE_PIDS);
  let counts: PollCounts = { answers: 0, refusals: 0, dropped: 0 };
  let silent = 0;
  const waitLimit_ms = Math.max(60, (1000 * ANSWER_WITHIN_S) / how.speed);
  while (!how.signal.aborted && !reader.isEnded && silent < SILENT_ROUNDS) {
    const begun = performance.now();
    const time_s = how.now_s();
    const values: Partial<Record<ChannelName, number>> = {};
    for (const pid of wanted) {
      if (how.signal.aborted || reader.isEnded) break;
      reader.forget();
      await writer.write(encoder.encode(requestText(pid)));
      const text = await reader.next(waitLimit_ms);
      if (text !== null) how.onAnswer();
      const reply = text === null ? ({ kind: 'nothing' } as const) : readReply(text);
      if (reply.kind === 'values') {
        for (const { channel, value } of reply.values) values[channel] = value;
        counts = { ...counts, answers: counts.answers + 1 };
      } else if (reply.kind === 'refused') {
        if (reply.forGood) wanted.delete(pid);
        counts = { ...counts, refusals: counts.refusals + 1 };
      } else counts = { ...counts, dropped: counts.dropped + 1 };
    }
    silent = Object.keys(values).length === 0 ? silent + 1 : 0;
    if (silent === 0) how.onRow({ time_s, values }, counts);
    await pause(Math.max(0, (1000 * ROUND_S) / how.speed - (performance.now() - begun)));
  }
  const end: PollEnd = how.signal.aborted ? 'stopped' : 'lost';
  writer.releaseLock();
  if (!reader.isEnded) await reader.cancel();
  await port.close();
  return end;
}
