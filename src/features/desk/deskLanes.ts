import { CHANNELS, loggedChannels, sinceStart_s, type Cause, type ChannelName, type Trace } from '@/core/base';
import { causeName } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import { causeLook } from '@/job/causeLook';
import { besideCurves, measuredCurve } from '@/job/driveCurves';
import type { TraceRecord } from '@/storage/records';
import { besideColour } from '@/ui/colours';
import type { Curve, Lane, Range } from '@/ui/picture/lane';

/** A lane below the temperature: one kind of quantity on the time of the drive. */
export interface ChannelLane {
  readonly id: string;
  readonly title: string;
  /** Channels that it draws; none for the residual. */
  readonly channels: readonly ChannelName[];
  readonly lane: Lane;
  /** Figures of its axis. */
  readonly from: number;
  readonly to: number;
}

/** Temperatures that lie on the one temperature scale beside the engine's own. */
const OTHER_TEMPERATURES: readonly ChannelName[] = ['ect2_c', 'gauge_c', 'rad_out_c', 'oil_c', 'iat_c', 'ambient_c'];

/** Lanes below, in their order: what belongs together shares one. */
const LANES: readonly { readonly id: string; readonly title: string; readonly channels: readonly ChannelName[] }[] = [
  { id: 'speed', title: 'Road speed', channels: ['speed_kmh'] },
  { id: 'rpm', title: 'Engine speed', channels: ['rpm'] },
  { id: 'load', title: 'Load', channels: ['load_pct'] },
  { id: 'air', title: 'Intake air', channels: ['maf_gps'] },
  { id: 'commands', title: '', channels: ['fan_pct', 'heater_pct', 'thermostat_heater_pct'] },
];

/** Short names of what shares a lane. */
const SHORT: Readonly<Partial<Record<ChannelName, string>>> = {
  fan_pct: 'fan',
  heater_pct: 'blower',
  thermostat_heater_pct: 'valve heating',
};

/** Title of a lane that several channels share: those that were logged. */
function sharedTitle(channels: readonly ChannelName[]): string {
  const names = channels.map((c) => SHORT[c] ?? c).join(', ');
  return names.charAt(0).toUpperCase() + names.slice(1);
}

const INK = 'var(--trace)';

function channelCurve(trace: Trace, name: ChannelName, colour: string, dash?: string): Curve {
  return {
    ...{ label: CHANNELS[name].label, colour, width: 1.25, logged: true, time_s: sinceStart_s(trace) },
    ...(dash ? { dash } : {}),
    values: trace.channels[name]!,
  };
}

/** A round figure at or above a value. */
function roundUp(value: number): number {
  const step = 10 ** Math.floor(Math.log10(Math.max(1, value)));
  return Math.ceil(value / step) * step;
}

const highest = (values: ArrayLike<number>): number => {
  let top = 0;
  for (let i = 0; i < values.length; i++) if (values[i]! > top) top = values[i]!;
  return top;
};

/** Reading minus what a sound vehicle of the kind would have shown, K. */
function residualLane({ curves }: Finding): ChannelLane {
  const { time_s, measured_c, healthyMid_c, healthyLow_c, healthyHigh_c } = curves;
  const values = measured_c.map((v, k) => v - healthyMid_c[k]!);
  const reach = Math.min(60, Math.max(10, roundUp(highest(values.map(Math.abs)))));
  return {
    ...{ id: 'residual', title: 'Against a sound vehicle', channels: [], from: -reach, to: reach },
    lane: {
      bands: [
        {
          ...{ label: 'sound', colour: 'var(--family-sound)', time_s },
          low: healthyLow_c.map((v, k) => v - healthyMid_c[k]!),
          high: healthyHigh_c.map((v, k) => v - healthyMid_c[k]!),
        },
      ],
      curves: [{ ...{ label: 'measured less expected', colour: INK, width: 1.5, logged: true, time_s }, values }],
      marks: [{ kind: 'level', value: 0 }],
    },
  };
}

/** The lanes below the temperature that this drive has something for. */
export function channelLanes(trace: Trace, finding: Finding | null): ChannelLane[] {
  const logged = loggedChannels(trace);
  const own = LANES.flatMap(({ id, title, channels }) => {
    const there = channels.filter((c) => logged.includes(c));
    if (there.length === 0) return [];
    const curves = there.map((name, i) => channelCurve(trace, name, i === 0 ? INK : besideColour(i)));
    const percent = there.every((c) => CHANNELS[c].quantity === 'percent');
    const to = percent ? 100 : roundUp(Math.max(...curves.map((c) => highest(c.values))));
    const named = title === '' ? sharedTitle(there) : title;
    return [{ id, title: named, channels: there, lane: { curves }, from: 0, to: Math.max(1, to) }];
  });
  return [...(finding ? [residualLane(finding)] : []), ...own];
}

/** What to lay over the temperature. */
export interface Overlays {
  readonly band: boolean;
  /** Cause whose fitted curve is shown; null for none. */
  readonly cause: Cause | null;
  readonly others: boolean;
  /** Curve of a what-if; null for none. */
  readonly whatIf: Curve | null;
}

/** The temperature lane: the reading in front of what is laid over it. */
export function temperatureLane(
  record: Pick<TraceRecord, 'trace' | 'companion'>,
  finding: Finding | null,
  overlays: Overlays,
): Lane & { readonly measured: Curve } {
  const { trace } = record;
  const measured = measuredCurve(trace);
  const others = overlays.others
    ? [
        ...loggedChannels(trace)
          .filter((c) => OTHER_TEMPERATURES.includes(c))
          .map((name, i) => channelCurve(trace, name, besideColour(i), i > 3 ? '2 3' : undefined)),
        ...(record.companion ? besideCurves(record.companion) : []),
      ]
    : [];
  const fitted = overlays.cause === null ? undefined : finding?.curves.byCause[overlays.cause];
  const cause: Curve[] =
    fitted && overlays.cause !== null
      ? [
          {
            ...{ label: causeName(overlays.cause), colour: causeLook(overlays.cause).colour, dash: '8 4' },
            ...{ time_s: finding!.curves.time_s, values: fitted },
          },
        ]
      : [];
  const bands =
    finding && overlays.band
      ? [
          {
            ...{ label: 'sound vehicle, 8 in 10 inside', colour: 'var(--family-sound)' },
            ...{ time_s: finding.curves.time_s, low: finding.curves.healthyLow_c, high: finding.curves.healthyHigh_c },
          },
        ]
      : [];
  return {
    measured,
    bands,
    // The legend names the last first: the reading. What is asked of it lies in front.
    curves: [...others, ...cause, measured, ...(overlays.whatIf ? [overlays.whatIf] : [])],
  };
}

/** The whole of a drive. */
export const driveRange = ({ time_s }: Trace): Range => ({ from_s: 0, to_s: time_s[time_s.length - 1]! - time_s[0]! });
