import type { ChannelName, Trace } from '@/core/base';
import { OLD_CABLE, simulatedReply } from '@/core/obd';
import type { SerialPortLike } from './serialPort';

/**
 * A serial adapter that ships with the app: it takes text requests and writes hex answers, with the delays, refusals
 * and dropped answers of an old cable, for a vehicle that the plant drives.
 */
export class SimulatedPort implements SerialPortLike {
  readable: ReadableStream<Uint8Array> | null = null;
  writable: WritableStream<Uint8Array> | null = null;
  private open_ = false;
  private out: ReadableStreamDefaultController<Uint8Array> | null = null;

  /**
   * @param now_s time of the drive
   * @param speed how much faster than a real drive
   */
  constructor(
    private readonly drive: Trace,
    private readonly now_s: () => number,
    private readonly speed: number,
  ) {}

  open(): Promise<void> {
    this.open_ = true;
    this.readable = new ReadableStream({
      start: (controller) => {
        this.out = controller;
      },
      cancel: () => {
        this.open_ = false;
      },
    });
    const decoder = new TextDecoder();
    this.writable = new WritableStream({ write: (bytes) => this.answer(decoder.decode(bytes)) });
    return Promise.resolve();
  }

  close(): Promise<void> {
    if (this.open_) this.out?.close();
    this.open_ = false;
    return Promise.resolve();
  }

  private answer(request: string): void {
    const { text, delay_s } = simulatedReply(request, (channel) => this.valueOf(channel), OLD_CABLE, Math.random);
    if (text === null) return;
    setTimeout(
      () => {
        if (this.open_) this.out?.enqueue(new TextEncoder().encode(text));
      },
      (1000 * delay_s) / this.speed,
    );
  }

  /** Reading at this moment; after the drive's end its last one. */
  private valueOf(channel: ChannelName): number | null {
    const values = this.drive.channels[channel];
    if (!values) return null;
    const at = Math.min(values.length - 1, Math.max(0, Math.round(this.now_s())));
    return Number.isFinite(values[at]!) ? values[at]! : null;
  }
}
