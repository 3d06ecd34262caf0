import type { ChannelName } from '../base';
import { readAnswer, type ModeOneAnswer } from './answer';
import { CHANNEL_PIDS, PID_SIGNALS } from './pids';

/** A serial adapter ends each answer with this sign and waits for the next request. */
export const PROMPT = '>';

/** Service byte of a refusal. Source: ISO 14229-1, 8.2.2. */
const REFUSAL = 0x7f;
/** Refusals that say "never": service or parameter not supported. Source: ISO 14229-1, annex A. */
const NEVER = [0x11, 0x12];

const hex = (byte: number): string => byte.toString(16).toUpperCase().padStart(2, '0');

/** The text that asks for a parameter of mode 01. */
export const requestText = (pid: number): string => `01${hex(pid)}\r`;

/** What an adapter said to a request. */
export type AdapterReply =
  | { readonly kind: 'values'; readonly values: ModeOneAnswer['values'] }
  /** `forGood`: the control unit will never answer this. */
  | { readonly kind: 'refused'; readonly forGood: boolean }
  | { readonly kind: 'nothing' };

/**
 * Reads the text up to the prompt: lines of hex bytes, one per control unit, maybe with the request repeated before
 * them. Words of the adapter itself count as no answer.
 */
export function readReply(text: string): AdapterReply {
  let refused: AdapterReply | null = null;
  for (const line of text.replace(PROMPT, '').split(/[\r\n]+/)) {
    const bare = line.replace(/\s+/g, '');
    if (bare === '' || bare.length % 2 !== 0 || !/^[0-9A-F]+$/i.test(bare)) continue;
    const bytes = bare.match(/../g)!.map((pair) => parseInt(pair, 16));
    if (bytes[0] === REFUSAL) refused = { kind: 'refused', forGood: NEVER.includes(bytes[2] ?? 0) };
    const answer = readAnswer(bytes);
    if (answer && answer.values.length > 0) return { kind: 'values', values: answer.values };
  }
  return refused ?? { kind: 'nothing' };
}

/** Parameters to ask for while a warm-up is logged, the coolant first. */
export const LIVE_PIDS: readonly number[] = (
  ['ect_c', 'iat_c', 'speed_kmh', 'rpm', 'load_pct', 'maf_gps', 'ambient_c', 'oil_c'] as const
).map((channel) => CHANNEL_PIDS[channel]!.pid);

/** How badly a simulated adapter behaves. */
export interface AdapterTemper {
  /** Time to an answer, s: from, to. */
  readonly delay_s: readonly [number, number];
  /** Shares of requests that are refused as busy, and that stay without any answer. */
  readonly busy: number;
  readonly dropped: number;
}

/** An adapter on an old cable: slow, sometimes busy, sometimes silent. */
export const OLD_CABLE: AdapterTemper = { delay_s: [0.02, 0.07], busy: 0.02, dropped: 0.01 };

/**
 * The stand-in for a serial adapter: what it writes to a request.
 *
 * @param valueOf reading of a channel now; null where this vehicle does not have it
 * @param chance draws a number from 0 to 1
 * @returns text with prompt, null for a dropped answer; and how long it takes, s
 */
export function simulatedReply(
  request: string,
  valueOf: (channel: ChannelName) => number | null,
  temper: AdapterTemper,
  chance: () => number,
): { readonly text: string | null; readonly delay_s: number } {
  const [from, to] = temper.delay_s;
  const delay_s = from + (to - from) * chance();
  const echo = request.trim();
  const reply = (bytes: readonly number[]) => ({ text: `${echo}\r${bytes.map(hex).join(' ')}\r\r${PROMPT}`, delay_s });
  const asked = /^01([0-9A-F]{2})$/i.exec(echo);
  if (!asked) return { text: `${echo}\r?\r\r${PROMPT}`, delay_s };
  const pid = parseInt(asked[1]!, 16);
  const fate = chance();
  if (fate < temper.dropped) return { text: null, delay_s };
  if (fate < temper.dropped + temper.busy) return reply([REFUSAL, 0x01, 0x21]);
  const channel = PID_SIGNALS[pid]?.find((s) => CHANNEL_PIDS[s.channel]?.pid === pid)?.channel;
  const value = channel === undefined ? null : valueOf(channel);
  if (channel === undefined || value === null) return reply([REFUSAL, 0x01, 0x12]);
  return reply([0x41, pid, ...CHANNEL_PIDS[channel]!.encode(value)]);
}
