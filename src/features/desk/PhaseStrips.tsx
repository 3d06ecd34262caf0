'use client';

import type { DrivePhases, Span } from '@/core/drive';
import type { Range } from '@/ui/picture/lane';
import { PLOT_RIGHT } from '@/ui/picture/scale';
import { GUTTER } from './DeskLanes';

/** Phases by name, with their shade: heat on one strip, the road on the other. */
export const PHASE_LOOK: Readonly<Record<string, { readonly name: string; readonly shade: string }>> = {
  soak: { name: 'Soak', shade: 'var(--zone-cold)' },
  'warm-up': { name: 'Warm-up', shade: 'var(--zone-warming)' },
  opening: { name: 'Opening', shade: 'var(--zone-hot)' },
  regulation: { name: 'Regulation', shade: 'var(--zone-regulated)' },
  'heat-soak': { name: 'Heat soak', shade: 'var(--zone-boiling)' },
  'engine-off': { name: 'Engine off', shade: 'var(--zone-cold)' },
  standstill: { name: 'Standing', shade: 'transparent' },
  slow: { name: 'Slow', shade: 'color-mix(in oklch, var(--color-base-content) 10%, transparent)' },
  cruise: { name: 'Cruise', shade: 'color-mix(in oklch, var(--color-base-content) 22%, transparent)' },
  climb: { name: 'Climb', shade: 'color-mix(in oklch, var(--color-base-content) 38%, transparent)' },
  coast: { name: 'Coast', shade: 'color-mix(in oklch, var(--color-base-content) 16%, transparent)' },
};

/** Width of a letter of a label, px, and room around it. */
const LETTER_PX = 6.6;

function Strip({
  spans,
  range,
  width,
  onShow,
}: {
  spans: readonly Span[];
  range: Range;
  width: number;
  onShow: (span: Span) => void;
}) {
  const length = range.to_s - range.from_s;
  return (
    <div className="relative h-5 overflow-hidden bay:h-11" style={{ width }}>
      {spans
        .filter((s) => s.to_s > range.from_s && s.from_s < range.to_s)
        .map((span) => {
          const look = PHASE_LOOK[span.kind]!;
          const from = Math.max(range.from_s, span.from_s);
          const px = ((Math.min(range.to_s, span.to_s) - from) / length) * width;
          const minutes = ((span.to_s - span.from_s) / 60).toFixed(1);
          return (
            <button
              key={`${span.kind} ${span.from_s}`}
              type="button"
              tabIndex={-1}
              title={`${look.name}, minute ${(span.from_s / 60).toFixed(1)} to ${(span.to_s / 60).toFixed(1)} (${minutes} min)`}
              className="absolute inset-y-0 overflow-hidden border-l border-base-content/40 pl-1 text-left text-xs leading-5 whitespace-nowrap"
              style={{ left: ((from - range.from_s) / length) * width, width: px, background: look.shade }}
              onClick={() => onShow(span)}
            >
              {px > look.name.length * LETTER_PX ? look.name : ''}
            </button>
          );
        })}
    </div>
  );
}

/** The phases of a drive above its lanes. */
export function PhaseStrips({
  phases,
  range,
  width,
  onShow,
}: {
  phases: DrivePhases;
  range: Range;
  /** Of the whole desk, px. */
  width: number;
  onShow: (span: Span) => void;
}) {
  const plot = Math.max(0, width - GUTTER - PLOT_RIGHT);
  return (
    <div className="text-sm" data-testid="phases">
      <div className="flex items-center">
        <span className="shrink-0 pr-2 text-right type-label" style={{ width: GUTTER }}>
          The coolant
        </span>
        <Strip spans={phases.thermal} range={range} width={plot} onShow={onShow} />
      </div>
      <div className="mt-px flex items-center">
        <span className="shrink-0 pr-2 text-right type-label" style={{ width: GUTTER }}>
          The car
        </span>
        {phases.driving.length > 0 ? (
          <Strip spans={phases.driving} range={range} width={plot} onShow={onShow} />
        ) : (
          <span className="type-label">Road speed was not logged: standing, slow and cruise cannot be told.</span>
        )}
      </div>
    </div>
  );
}
