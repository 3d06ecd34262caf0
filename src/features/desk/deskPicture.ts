import { drawnLane, type Lane, type Range } from '@/ui/picture/lane';
import { SCALE_FROM_C, SCALE_TO_C, timeTicks } from '@/ui/picture/scale';
import type { ChannelLane } from './deskLanes';

/** What a picture to take away shows. */
export interface DeskPicture {
  /** Vehicle, verdict, log and date: what makes a picture readable by itself. */
  readonly title: string;
  readonly lines: readonly string[];
  readonly temperature: Lane;
  readonly below: readonly ChannelLane[];
  readonly range: Range;
  /** Figures of the temperature axis in the shop's unit: what stands at which °C. */
  readonly figures: readonly { readonly at_c: number; readonly label: string }[];
  /** Marks with their words. */
  readonly marks: readonly { readonly at_s: number; readonly label: string }[];
}

const WIDTH = 1200;
const LEFT = 110;
const RIGHT = 24;
const TOP = 78;
const TEMPERATURE_HEIGHT = 420;
const LANE_HEIGHT = 70;
const AXIS = 30;
const GAP = 14;

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

const text = (x: number, y: number, words: string, rest = ''): string =>
  `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" ${rest}>${escaped(words)}</text>`;

interface Box {
  readonly top: number;
  readonly height: number;
  readonly from: number;
  readonly to: number;
}

function laneSvg(lane: Lane, range: Range, box: Box, colourOf: (css: string) => string): string {
  const width = WIDTH - LEFT - RIGHT;
  const x = (t: number) => LEFT + ((t - range.from_s) / (range.to_s - range.from_s)) * width;
  const y = (v: number) =>
    box.top + box.height * (1 - Math.min(1, Math.max(0, (v - box.from) / (box.to - box.from || 1))));
  const point = (t: number, v: number) => `${x(t).toFixed(1)} ${y(v).toFixed(1)}`;
  const drawn = drawnLane(lane, range);
  const out: string[] = [
    `<rect x="${LEFT}" y="${box.top}" width="${width}" height="${box.height}" fill="none" stroke="#888"/>`,
  ];
  for (const { band, indices } of drawn.bands) {
    const up = indices.map((i) => point(band.time_s[i]!, band.high[i]!));
    const down = [...indices].reverse().map((i) => point(band.time_s[i]!, band.low[i]!));
    if (up.length > 0) {
      out.push(`<path d="M${[...up, ...down].join('L')}Z" fill="${colourOf(band.colour)}" fill-opacity="0.2"/>`);
    }
  }
  for (const { curve, indices } of drawn.pieces) {
    out.push(
      `<path d="M${indices.map((i) => point(curve.time_s[i]!, curve.values[i]!)).join('L')}" fill="none" stroke="${colourOf(curve.colour)}" stroke-width="${curve.width ?? 2}"${curve.dash ? ` stroke-dasharray="${curve.dash}"` : ''}/>`,
    );
  }
  for (const mark of lane.marks ?? []) {
    if (mark.kind !== 'level') continue;
    out.push(
      `<line x1="${LEFT}" x2="${WIDTH - RIGHT}" y1="${y(mark.value).toFixed(1)}" y2="${y(mark.value).toFixed(1)}" stroke="#555" stroke-dasharray="2 4"/>`,
    );
  }
  return `<g clip-path="url(#plot)">${out.join('')}</g>`;
}

function legendSvg(lane: Lane, colourOf: (css: string) => string): string {
  let at = LEFT;
  return [...lane.curves, ...(lane.bands ?? [])]
    .map((c) => {
      const x = at;
      at += 50 + c.label.length * 7.2;
      const band = 'low' in c;
      const sample = band
        ? `<rect x="${x}" y="${TOP - 18}" width="26" height="10" fill="${colourOf(c.colour)}" fill-opacity="0.25"/>`
        : `<line x1="${x}" x2="${x + 26}" y1="${TOP - 13}" y2="${TOP - 13}" stroke="${colourOf(c.colour)}" stroke-width="${c.width ?? 2.5}"${c.dash ? ` stroke-dasharray="${c.dash}"` : ''}/>`;
      return `${sample}${text(x + 32, TOP - 9, c.label, 'font-size="13"')}`;
    })
    .join('');
}

