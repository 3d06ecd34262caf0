import Papa from 'papaparse';
import { loggedChannels, type ChannelName, type Trace } from '../base';
import { CHANNEL_PIDS, splitIntoFrames, writeCanFrame } from '../obd';

/** Decimals kept: enough for any logger, short enough to read. */
const round = (v: number): string => (Number.isFinite(v) ? String(Math.round(v * 1000) / 1000) : '');

/** Writes a trace as canonical CSV: `time_s`, then the channels that carry anything. */
export function writeTrace(trace: Trace): string {
  const names = loggedChannels(trace);
  const rows = Array.from(trace.time_s, (t, i) => [round(t), ...names.map((n) => round(trace.channels[n]![i]!))]);
  return Papa.unparse({ fields: ['time_s', ...names], data: rows }, { newline: '\n' }) + '\n';
}

/** Writes a trace as JSON: a list per channel, all as long as `time_s`; null is a missing sample. Nothing is rounded. */
export function writeTraceJson(trace: Trace): string {
  const lists = loggedChannels(trace).map((name) => [name, [...trace.channels[name]!]] as const);
  // JSON has no NaN: it becomes null, which reads as missing.
  return `${JSON.stringify({ schema: 'varmek-trace/1', time_s: [...trace.time_s], ...Object.fromEntries(lists) })}\n`;
}

/** Answering identifier of the engine's control unit. Source: ISO 15765-4, 6.3.2. */
const ENGINE_ID = 0x7e8;
/** First byte of a positive answer to mode 01. Source: ISO 15031-5, 7.1. */
const POSITIVE = 0x41;

/** Channels that a CAN log cannot carry, for want of a standard parameter. */
export const withoutParameter = (trace: Trace): ChannelName[] =>
  loggedChannels(trace).filter((name) => CHANNEL_PIDS[name] === undefined);

/** Writes a trace as a CAN log of mode 01 answers, in the steps that the parameters have. */
export function writeCanLog(trace: Trace): string {
  const names = loggedChannels(trace).filter((name) => CHANNEL_PIDS[name]);
  const lines: string[] = [];
  trace.time_s.forEach((time_s, i) => {
    for (const name of names) {
      const value = trace.channels[name]![i]!;
      if (!Number.isFinite(value)) continue;
      const { pid, encode } = CHANNEL_PIDS[name]!;
      for (const data of splitIntoFrames([POSITIVE, pid, ...encode(value)])) {
        lines.push(writeCanFrame({ time_s, id: ENGINE_ID, extended: false, data }));
      }
    }
  });
  return `${lines.join('\n')}\n`;
}

/**
 * Writes a table for spreadsheets. Cells that a spreadsheet would run as formulas are made harmless.
 *
 * @param rows cells as text or numbers; null for an empty one
 */
export const writeTable = (header: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string =>
  Papa.unparse({ fields: [...header], data: rows.map((r) => [...r]) }, { newline: '\r\n', escapeFormulae: true }) +
  '\r\n';
