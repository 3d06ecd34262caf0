/**
 * Mode 01 parameters (current data): how many bytes each answers with, and how those that a warm-up needs are scaled.
 * Source: SAE J1979 / ISO 15031-5, Annex B.
 */
import type { ChannelName } from '../base';

/** One quantity inside an answer. */
export interface PidSignal {
  readonly channel: ChannelName;
  /** Value from the data bytes; NaN where the answer says that it is not supported. */
  readonly decode: (data: ArrayLike<number>) => number;
}

const celsius =
  (at: number) =>
  (data: ArrayLike<number>): number =>
    data[at]! - 40;
const supported =
  (bit: number, decode: (data: ArrayLike<number>) => number) =>
  (data: ArrayLike<number>): number =>
    (data[0]! >> bit) & 1 ? decode(data) : NaN;
const word = (data: ArrayLike<number>): number => 256 * data[0]! + data[1]!;

/** Quantities of a warm-up by parameter. */
export const PID_SIGNALS: Readonly<Record<number, readonly PidSignal[]>> = {
  0x04: [{ channel: 'load_pct', decode: (d) => (d[0]! * 100) / 255 }],
  0x05: [{ channel: 'ect_c', decode: celsius(0) }],
  0x0c: [{ channel: 'rpm', decode: (d) => word(d) / 4 }],
  0x0d: [{ channel: 'speed_kmh', decode: (d) => d[0]! }],
  0x0f: [{ channel: 'iat_c', decode: celsius(0) }],
  0x10: [{ channel: 'maf_gps', decode: (d) => word(d) / 100 }],
  0x46: [{ channel: 'ambient_c', decode: celsius(0) }],
  0x5c: [{ channel: 'oil_c', decode: celsius(0) }],
  0x67: [
    { channel: 'ect_c', decode: supported(0, celsius(1)) },
    { channel: 'ect2_c', decode: supported(1, celsius(2)) },
  ],
};

/** Data bytes of each parameter up to 0x68: runs of [first, last, bytes]. */
const LENGTHS: readonly (readonly [number, number, number])[] = [
  [0x00, 0x01, 4],
  [0x02, 0x03, 2],
  [0x04, 0x0b, 1],
  [0x0c, 0x0c, 2],
  [0x0d, 0x0f, 1],
  [0x10, 0x10, 2],
  [0x11, 0x13, 1],
  [0x14, 0x1b, 2],
  [0x1c, 0x1e, 1],
  [0x1f, 0x1f, 2],
  [0x20, 0x20, 4],
  [0x21, 0x23, 2],
  [0x24, 0x2b, 4],
  [0x2c, 0x30, 1],
  [0x31, 0x32, 2],
  [0x33, 0x33, 1],
  [0x34, 0x3b, 4],
  [0x3c, 0x3f, 2],
  [0x40, 0x41, 4],
  [0x42, 0x44, 2],
  [0x45, 0x4c, 1],
  [0x4d, 0x4e, 2],
  [0x4f, 0x50, 4],
  [0x51, 0x52, 1],
  [0x53, 0x59, 2],
  [0x5a, 0x5c, 1],
  [0x5d, 0x5e, 2],
  [0x5f, 0x5f, 1],
  [0x60, 0x60, 4],
  [0x61, 0x62, 1],
  [0x63, 0x63, 2],
  [0x64, 0x64, 5],
  [0x65, 0x65, 2],
  [0x66, 0x66, 5],
  [0x67, 0x67, 3],
  [0x68, 0x68, 7],
];

/** Data bytes of a parameter's answer; null for one that is not known here. */
export function pidLength(pid: number): number | null {
  return LENGTHS.find(([first, last]) => pid >= first && pid <= last)?.[2] ?? null;
}

const byte = (value: number): number => Math.max(0, Math.min(255, Math.round(value)));
const bytes = (value: number): number[] => {
  const whole = Math.max(0, Math.min(65535, Math.round(value)));
  return [whole >> 8, whole & 255];
};

/** Parameter and data bytes that carry a channel; channels without a standard parameter are absent. */
export const CHANNEL_PIDS: Readonly<
  Partial<Record<ChannelName, { readonly pid: number; readonly encode: (value: number) => number[] }>>
> = {
  ect_c: { pid: 0x05, encode: (v) => [byte(v + 40)] },
  ect2_c: { pid: 0x67, encode: (v) => [0b10, 0, byte(v + 40)] },
  iat_c: { pid: 0x0f, encode: (v) => [byte(v + 40)] },
  ambient_c: { pid: 0x46, encode: (v) => [byte(v + 40)] },
  speed_kmh: { pid: 0x0d, encode: (v) => [byte(v)] },
  rpm: { pid: 0x0c, encode: (v) => bytes(4 * v) },
  load_pct: { pid: 0x04, encode: (v) => [byte((v * 255) / 100)] },
  maf_gps: { pid: 0x10, encode: (v) => bytes(100 * v) },
  oil_c: { pid: 0x5c, encode: (v) => [byte(v + 40)] },
};
