import type { StripItem } from './sheet';
/** Hexagon heads of metric screws and the six-lobe size of the same screw. Source: ISO 4014/4017 and ISO 14579, EN 1662. */
export interface HeadSizes {
  readonly thread: string;
  /** Across flats, mm; usual ones first. */
  readonly hex_mm: readonly number[];
  /** External and internal six-lobe drives that fit such a screw. */
  readonly lobeOutside: string;
  readonly lobeInside: string;
}

/** Head is not thread: the wrench is chosen by the head. */
export const HEAD_SIZES: readonly HeadSizes[] = [
  { thread: 'M5', hex_mm: [8], lobeOutside: 'E6', lobeInside: 'T25' },
  { thread: 'M6', hex_mm: [10, 8], lobeOutside: 'E8', lobeInside: 'T30' },
  { thread: 'M8', hex_mm: [13, 10, 12], lobeOutside: 'E10', lobeInside: 'T40 or T45' },
  { thread: 'M10', hex_mm: [16, 17, 13], lobeOutside: 'E12', lobeInside: 'T50' },
  { thread: 'M12', hex_mm: [18, 19], lobeOutside: 'E14', lobeInside: 'T55' },
];

/** Inch spanners beside the metric ones that nearly fit, mm. Exact by the inch. */
export const INCH_SPANNERS = [
  { inch: '5/16', mm: 7.9375 },
  { inch: '3/8', mm: 9.525 },
  { inch: '7/16', mm: 11.1125 },
  { inch: '1/2', mm: 12.7 },
  { inch: '9/16', mm: 14.2875 },
  { inch: '5/8', mm: 15.875 },
  { inch: '3/4', mm: 19.05 },
] as const;

/** How far a spanner may be too large without rounding the head, mm. */
const FITS_MM = 0.1;

/** Inch spanners that go onto a metric head without rounding it: never smaller, hardly larger. */
export const inchFor = (head_mm: number): readonly string[] =>
  INCH_SPANNERS.filter((s) => s.mm >= head_mm - 0.07 && s.mm <= head_mm + FITS_MM).map((s) => s.inch);

/** What may be wrong with a noted fastener; null when nothing is. */
export function fastenerDoubt(thread: string, head_mm: number | null): string | null {
  if (head_mm === null) return null;
  const size = /^\s*m\s*(\d+(?:[.,]\d+)?)/i.exec(thread)?.[1];
  if (size === undefined) return null;
  const thread_mm = Number(size.replace(',', '.'));
  if (Math.abs(thread_mm - head_mm) < 0.01) {
    return `M${size} is the thread. Its head is larger: ${HEAD_SIZES.find((h) => h.thread === `M${size}`)?.hex_mm.join(', ') ?? 'measure it'} mm.`;
  }
  return head_mm < thread_mm ? 'A head smaller than its thread: one of the two is wrong.' : null;
}

/** Torque of an M-size screw by feel on a soft housing goes wrong here; above this a thermostat housing's value is doubted, N·m. */
const SOFT_MOST_NM = 30;

/** What is odd about a torque for a plastic or light-alloy housing; null when nothing is. */
export const torqueDoubt = (torque_nm: number | null): string | null =>
  torque_nm !== null && torque_nm > SOFT_MOST_NM
    ? 'High for a housing of plastic or light alloy: look again which fastener this value belongs to, and its unit.'
    : null;

/** A screw's thread, head and length in a line; what is not known is left out. */
export const fastenerText = ({
  thread,
  head_mm,
  length_mm,
}: Pick<StripItem, 'thread' | 'head_mm' | 'length_mm'>): string =>
  [thread, head_mm === null ? '' : `head ${head_mm} mm`, length_mm === null ? '' : `${length_mm} mm`]
    .filter((t) => t !== '')
    .join(', ');
