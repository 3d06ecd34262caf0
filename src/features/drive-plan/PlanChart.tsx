'use client';

import { Area, CartesianGrid, ComposedChart, Line, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts';
import { CAUSE_TEXT, causeName } from '@/core/diagnosis';
import type { PlanPrediction } from '@/core/planning';
import { familyColour } from '@/ui/colours';
import { SCALE_FROM_C, SCALE_TO_C } from '@/ui/scale';
import { minuteTicks, TickLabel } from '@/ui/timeAxis';

const DASHES = ['0', '9 4', '3 3', '12 3 3 3', '6 2', '2 6'] as const;

/** Readings drawn at most. */
const MOST_MEASURED = 240;

/** Line style of the n-th cause in play: families share a colour, the dash tells their members apart. */
export const dashOf = (n: number): string => DASHES[n % DASHES.length]!;

/** Colour of a cause by its family. */
export const causeColour = (cause: PlanPrediction['bands'][number]['cause']): string =>
  familyColour(CAUSE_TEXT[cause].family);

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
  const step = Math.max(1, Math.ceil(measured.length / MOST_MEASURED));
  const read = measured
    .filter((_, i) => i % step === 0 || i === measured.length - 1)
    .map((m) => ({ minute: m.minute, measured: m.value }));
  const data = [...predicted, ...read].sort((a, b) => a.minute - b.minute);
  const last = data.at(-1)?.minute ?? 0;
  const ticks = minuteTicks(last);
  return (
    <ComposedChart
      width={width}
      height={height + 26}
      data={data}
      margin={{ top: 0, right: 10, bottom: 0, left: 0 }}
      accessibilityLayer
      title={`Predicted drive: ${bands.map((b) => causeName(b.cause)).join(', ')}`}
    >
      <CartesianGrid stroke="var(--color-base-300)" horizontal={false} verticalValues={ticks} />
      <XAxis
        dataKey="minute"
        type="number"
        domain={[0, last]}
        ticks={ticks}
        interval={0}
        height={26}
        stroke="var(--color-base-content)"
        tick={TickLabel}
      />
      <YAxis hide type="number" domain={[SCALE_FROM_C, SCALE_TO_C]} allowDataOverflow />
      {opening_s && (
        <ReferenceArea
          x1={opening_s.early / 60}
          x2={Math.min(last, opening_s.late / 60)}
          fill="var(--color-base-content)"
          fillOpacity={0.1}
        />
      )}
      <ReferenceLine y={limit_c} stroke="var(--color-error)" strokeWidth={2} strokeDasharray="2 3" />
      <Area
        dataKey="band"
        stroke="none"
        fill="var(--family-sound)"
        fillOpacity={0.2}
        isAnimationActive={false}
        activeDot={false}
        connectNulls
      />
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
