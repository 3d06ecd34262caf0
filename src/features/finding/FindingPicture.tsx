'use client';

import { useMemo } from 'react';
import { coolantState } from '@/core/case';
import type { Finding } from '@/core/judge';
import { vehicleScale } from '@/core/limits';
import { useJob } from '@/job/JobProvider';
import type { TraceRecord } from '@/storage/records';
import { ChartLegend, laneLegend } from '@/ui/picture/ChartLegend';
import { readAt, wholeRange, type Mark } from '@/ui/picture/lane';
import { ScaledPicture } from '@/ui/picture/ScaledPicture';
import { useUnits } from '@/ui/units';
import { findingLane, type FindingLane } from './findingView';

const HEIGHT = 392;
/** Readings this near to the pointer are the ones at it, s. */
const NEAR_S = 30;

function Readout({ lane, at_s }: { lane: FindingLane; at_s: number }) {
  const { showTemperature } = useUnits();
  const { measured, best, sound } = lane;
  const show = (values: ArrayLike<number>, time_s: ArrayLike<number>) => {
    const value = readAt({ time_s, values }, at_s, NEAR_S);
    return value === null ? 'not logged' : showTemperature(value);
  };
  return (
    <div className="border border-base-content/40 bg-base-100 px-3 py-2 text-sm">
      <p className="font-bold">{(at_s / 60).toFixed(1)} min</p>
      <p>measured {show(measured.values, measured.time_s)}</p>
      <p>
        sound {show(sound.low, sound.time_s)} to {show(sound.high, sound.time_s)}
      </p>
      <p>best cause {show(best.values, best.time_s)}</p>
    </div>
  );
}

/** Measured against modelled temperature over the drive, on the vehicle's own scale. */
export function FindingPicture({
  record,
  finding,
  pointed_s,
}: {
  record: TraceRecord;
  finding: Finding;
  /** A moment to point at; null for none. */
  pointed_s: number | null;
}) {
  const { vehicle, entries, figures } = useJob();
  const airKnown =
    record.trace.channels.ambient_c !== undefined ||
    record.trace.channels.iat_c !== undefined ||
    finding.outsideGiven_c !== null;
  const outside = airKnown ? (finding.parameters.find((p) => p.name === 'ambient')?.value ?? null) : null;
  const scale = useMemo(
    () =>
      vehicleScale(vehicle.vehicle, outside, {
        coolant: coolantState(entries, vehicle.vehicle, figures.altitude_m),
        belowRating_k: figures.monitors.belowRating_k,
      }),
    [vehicle.vehicle, outside, entries, figures],
  );
  const lane = useMemo(() => findingLane(record, finding), [record, finding]);
  const marked = useMemo(() => {
    const levels = [scale.threshold_c, scale.opens_c].map((value): Mark => ({ kind: 'level', value }));
    const moment: readonly Mark[] = pointed_s === null ? [] : [{ kind: 'moment', at_s: pointed_s }];
    return { ...lane, marks: [...levels, ...moment] };
  }, [lane, scale, pointed_s]);
  return (
    <div>
      <ScaledPicture
        scale={scale}
        height={HEIGHT}
        testId="chart"
        lane={marked}
        range={wholeRange({ curves: [lane.measured] })}
        title="Coolant temperature over the drive: measured, expected of a sound vehicle, best cause"
        readout={(at_s) => <Readout lane={lane} at_s={at_s} />}
      />
      <ChartLegend entries={laneLegend(lane)} />
    </div>
  );
}
