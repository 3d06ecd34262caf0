'use client';

import { CAUSES, type Cause } from '@/core/base';
import { causeName } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import type { DriveView } from '@/ui/picture/useDriveView';

/** What is laid over the reading. */
export interface Shown {
  readonly band: boolean;
  readonly others: boolean;
  /** A cause by name, the leading one, or none. */
  readonly cause: Cause | 'leading' | 'none';
}

/** What to lay over the reading. */
export function OverlayBar({
  finding,
  shown,
  hasOthers,
  onChange,
}: {
  finding: Finding;
  shown: Shown;
  hasOthers: boolean;
  onChange: (shown: Shown) => void;
}) {
  const fitted = CAUSES.filter((c) => finding.curves.byCause[c]);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm print:hidden">
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={shown.band}
          onChange={(e) => onChange({ ...shown, band: e.target.checked })}
        />
        Sound band
      </label>
      {hasOthers && (
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={shown.others}
            onChange={(e) => onChange({ ...shown, others: e.target.checked })}
          />
          Other temperatures
        </label>
      )}
      <label className="flex items-center gap-1.5">
        Lay over
        <select
          className="select w-52 select-sm"
          value={shown.cause}
          onChange={(e) => onChange({ ...shown, cause: e.target.value as Shown['cause'] })}
        >
          <option value="none">no cause</option>
          <option value="leading">the leading cause</option>
          {fitted.map((c) => (
            <option key={c} value={c}>
              {causeName(c)}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

/** Zoom and pan for a hand on the pointer. */
export function ViewButtons({ view }: { view: DriveView }) {
  return (
    <div className="join print:hidden" role="group" aria-label="View">
      {(
        [
          ['←', 'Earlier', () => view.pan(-0.4)],
          ['−', 'Zoom out', () => view.zoom(1.7)],
          ['Whole drive', 'Whole drive', view.showAll],
          ['+', 'Zoom in', () => view.zoom(0.6)],
          ['→', 'Later', () => view.pan(0.4)],
        ] as const
      ).map(([sign, label, go]) => (
        <button key={label} type="button" className="btn join-item btn-sm" aria-label={label} onClick={go}>
          {sign}
        </button>
      ))}
    </div>
  );
}
