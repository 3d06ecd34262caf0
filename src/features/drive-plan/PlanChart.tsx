'use client';

import { ComposedChart, Line, ReferenceArea, ReferenceLine } from 'recharts';
import { causeName } from '@/core/evidence';
import type { PlanPrediction } from '@/core/planning';
import { thin } from '@/core/signal';
import { causeColour, dashOf } from './curveLook';
import { TIME_AXIS } from '@/ui/scale';
import { DriveAxes, soundBand } from '@/ui/timeAxis';

/** Readings drawn at most. */
const MOST_MEASURED = 240;

/** The predicted drive: sound band and the middle course of each cause in play, on the vehicle's scale. */
export function PlanChart({
  prediction,
  width,
  height,
  limit_c,
  measured = [],
}: {
  prediction: PlanPrediction;
  width: number;
  height: number;
  limit_c: number;
  /** Readings so far, while the drive is logged. */
  measured?: readonly { readonly minute: number; readonly value: number }[];
}) {
  const { time_s, bands, opening_s } = prediction;
  const predicted = Array.from(time_s, (t, k) => ({
    minute: t / 60,
    band: [bands[0]!.low_c[k]!, bands[0]!.high_c[k]!],
    ...Object.fromEntries(bands.map((b) => [b.cause, b.mid_c[k]!])),
  }));
  const kept = thin(
    measured.map((m) => m.value),
    MOST_MEASURED,
  );
  const read = kept.map((i) => ({ minute: measured[i]!.minute, measured: measured[i]!.value }));
  const data = [...predicted, ...read].sort((a, b) => a.minute - b.minute);
  const last = data.at(-1)?.minute ?? 0;
  return (
    <ComposedChart
      width={width}
      height={height + TIME_AXIS}
      data={data}
      margin={{ top: 0, right: 10, bottom: 0, left: 0 }}
      accessibilityLayer
      title={`Predicted drive: ${bands.map((b) => causeName(b.cause)).join(', ')}`}
    >
      <DriveAxes last={last} />
      {opening_s && (
        <ReferenceArea
          x1={opening_s.early / 60}
          x2={Math.min(last, opening_s.late / 60)}
          fill="var(--color-base-content)"
          fillOpacity={0.1}
        />
      )}
      <ReferenceLine y={limit_c} stroke="var(--color-error)" strokeWidth={2} strokeDasharray="2 3" />
      {soundBand}
      {bands.map((b, i) => (
        <Line
          key={b.cause}
          dataKey={b.cause}
          stroke={causeColour(b.cause)}
          strokeWidth={2.5}
          strokeDasharray={dashOf(i)}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
          connectNulls
        />
      ))}
      {read.length > 0 && (
        <Line
          dataKey="measured"
          stroke="var(--trace)"
          strokeWidth={4}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
          connectNulls
        />
      )}
    </ComposedChart>
  );
}
