'use client';

import { usePlotArea } from 'recharts';
import type { DrawnLane, Mark, Range } from './lane';

/** Room that a lane's values take upwards, from the lowest to the highest figure of its axis. */
export interface Heights {
  readonly from: number;
  readonly to: number;
}

const SVG_DIGITS = 1;

const INK = 'var(--color-base-content)';

interface Scales {
  readonly xOf: (t: number) => number;
  readonly yOf: (v: number) => number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

function DrawnMark({ mark, scales, range }: { mark: Mark; scales: Scales; range: Range }) {
  const { xOf, yOf, left, right, top, bottom } = scales;
  switch (mark.kind) {
    case 'level':
      return (
        <path
          className="lane-level"
          d={`M${left} ${yOf(mark.value)}H${right}`}
          stroke={mark.colour ?? INK}
          strokeWidth={mark.bold ? 2 : 1}
          strokeOpacity={mark.bold ? 1 : 0.35}
          strokeDasharray={mark.bold ? '2 3' : '2 4'}
        />
      );
    case 'moment':
      if (mark.at_s < range.from_s || mark.at_s > range.to_s) return null;
      return (
        <path
          className="lane-moment"
          d={`M${xOf(mark.at_s)} ${top}V${bottom}`}
          stroke={INK}
          strokeWidth={mark.thin ? 1 : 2}
          strokeDasharray={mark.thin ? '1 3' : undefined}
        />
      );
    case 'stretch': {
      const from = Math.max(left, xOf(mark.from_s));
      const to = Math.min(right, xOf(mark.to_s));
      if (to <= from) return null;
      return (
        <rect
          className="lane-stretch"
          x={from}
          y={top}
          width={to - from}
          height={bottom - top}
          fill={mark.colour ?? INK}
          fillOpacity={0.1}
        />
      );
    }
  }
}

/**
 * Grid, bands, curves and marks of a lane as plain paths. The library gives the frame and the axes; each of its own
 * lines and marks costs ten times as much, and an hour at 10 Hz has to follow the hand.
 */
export function LaneCurves({
  drawn,
  marks,
  range,
  heights,
  verticals,
  horizontals,
}: {
  drawn: DrawnLane;
  marks: readonly Mark[];
  range: Range;
  heights: Heights;
  /** Moments and values at which the grid stands. */
  verticals: readonly number[];
  horizontals: readonly number[];
}) {
  const plot = usePlotArea();
  if (!plot) return null;
  const xOf = (t: number) => plot.x + ((t - range.from_s) / (range.to_s - range.from_s || 1)) * plot.width;
  const yOf = (v: number) => {
    const share = (v - heights.from) / (heights.to - heights.from || 1);
    return plot.y + (1 - Math.min(1.05, Math.max(-0.05, share))) * plot.height;
  };
  const point = (t: number, v: number) => `${xOf(t).toFixed(SVG_DIGITS)} ${yOf(v).toFixed(SVG_DIGITS)}`;
  const scales: Scales = {
    ...{ xOf, yOf, left: plot.x, right: plot.x + plot.width },
    ...{ top: plot.y, bottom: plot.y + plot.height },
  };
  const key = (m: Mark) => JSON.stringify(m);
  const id = `clip${Math.round(plot.width)}x${Math.round(plot.height)}`;
  return (
    <g>
      <clipPath id={id}>
        <rect x={plot.x} y={plot.y} width={Math.max(0, plot.width)} height={Math.max(0, plot.height)} />
      </clipPath>
      <path
        d={[
          ...verticals.map((t) => `M${xOf(t).toFixed(SVG_DIGITS)} ${plot.y}v${plot.height}`),
          ...horizontals.map((v) => `M${plot.x} ${yOf(v).toFixed(SVG_DIGITS)}h${plot.width}`),
        ].join('')}
        stroke="var(--color-base-300)"
        fill="none"
      />
      <g clipPath={`url(#${id})`}>
        {marks
          .filter((m) => m.kind === 'stretch')
          .map((m) => (
            <DrawnMark key={key(m)} mark={m} scales={scales} range={range} />
          ))}
        {drawn.bands.map(({ band, indices }) => (
          <path
            key={band.label}
            d={
              indices.length === 0
                ? ''
                : `M${indices.map((i) => point(band.time_s[i]!, band.high[i]!)).join('L')}L${[...indices]
                    .reverse()
                    .map((i) => point(band.time_s[i]!, band.low[i]!))
                    .join('L')}Z`
            }
            fill={band.colour}
            fillOpacity={0.2}
          />
        ))}
        {drawn.pieces.map(({ key, curve, indices }) => (
          <path
            key={key}
            className="lane-curve"
            data-curve={curve.label}
            d={`M${indices.map((i) => point(curve.time_s[i]!, curve.values[i]!)).join('L')}`}
            fill="none"
            stroke={curve.colour}
            strokeWidth={curve.width ?? 2.5}
            strokeDasharray={curve.dash}
            strokeLinejoin="round"
            strokeLinecap={indices.length === 1 ? 'round' : 'butt'}
          />
        ))}
        {marks
          .filter((m) => m.kind !== 'stretch')
          .map((m) => (
            <DrawnMark key={key(m)} mark={m} scales={scales} range={range} />
          ))}
      </g>
    </g>
  );
}
