'use client';

import { useMemo } from 'react';
import { CHANNELS, type ChannelName, type Trace } from '@/core/base';
import type { VehicleScale } from '@/core/limits';
import { ZONE_COLOUR } from '@/ui/colours';
import { CursorFrame } from '@/ui/picture/CursorFrame';
import { readAt, type Curve, type Lane, type Mark } from '@/ui/picture/lane';
import { LazyLaneChart } from '@/ui/picture/LazyLaneChart';
import { TIME_AXIS } from '@/ui/picture/scale';
import { TemperatureScale } from '@/ui/picture/TemperatureScale';
import { useCursor, type DriveView } from '@/ui/picture/useDriveView';
import { useElementWidth } from '@/ui/useElementWidth';
import { useStaged } from '@/ui/useStaged';
import { useUnits } from '@/ui/units';
import type { ChannelLane } from './deskLanes';

/** Width of the column left of every plot: the temperature scale's. */
export const GUTTER = 182;
const LANE_HEIGHT = 54;
/** Readings this near to the cursor are the ones at it, s. */
const NEAR_S = 20;

/** Value of one curve at the cursor. */
function AtCursor({ view, curve, show }: { view: DriveView; curve: Curve; show: (v: number) => string }) {
  const at_s = useCursor(view.cursor);
  const value = at_s === null ? null : readAt(curve, at_s, NEAR_S);
  return (
    <p className="flex items-baseline justify-end gap-2 text-right leading-tight">
      <span className="font-semibold whitespace-nowrap">{at_s === null ? '' : value === null ? '–' : show(value)}</span>
    </p>
  );
}

function LaneGutter({
  own,
  view,
  show,
}: {
  own: ChannelLane;
  view: DriveView;
  show: (name: ChannelName | null, v: number) => string;
}) {
  return (
    <div className="flex shrink-0 gap-1 pr-1" style={{ width: GUTTER, height: LANE_HEIGHT }}>
      <div className="min-w-0 flex-1 text-right">
        <p className="truncate type-label leading-tight">{own.title}</p>
        <div className={own.lane.curves.length > 1 ? 'text-xs' : 'text-lg'}>
          {own.lane.curves.map((curve, i) => (
            <div key={curve.label} className="flex items-baseline justify-end gap-1.5">
              {own.lane.curves.length > 1 && (
                <svg width="14" height="6" aria-hidden className="shrink-0">
                  <path d="M0 3 H14" stroke={curve.colour} strokeWidth="3" />
                </svg>
              )}
              <AtCursor view={view} curve={curve} show={(v) => show(own.channels[i] ?? null, v)} />
            </div>
          ))}
        </div>
      </div>
      <div className="flex w-9 flex-col justify-between border-r border-base-content/50 pr-1 text-right text-[0.6875rem] leading-none">
        <span>{Math.round(own.to)}</span>
        {own.from < 0 && <span>0</span>}
        <span>{Math.round(own.from)}</span>
      </div>
    </div>
  );
}

/** A lane's axis figures in the shop's units. */
function useLaneFigures() {
  const { showChannel, show, symbolOf } = useUnits();
  return {
    value: (name: ChannelName | null, v: number) =>
      name === null ? `${v >= 0 ? '+' : ''}${show('temperatureDifference', v, 1)}` : showChannel(name, v),
    shownIn: (name: ChannelName | null): number => {
      if (name !== null && CHANNELS[name].quantity === 'speed') return symbolOf('speed') === 'mph' ? 0.621371 : 1;
      if (name === null) return symbolOf('temperature') === '°F' ? 1.8 : 1;
      return 1;
    },
  };
}

/** The lanes of a drive on one time: temperature on the vehicle's scale, and below it whatever else was logged. */
export function DeskLanes({
  trace,
  view,
  scale,
  temperature,
  below,
  marks,
  height,
  label,
  onMark,
}: {
  trace: Trace;
  view: DriveView;
  scale: VehicleScale;
  temperature: Lane;
  below: readonly ChannelLane[];
  /** Phases and hand marks as stretches and moments. */
  marks: readonly Mark[];
  /** Of the temperature lane, px. */
  height: number;
  label: string;
  onMark: (at_s: number) => void;
}) {
  const [attach, width] = useElementWidth();
  const { value, shownIn } = useLaneFigures();
  const top = useMemo((): Lane => {
    const levels = [scale.threshold_c, scale.opens_c].map((v): Mark => ({ kind: 'level', value: v }));
    return { ...temperature, marks: [...(temperature.marks ?? []), ...levels, ...marks] };
  }, [temperature, scale, marks]);
  const lower = useMemo(
    () =>
      below.map((own) => ({
        ...own,
        upwards: { kind: 'beside', from: own.from, to: own.to } as const,
        lane: { ...own.lane, marks: [...(own.lane.marks ?? []), ...marks] },
      })),
    [below, marks],
  );
  const plot = width - GUTTER;
  const staged = useStaged(plot > 0 ? lower.length + 1 : 0);
  const minutes = ((trace.time_s.at(-1) ?? 0) - (trace.time_s[0] ?? 0)) / 60;
  return (
    <CursorFrame view={view} left={GUTTER} label={label} onMark={onMark}>
      <div ref={attach}>
        <div className="flex">
          <TemperatureScale
            height={height}
            marks={scale.marks}
            zones={scale.zones.map((z) => ({ from_c: z.from_c, colour: ZONE_COLOUR[z.zone] }))}
          />
          <div className="min-w-0 flex-1" style={{ minHeight: height }} data-testid="desk-temperature">
            {staged > 0 && (
              <LazyLaneChart
                lane={top}
                title={`Coolant temperature over ${minutes.toFixed(0)} minutes`}
                width={plot}
                height={height}
                range={view.range}
                timeAxis={lower.length === 0}
              />
            )}
          </div>
        </div>
        {lower.map((own, i) => {
          const last = i === lower.length - 1;
          const per = shownIn(own.channels[0] ?? null);
          return (
            <div key={own.id} className="flex border-t border-base-content/20 pt-0.5" data-testid={`lane-${own.id}`}>
              <LaneGutter own={{ ...own, from: own.from * per, to: own.to * per }} view={view} show={value} />
              <div className="min-w-0 flex-1" style={{ minHeight: LANE_HEIGHT + (last ? TIME_AXIS : 0) }}>
                {staged > i + 1 && (
                  <LazyLaneChart
                    lane={own.lane}
                    title={own.title}
                    width={plot}
                    height={LANE_HEIGHT}
                    range={view.range}
                    upwards={own.upwards}
                    timeAxis={last}
                  />
                )}
              </div>
            </div>
          );
        })}
      </div>
    </CursorFrame>
  );
}
