import type { Lane, Look } from './lane';

/** One curve or band of a picture with its name. */
export interface LegendEntry extends Look {
  /** Drawn as a filled band, not a line. */
  readonly band?: boolean;
}

/** Names of what a lane shows, what lies in front of all first. */
export const laneLegend = ({ curves, bands = [] }: Lane): LegendEntry[] => [
  ...curves.slice(-1),
  ...curves.slice(0, -1),
  ...bands.map(({ label, colour }) => ({ label, colour, band: true })),
];

/** A line as a chart draws it, small; beside a name. */
export function LineSample({ colour, width = 3, dash }: Omit<Look, 'label'>) {
  return (
    <svg width="30" height="8" aria-hidden className="shrink-0">
      <path d="M0 4 H30" stroke={colour} strokeWidth={width} strokeDasharray={dash} />
    </svg>
  );
}

/** Names of the curves below a picture; indented where a vehicle's scale stands left of it. */
export function ChartLegend({ entries, indent = true }: { entries: readonly LegendEntry[]; indent?: boolean }) {
  return (
    <p className={`flex flex-wrap gap-x-6 text-sm ${indent ? 'pl-42' : ''}`}>
      {entries.map(({ label, colour, band, width, dash }) => (
        <span key={label} className="flex items-center gap-2">
          {band ? (
            <svg width="30" height="12" aria-hidden>
              <rect width="30" height="12" fill={colour} opacity="0.25" />
            </svg>
          ) : (
            <LineSample colour={colour} width={width} dash={dash} />
          )}
          {label}
        </span>
      ))}
    </p>
  );
}
