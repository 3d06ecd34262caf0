'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { DRIVE_MARK_KINDS, DRIVE_MARKS, type DriveMarkKind } from '@/core/case';
import { hoseExpectation } from '@/core/desk';
import { markLabel } from '@/job/entryWords';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { addEntry, changeEntry, takeBack, undoEntries } from '@/storage/entries';
import { useCursor, type DriveView } from '@/ui/picture/useDriveView';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import type { DeskMark } from '@/job/deskMarks';

const minuteOf = (at_s: number): string => (at_s / 60).toFixed(1);

/** A new mark at the cursor. */
function NewMark({ traceId, view, opens_s }: { traceId: string; view: DriveView; opens_s: number | null }) {
  const { job, vehicle } = useJob();
  const write = useWrite();
  const at_s = useCursor(view.cursor);
  const [mark, setMark] = useState<DriveMarkKind>('hose-warm');
  const [place, setPlace] = useState('');
  const [value, setValue] = useState<number | null>(null);
  const [text, setText] = useState('');
  const spec = DRIVE_MARKS[mark];
  const places: readonly string[] = spec.places;
  const chosen = places.includes(place) ? place : (places[0] ?? '');
  const needed = spec.reads !== null && (value === null || Number.isNaN(value));
  const share = spec.reads === 'needle' && value !== null ? value / 100 : value;
  const wrong =
    (spec.reads === 'needle' && share !== null && (share < 0 || share > 1)) ||
    (spec.reads === 'temperature' && share !== null && (share < -60 || share > 200));
  const add = async () => {
    const entry = { kind: 'mark', traceId, at_s: at_s ?? 0, mark, place: chosen, value: share, text } as const;
    const kept = await write(addEntry(job.id, entry), { says: 'Marked.', undo: undoEntries });
    if (kept === null) return;
    setValue(null);
    setText('');
  };
  return (
    <div className="space-y-2">
      <p className="leading-snug">
        {at_s === null ? (
          'Put the cursor on the moment: move over the trace, or click into it and use the arrow keys.'
        ) : (
          <>
            Mark minute <strong className="text-xl type-sign">{minuteOf(at_s)}</strong>
          </>
        )}
      </p>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Kind of mark">
        {DRIVE_MARK_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className={`btn btn-sm ${kind === mark ? 'btn-primary' : ''}`}
            aria-pressed={kind === mark}
            onClick={() => setMark(kind)}
          >
            {DRIVE_MARKS[kind].label}
          </button>
        ))}
      </div>
      {chosen !== '' && (
        <p className="text-sm leading-snug" data-testid="expectation">
          {hoseExpectation(vehicle.vehicle, chosen, opens_s)}
        </p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        {places.length > 0 && (
          <label className="text-sm">
            <span className="block font-semibold">Where</span>
            <select
              aria-label="Place"
              className="select mt-1 w-44"
              value={chosen}
              onChange={(e) => setPlace(e.target.value)}
            >
              {places.map((p) => (
                <option key={p}>{p}</option>
              ))}
            </select>
          </label>
        )}
        {spec.reads !== null && (
          <QuantityInput
            key={mark}
            id="mark-value"
            label={spec.reads === 'temperature' ? 'Reads' : 'Of its scale'}
            family={spec.reads === 'temperature' ? 'temperature' : null}
            unit="%"
            value={value}
            error={wrong ? 'That cannot be.' : undefined}
            onChange={setValue}
          />
        )}
        {mark === 'other' && (
          <label className="text-sm">
            <span className="block font-semibold">Words</span>
            <input className="input mt-1 w-60" maxLength={200} value={text} onChange={(e) => setText(e.target.value)} />
          </label>
        )}
        <button
          type="button"
          className="btn btn-primary"
          disabled={at_s === null || needed || wrong || (mark === 'other' && text.trim() === '')}
          onClick={() => void add()}
        >
          Set the mark
        </button>
      </div>
    </div>
  );
}

/** Marks of a drive: set at the cursor, moved to it, taken away. */
export function MarkPanel({
  traceId,
  marks,
  view,
  opens_s,
}: {
  traceId: string;
  marks: readonly DeskMark[];
  view: DriveView;
  /** When the thermostat opens on this drive; null when that is not told. */
  opens_s: number | null;
}) {
  const { job } = useJob();
  const keep = useKeep();
  const { show } = useUnits();
  const move = (id: string, by_s: number, at_s: number) =>
    keep(() => changeEntry(job.id, id, { at_s: Math.min(view.whole.to_s, Math.max(0, at_s + by_s)) }));
  return (
    <div data-testid="marks-panel">
      <NewMark traceId={traceId} view={view} opens_s={opens_s} />
      {marks.length > 0 && (
        <ul className="mt-4">
          {marks.map((m) => (
            <li
              key={m.entry?.id ?? `${m.mark} ${m.at_s} ${m.text}`}
              className="flex items-center gap-2 border-b border-base-content/15 py-1"
            >
              <button
                type="button"
                className="w-12 text-left font-bold underline underline-offset-4"
                onClick={() => view.show({ from_s: m.at_s, to_s: m.at_s + 1 })}
              >
                {minuteOf(m.at_s)}
              </button>
              <span className="min-w-0 flex-1 leading-tight">{markLabel(m, show)}</span>
              {m.entry ? (
                <>
                  <button
                    type="button"
                    className="btn btn-sm"
                    title="Move to the cursor"
                    onClick={() => {
                      const at_s = view.cursor.get();
                      if (at_s !== null) move(m.entry!.id, 0, at_s);
                    }}
                  >
                    to cursor
                  </button>
                  <button
                    type="button"
                    className="btn btn-square btn-sm"
                    aria-label="Five seconds earlier"
                    onClick={() => move(m.entry!.id, -5, m.at_s)}
                  >
                    −
                  </button>
                  <button
                    type="button"
                    className="btn btn-square btn-sm"
                    aria-label="Five seconds later"
                    onClick={() => move(m.entry!.id, 5, m.at_s)}
                  >
                    +
                  </button>
                  <button
                    type="button"
                    className="btn btn-square btn-ghost btn-sm"
                    aria-label={`Take the mark at minute ${minuteOf(m.at_s)} away`}
                    onClick={() =>
                      keep(() => takeBack(job.id, m.entry!.id), { says: 'Mark taken away.', undo: undoEntries })
                    }
                  >
                    <Trash2 aria-hidden className="size-4" />
                  </button>
                </>
              ) : (
                <span className="type-label">from the log</span>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
