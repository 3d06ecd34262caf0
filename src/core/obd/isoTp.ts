/**
 * Puts the frames of one sender together into messages: single frames, and first frame with consecutive frames.
 * Source: ISO 15765-2, 9.2-9.6.
 */
export interface Reassembly {
  /** Takes one frame; returns a whole message when it completes one, else null. */
  readonly push: (frame: readonly number[]) => readonly number[] | null;
  /** Messages that broke off or skipped a frame so far. */
  readonly broken: () => number;
}

/** Makes the receiver for one identifier. */
export function reassembly(): Reassembly {
  let wanted = 0;
  let next = 0;
  let collected: number[] = [];
  let broken = 0;
  const drop = (): void => {
    if (wanted > 0) broken++;
    wanted = 0;
  };
  const push = (frame: readonly number[]): readonly number[] | null => {
    const kind = (frame[0] ?? 0xff) >> 4;
    const low = (frame[0] ?? 0) & 0x0f;
    if (kind === 0) {
      drop();
      return low > 0 && low < frame.length ? frame.slice(1, 1 + low) : null;
    }
    if (kind === 1) {
      drop();
      wanted = (low << 8) | (frame[1] ?? 0);
      collected = frame.slice(2);
      next = 1;
      return null;
    }
    if (kind !== 2 || wanted === 0) return null;
    if (low !== next) {
      drop();
      return null;
    }
    next = (next + 1) & 0x0f;
    collected.push(...frame.slice(1));
    if (collected.length < wanted) return null;
    const message = collected.slice(0, wanted);
    wanted = 0;
    return message;
  };
  return { push, broken: () => broken };
}

/** Splits a message into frames of eight bytes, padded with zeros. */
export function splitIntoFrames(message: readonly number[]): number[][] {
  const padded = (frame: number[]): number[] => [...frame, ...Array<number>(8 - frame.length).fill(0)];
  if (message.length <= 7) return [padded([message.length, ...message])];
  const frames = [[0x10 | (message.length >> 8), message.length & 255, ...message.slice(0, 6)]];
  for (let at = 6, n = 1; at < message.length; at += 7, n = (n + 1) & 0x0f) {
    frames.push(padded([0x20 | n, ...message.slice(at, at + 7)]));
  }
  return frames;
}
