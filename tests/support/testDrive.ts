import type { Trace, Vehicle } from '@/core/base';
import { prepareInputs } from '@/core/twin';
import { driveSeries, smoothed, type DriveSeries } from '@/core/drive/driveSeries';
import type { Bend } from '@/core/drive/features/bend';
import type { FeatureDrive } from '@/core/drive/features/feature';
import { findPhases } from '@/core/drive/phases';

/** A made-up vehicle for tests: 88 °C at the outlet, fan at 98 and 93 °C. */
export const TEST_VEHICLE: Vehicle = {
  label: 'test van 1.6',
  engine: { fuel: 'petrol', hybrid: false, displacement_l: 1.6, idle_rpm: 750, kerb_mass_kg: 1400 },
  thermostat: { rated_c: 88, full_open_c: 101, location: 'outlet', heated: false, heated_rated_c: null },
  coolant: { volume_l: 6.5, glycol_pct: 50, cap_kpa: 110 },
  fan: { kind: 'electric', on_c: 98, off_c: 93 },
};

/** A trace written second by second for tests. @param columns a function of the second per channel */
export function testTrace(
  seconds: number,
  columns: Readonly<Partial<Record<keyof Trace['channels'], (t: number) => number>>> & {
    readonly ect_c: (t: number) => number;
  },
): Trace {
  const time_s = Float64Array.from({ length: seconds }, (_, i) => i);
  const channels = Object.fromEntries(
    Object.entries(columns).map(([name, of]) => [name, time_s.map((t) => (of as (t: number) => number)(t))]),
  );
  return { time_s, channels: channels as unknown as Trace['channels'] };
}

/** What features are read from, for tests. */
export function testFeatureDrive(
  trace: Trace,
  options: { readonly bend?: Bend; readonly outside_c?: number; readonly marks?: FeatureDrive['marks'] } = {},
): FeatureDrive {
  const inputs = prepareInputs(trace, TEST_VEHICLE);
  const series: DriveSeries = driveSeries(trace, inputs);
  const smooth = smoothed(series);
  const bend = options.bend ?? null;
  return {
    ...{ series, smooth, vehicle: TEST_VEHICLE, threshold_c: 77, opens_c: 88, limit_c: 112, fuelSd: 0.06 },
    phases: findPhases(series, smooth, TEST_VEHICLE, inputs.heatSource, bend?.at_s ?? null),
    outside_c: options.outside_c ?? null,
    bend: { found: bend, why: 'no bend in this test' },
    marks: options.marks ?? [],
  };
}
