'use client';

import type { Trace, Vehicle } from '@/core/base';
import type { PracticeFinding } from '@/core/practice';
import { vehicleScale } from '@/core/limits';
import { ChartLegend, laneLegend } from '@/ui/picture/ChartLegend';
import { wholeRange, type Curve, type Lane } from '@/ui/picture/lane';
import { ScaledPicture } from '@/ui/picture/ScaledPicture';
import { useUnits } from '@/ui/units';

const HEIGHT = 260;

/** A logged drive on the vehicle's own scale; once the answer is out with the band of a sound car. */
export function DrivePicture({
  trace,
  vehicle,
  ambient_c,
  finding,
}: {
  trace: Trace;
  vehicle: Vehicle;
  ambient_c: number | null;
  /** Null while the answer is not out. */
  finding: PracticeFinding | null;
}) {
  const { showTemperature } = useUnits();
  const { time_s, channels } = trace;
  const curve = (values: Float64Array | undefined, look: Omit<Curve, 'time_s' | 'values'>): Curve[] =>
    values ? [{ time_s, values, logged: true, ...look }] : [];
  const sound = finding?.curves;
  const lane: Lane = {
    bands: sound
      ? [
          {
            ...{ label: 'a sound car on this drive', colour: 'var(--family-sound)', time_s: sound.time_s },
            ...{ low: sound.healthyLow_c, high: sound.healthyHigh_c },
          },
        ]
      : [],
    curves: [
      ...curve(channels.gauge_c, { label: 'gauge', colour: 'var(--family-sender)', dash: '6 3' }),
      ...curve(channels.iat_c, { label: 'intake air', colour: 'var(--heat-cold)' }),
      ...curve(
        channels.speed_kmh?.map((v) => v / 2),
        { label: 'road speed, by half', colour: 'var(--family-flow)', width: 1 },
      ),
      ...curve(channels.ect_c, { label: 'coolant', colour: 'var(--trace)', width: 2.5 }),
    ],
  };
  const last = channels.ect_c.findLast((t) => Number.isFinite(t));
  return (
    <figure data-testid="practice-drive">
      <ScaledPicture
        scale={vehicleScale(vehicle, ambient_c)}
        height={HEIGHT}
        testId="practice-picture"
        lane={lane}
        range={wholeRange(lane)}
        title={`Coolant of the drive, at its end ${last === undefined ? 'not read' : showTemperature(last)}`}
      />
      <ChartLegend entries={laneLegend(lane)} />
    </figure>
  );
}
