'use client';

import type { ReactNode } from 'react';
import { ZONE_COLOUR } from './colours';
import { TIME_AXIS, type ScaleMark } from './scale';
import { TemperatureScale } from './TemperatureScale';
import { useElementWidth } from './useElementWidth';

/** A vehicle's own marks and zones. */
export interface PictureScale {
  readonly marks: readonly ScaleMark[];
  readonly zones: readonly { readonly from_c: number; readonly zone: keyof typeof ZONE_COLOUR }[];
}

/** A vehicle's temperature scale with a chart to its right that fills the width left over. */
export function ScaledPicture({
  scale,
  height,
  testId,
  children,
}: {
  scale: PictureScale;
  height: number;
  testId: string;
  /** Draws the chart once its width is known, px. */
  children: (width: number) => ReactNode;
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
        {width > 0 && children(width)}
      </div>
    </div>
  );
}
