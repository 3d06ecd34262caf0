'use client';

import type { ReactNode } from 'react';
import { ZONE_COLOUR } from '../colours';
import { useElementWidth } from '../useElementWidth';
import type { Lane, Range } from './lane';
import { LazyLaneChart } from './LazyLaneChart';
import { TIME_AXIS, type ScaleMark } from './scale';
import { TemperatureScale } from './TemperatureScale';

/** A vehicle's own marks and zones. */
export interface PictureScale {
  readonly marks: readonly ScaleMark[];
  readonly zones: readonly { readonly from_c: number; readonly zone: keyof typeof ZONE_COLOUR }[];
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
        {width > 0 && lane && (
          <LazyLaneChart lane={lane} title={title} width={width} height={height} range={range} readout={readout} />
        )}
      </div>
    </div>
  );
}
