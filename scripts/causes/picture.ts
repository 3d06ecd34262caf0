/** One curve of a picture. */
export interface Curve {
  readonly name: string;
  readonly time_s: Float64Array;
  readonly value_c: Float64Array;
}

const WIDTH = 560;
const HEIGHT = 220;
const LEFT = 36;
const BOTTOM = 24;
const TOP = 10;
const RIGHT = 96;
const LOW_C = -45;
const HIGH_C = 145;
/** Sound grey, then inks that differ in darkness as well as in hue. */
const INKS = ['#8a8f98', '#9a3412', '#1d4ed8', '#166534'] as const;
const DASHES = ['', '', '6 3', '2 3'] as const;
const EVERY = 8;

/** Curves over time as a small picture, with the name of each at its end. */
export function pictureOf(curves: readonly Curve[]): string {
  const last = Math.max(...curves.map((c) => c.time_s.at(-1)!));
  const all = curves.flatMap((c) => Array.from(c.value_c));
  const low = Math.max(LOW_C, Math.floor(all.reduce((a, b) => Math.min(a, b), HIGH_C) / 20) * 20);
  const high = Math.min(HIGH_C, Math.ceil(all.reduce((a, b) => Math.max(a, b), LOW_C) / 20) * 20);
  const x = (t: number) => LEFT + (t / last) * (WIDTH - LEFT - RIGHT);
  const y = (v: number) => TOP + ((high - Math.min(high, Math.max(low, v))) / (high - low)) * (HEIGHT - TOP - BOTTOM);
  const ends: number[] = [];
  const lines = curves.map((c, i) => {
    const points = Array.from(c.time_s)
      .map((t, k) => (k % EVERY === 0 ? `${x(t).toFixed(1)},${y(c.value_c[k]!).toFixed(1)}` : ''))
      .filter((p) => p !== '');
    let at = y(c.value_c.at(-1)!);
    while (ends.some((e) => Math.abs(e - at) < 13)) at += 13;
    ends.push(at);
    const ink = INKS[i % INKS.length]!;
    const dash = DASHES[i % DASHES.length]!;
    return `<polyline fill="none" stroke="${ink}" stroke-width="${i === 0 ? 3 : 2}"${dash ? ` stroke-dasharray="${dash}"` : ''} points="${points.join(' ')}"/>
<text x="${WIDTH - RIGHT + 6}" y="${(at + 4).toFixed(1)}" fill="${ink}">${c.name}</text>`;
  });
  const grid: string[] = [];
  for (let v = low; v <= high; v += 20) {
    grid.push(
      `<line x1="${LEFT}" x2="${WIDTH - RIGHT}" y1="${y(v).toFixed(1)}" y2="${y(v).toFixed(1)}" stroke="#d4d7dc"/><text x="${LEFT - 6}" y="${(y(v) + 4).toFixed(1)}" text-anchor="end" fill="#555">${v}</text>`,
    );
  }
  for (let m = 0; m * 60 <= last; m += 10) {
    grid.push(`<text x="${x(m * 60).toFixed(1)}" y="${HEIGHT - 6}" text-anchor="middle" fill="#555">${m} min</text>`);
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" font-family="sans-serif" font-size="12">
<rect width="${WIDTH}" height="${HEIGHT}" fill="#fff"/>
${grid.join('\n')}
${lines.join('\n')}
</svg>
`;
}