/**
 * The visible desk as an SVG that stands by itself.
 *
 * @param colourOf resolves a colour of the page to one that a file can hold
 */
export function deskSvg(picture: DeskPicture, colourOf: (css: string) => string): string {
  const { temperature, below, range, title, lines, figures, marks } = picture;
  const height = TOP + TEMPERATURE_HEIGHT + below.length * (LANE_HEIGHT + GAP) + AXIS + 8 + 18 * lines.length;
  const width = WIDTH - LEFT - RIGHT;
  const x = (t: number) => LEFT + ((t - range.from_s) / (range.to_s - range.from_s)) * width;
  const parts: string[] = [text(LEFT, 30, title, 'font-size="21" font-weight="700"')];
  parts.push(legendSvg(temperature, colourOf));
  const box: Box = { top: TOP, height: TEMPERATURE_HEIGHT, from: SCALE_FROM_C, to: SCALE_TO_C };
  parts.push(laneSvg(temperature, range, box, colourOf));
  for (const { at_c, label } of figures) {
    const share = (at_c - SCALE_FROM_C) / (SCALE_TO_C - SCALE_FROM_C);
    const y = TOP + TEMPERATURE_HEIGHT * (1 - share);
    parts.push(text(LEFT - 8, y + 4, label, 'font-size="13" text-anchor="end"'));
  }
  let top = TOP + TEMPERATURE_HEIGHT + GAP;
  for (const lane of below) {
    parts.push(laneSvg(lane.lane, range, { top, height: LANE_HEIGHT, from: lane.from, to: lane.to }, colourOf));
    parts.push(text(LEFT - 8, top + 14, lane.title, 'font-size="12" text-anchor="end"'));
    parts.push(text(LEFT - 8, top + 34, String(lane.to), 'font-size="11" text-anchor="end"'));
    parts.push(text(LEFT - 8, top + LANE_HEIGHT, String(lane.from), 'font-size="11" text-anchor="end"'));
    top += LANE_HEIGHT + GAP;
  }
  const bottom = top - GAP;
  for (const minute of timeTicks(range.from_s / 60, range.to_s / 60)) {
    parts.push(
      `<line x1="${x(minute * 60).toFixed(1)}" x2="${x(minute * 60).toFixed(1)}" y1="${bottom}" y2="${bottom + 5}" stroke="#333"/>`,
      text(x(minute * 60), bottom + 20, `${Number(minute.toFixed(2))} min`, 'font-size="13" text-anchor="middle"'),
    );
  }
  for (const { at_s, label } of marks.filter((m) => m.at_s >= range.from_s && m.at_s <= range.to_s)) {
    parts.push(
      `<line x1="${x(at_s).toFixed(1)}" x2="${x(at_s).toFixed(1)}" y1="${TOP}" y2="${bottom}" stroke="#333" stroke-dasharray="1 3"/>`,
      `<g transform="translate(${(x(at_s) + 4).toFixed(1)} ${TOP + 8}) rotate(90)">${text(0, 0, label, 'font-size="12"')}</g>`,
    );
  }
  lines.forEach((line, i) => parts.push(text(LEFT, bottom + AXIS + 18 * (i + 1), line, 'font-size="14"')));
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${height}" viewBox="0 0 ${WIDTH} ${height}" font-family="Archivo Variable, Arial, sans-serif" fill="#14201f"><rect width="${WIDTH}" height="${height}" fill="#fff" stroke="none"/><clipPath id="plot"><rect x="${LEFT}" y="${TOP}" width="${width}" height="${height}"/></clipPath>${parts.join('')}</svg>`;
}
