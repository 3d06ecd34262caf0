'use client';

import { useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { ZONE_COLOUR } from '../colours';
import { useElementWidth } from '../useElementWidth';
import type { Across } from './axes';
import { wholeRange, type Lane, type Range } from './lane';
import { LazyLaneChart } from './LazyLaneChart';
import { PLOT_RIGHT, TIME_AXIS, type ScaleMark } from './scale';
import { TemperatureScale } from './TemperatureScale';

/** A vehicle's own marks and zones. */
export interface PictureScale {
  readonly marks: readonly ScaleMark[];
  readonly zones: readonly { readonly from_c: number; readonly zone: keyof typeof ZONE_COLOUR }[];
}

/** Share of the drive that an arrow key moves by. */
const KEY_STEP = 1 / 120;

/** A lane with a box at the pointer, moved by the arrow keys as well. */
function ReadLane({
  range,
  width,
  readout,
  children,
}: {
  range: Range;
  width: number;
  readout: (at_s: number) => ReactNode;
  children: ReactNode;
}) {
  const [at_s, setAt] = useState<number | null>(null);
  const plot = width - PLOT_RIGHT;
  const length_s = range.to_s - range.from_s;
  const point = (e: PointerEvent<HTMLElement>) => {
    const share = (e.clientX - e.currentTarget.getBoundingClientRect().left) / plot;
    setAt(share < 0 || share > 1 ? null : range.from_s + share * length_s);
  };
  const key = (e: KeyboardEvent) => {
    if (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight') return;
    e.preventDefault();
    const by = (e.key === 'ArrowLeft' ? -1 : 1) * KEY_STEP * length_s;
    setAt(Math.min(range.to_s, Math.max(range.from_s, (at_s ?? range.from_s) + by)));
  };
  const x = at_s === null ? 0 : ((at_s - range.from_s) / length_s) * plot;
  return (
    <div
      className="relative"
      role="application"
      aria-label="Readings at a moment: arrow keys move it"
      tabIndex={0}
      onPointerMove={point}
      onPointerLeave={() => setAt(null)}
      onBlur={() => setAt(null)}
      onKeyDown={key}
    >
      {children}
      {at_s !== null && (
        <>
          <div
            aria-hidden
            className="pointer-events-none absolute inset-y-0 w-px bg-base-content"
            style={{ left: x }}
          />
          <div
            className="pointer-events-none absolute top-2 z-10"
            style={x > width / 2 ? { right: width - x + 10 } : { left: x + 10 }}
          >
            {readout(at_s)}
          </div>
        </>
      )}
    </div>
  );
}

/** A vehicle's temperature scale with a lane to its right that fills the width left over. */
export function ScaledPicture({
  scale,
  height,
  testId,
  lane,
  title,
  range,
  readout,
  across = 'min',
}: {
  scale: PictureScale;
  height: number;
  testId: string;
  /** Null while there is nothing to show yet. */
  lane: Lane | null;
  /** What the picture shows, for those who cannot see it. */
  title: string;
  /** The visible stretch; all of it without one. */
  range?: Range;
  /** What stands at the pointer, by the time under it. */
  readout?: (at_s: number) => ReactNode;
  across?: Across;
}) {
  const [attach, width] = useElementWidth();
  return (
    <div className="flex">
      <TemperatureScale
        height={height}
        marks={scale.marks}
        zones={scale.zones.map((z) => ({ from_c: z.from_c, colour: ZONE_COLOUR[z.zone] }))}
      />
      <div ref={attach} className="min-w-0 flex-1" style={{ minHeight: height + TIME_AXIS }} data-testid={testId}>
        {width > 0 &&
          lane &&
          (readout ? (
            <ReadLane range={range ?? wholeRange(lane)} width={width} readout={readout}>
              <LazyLaneChart lane={lane} title={title} width={width} height={height} range={range} />
            </ReadLane>
          ) : (
            <LazyLaneChart lane={lane} title={title} width={width} height={height} range={range} across={across} />
          ))}
      </div>
    </div>
  );
}
