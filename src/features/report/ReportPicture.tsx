'use client';

import { Area, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts';
import type { ReportCurves } from '@/core/report';
import { useUnits } from '@/ui/units';

const WIDTH = 690;
const HEIGHT = 270;
/** Colours of paper: they must not follow the theme of the screen, and must stand in the saved file. */
const INK = { before: '#b35a00', after: '#10191a', sound: '#8fb7a8', axis: '#47555a' } as const;
const MINUTES_APART = 5;
/** Degrees between two marks of the axis, in the reader's unit. */
const DEGREES_APART = 20;

/** Before and after in one picture, drawn for paper. */
export function ReportPicture({ curves, rated_c }: { curves: ReportCurves; rated_c: number }) {
  const { temperatureNumber, symbolOf } = useUnits();
  const shown = (v: number | null | undefined) => (v === null || v === undefined ? null : temperatureNumber(v));
  const { minutes, before_c, after_c, soundLow_c, soundHigh_c } = curves;
  const points = minutes.map((min, i) => {
    const low = shown(soundLow_c?.[i]);
    const high = shown(soundHigh_c?.[i]);
    return {
      ...{ min, before: shown(before_c?.[i]), after: shown(after_c?.[i]) },
      sound: low === null || high === null ? null : [low, high],
    };
  });
  const end = minutes.at(-1) ?? 1;
  const ticks = Array.from({ length: Math.floor(end / MINUTES_APART) + 1 }, (_, i) => i * MINUTES_APART);
  const unit = symbolOf('temperature');
  const drawn = points.flatMap((p) => [p.before, p.after, ...(p.sound ?? [])].filter((v) => v !== null));
  const step = unit === '°F' ? 2 * DEGREES_APART : DEGREES_APART;
  const low = step * Math.floor(Math.min(temperatureNumber(rated_c), ...drawn) / step);
  const high = step * Math.ceil(Math.max(temperatureNumber(rated_c), ...drawn) / step);
  const degrees = Array.from({ length: Math.round((high - low) / step) + 1 }, (_, i) => low + step * i);
  const common = { isAnimationActive: false, dot: false, connectNulls: false } as const;
  return (
    <figure className="whole" style={{ margin: 0 }} data-testid="report-picture">
      <ComposedChart
        width={WIDTH}
        height={HEIGHT}
        data={points}
        margin={{ top: 8, right: 10, bottom: 4, left: 0 }}
        accessibilityLayer={false}
        title="Coolant temperature before and after"
      >
        <XAxis
          dataKey="min"
          type="number"
          domain={[0, end]}
          ticks={ticks}
          unit=" min"
          stroke={INK.axis}
          fontSize={12}
          height={24}
        />
        <YAxis width={58} unit={` ${unit}`} stroke={INK.axis} fontSize={12} domain={[low, high]} ticks={degrees} />
        <Area
          dataKey="sound"
          stroke="none"
          fill={INK.sound}
          fillOpacity={0.4}
          isAnimationActive={false}
          activeDot={false}
        />
        <ReferenceLine
          y={temperatureNumber(rated_c)}
          stroke={INK.axis}
          strokeDasharray="2 4"
          label={{ value: 'it should open here', position: 'insideTopLeft', fontSize: 11, fill: INK.axis }}
        />
        <Line dataKey="before" stroke={INK.before} strokeWidth={2.5} strokeDasharray="7 4" {...common} />
        <Line dataKey="after" stroke={INK.after} strokeWidth={2.8} {...common} />
      </ComposedChart>
      <figcaption className="legend">
        {before_c && (
          <span>
            <i style={{ borderColor: INK.before, borderTopStyle: 'dashed' }} />
            before
          </span>
        )}
        {after_c && (
          <span>
            <i style={{ borderColor: INK.after }} />
            {before_c ? 'after' : 'measured'}
          </span>
        )}
        {soundLow_c && (
          <span>
            <i style={{ borderColor: INK.sound, borderTopWidth: '2.6mm' }} />
            where a sound car lies
          </span>
        )}
      </figcaption>
    </figure>
  );
}
