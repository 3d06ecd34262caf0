'use client';

import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { CHANNELS, CHANNEL_NAMES, type ChannelName } from '@/core/base';
import { type Alignment, type LoggedSeries } from '@/core/formats';
import type { CompanionLog, TraceRecord } from '@/storage/records';
import { laidBeside } from '@/job/laidBeside';
import { useWrite } from '@/job/useWrite';
import { besideCurves, measuredCurve } from '@/job/driveCurves';
import { replaceReading } from '@/storage/traces';
import { besideColour } from '@/ui/colours';
import { LazyLaneChart } from '@/ui/picture/LazyLaneChart';
import { TIME_AXIS } from '@/ui/picture/scale';
import { useUnits } from '@/ui/units';
import { useElementWidth } from '@/ui/useElementWidth';
import { openSecondLog } from '@/workers/client';

/** A match of curves below this is no match to rely on. */
const GOOD_MATCH = 0.85;
/** Of the picture with its time axis, px. */
const HEIGHT = 290;
const STEPS_S = [-60, -10, -1, 1, 10, 60] as const;
/** Channels that a thermocouple may stand for. */
const ASSIGNABLE = CHANNEL_NAMES.filter((n) => CHANNELS[n].quantity === 'temperature' && n !== 'ect_c');

type Draft = Omit<CompanionLog, 'alone'> & { readonly byClock: Alignment | null; readonly byCurve: Alignment | null };

function howText({ by, match }: Alignment): string {
  if (by === 'hand') return 'Placed by hand.';
  if (by === 'clock') return 'Placed by the clocks of both logs.';
  const share = `${Math.round(100 * match)} %`;
  return match >= GOOD_MATCH
    ? `Placed where the curves go together best (${share}).`
    : `The curves hardly go together (${share}). Place it by hand.`;
}

/** A column may stand for a channel that the first log does not have. */
function firstChannels(series: LoggedSeries, record: TraceRecord): Record<number, ChannelName> {
  const channels: Record<number, ChannelName> = {};
  const own = (record.companion?.alone ?? record.trace).channels;
  series.columns.forEach((c, i) => {
    const { channel } = c;
    if (
      channel &&
      channel !== 'time_s' &&
      channel !== 'ect_c' &&
      !own[channel] &&
      !Object.values(channels).includes(channel)
    ) {
      channels[i] = channel;
    }
  });
  return channels;
}

function Columns({ draft, onChange }: { draft: Draft; onChange: (channels: Record<number, ChannelName>) => void }) {
  return (
    <ul className="mt-2 space-y-1">
      {draft.series.columns.map((c, i) => (
        <li key={c.header} className="flex items-center gap-3">
          <span aria-hidden className="h-1 w-8" style={{ background: besideColour(i) }} />
          <span className="flex-1 font-semibold">{c.header}</span>
          <select
            className="select w-64 select-sm"
            aria-label={`What ${c.header} stands for`}
            value={draft.channels[i] ?? ''}
            onChange={(e) => {
              const others = Object.entries(draft.channels).filter(([column]) => Number(column) !== i);
              const chosen = e.target.value === '' ? [] : [[i, e.target.value as ChannelName] as const];
              onChange(Object.fromEntries([...others, ...chosen]));
            }}
          >
            <option value="">beside the trace only</option>
            {ASSIGNABLE.map((n) => (
              <option key={n} value={n}>
                {CHANNELS[n].label}
              </option>
            ))}
          </select>
        </li>
      ))}
    </ul>
  );
}

function Place({ draft, onPlace }: { draft: Draft; onPlace: (alignment: Alignment) => void }) {
  const now_s = draft.alignment.offset_s;
  const suggested = [draft.byClock, draft.byCurve].filter((a): a is Alignment => a !== null);
  const byHand = (offset_s: number) => onPlace({ offset_s, by: 'hand', match: 0 });
  const isLost = suggested.length === 0 && draft.alignment.match === 0 && draft.alignment.by !== 'hand';
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2 font-semibold">
        Moved by
        <input
          type="number"
          className="input w-28"
          aria-label="Offset of the second log, s"
          value={Math.round(now_s)}
          onChange={(e) => byHand(Number(e.target.value))}
        />
        s
      </label>
      {STEPS_S.map((step) => (
        <button key={step} type="button" className="btn btn-sm" onClick={() => byHand(now_s + step)}>
          {step > 0 ? `+${step}` : step} s
        </button>
      ))}
      {suggested.map((a) => (
        <button key={a.by} type="button" className="btn btn-sm" onClick={() => onPlace(a)}>
          {a.by === 'clock' ? 'By clock' : 'By curve'}
        </button>
      ))}
      <p className="w-full" data-testid="placed">
        {isLost ? 'Neither clocks nor curves tell where it lies. Place it by hand.' : howText(draft.alignment)}
      </p>
    </div>
  );
}

/** Lays a second log of the same drive beside a trace: by clock, by curve, or by hand. */
export function SecondLog({
  record,
  first = null,
  onDone,
}: {
  record: TraceRecord;
  /** A file that was chosen already. */
  first?: File | null;
  onDone: () => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const write = useWrite();
  const [attach, width] = useElementWidth();
  const [error, setError] = useState<string | null>(null);
  const [draft, setDraft] = useState<Draft | null>(
    record.companion ? { ...record.companion, byClock: null, byCurve: null } : null,
  );
  const { showTemperature } = useUnits();
  const alone = record.companion?.alone ?? record.trace;
  const lane = useMemo(
    () => ({ curves: [...(draft ? besideCurves(draft) : []), measuredCurve(alone)] }),
    [draft, alone],
  );

  const take = async (file: File | undefined) => {
    if (!file) return;
    setError(null);
    const opened = await openSecondLog(file, alone, record.report.clock);
    if (!opened.ok) return setError(`${file.name} was not read. ${opened.error.message}`);
    const { series, byClock, byCurve } = opened.value;
    setDraft({
      fileName: file.name,
      raw: new Blob([await file.arrayBuffer()]),
      series,
      byClock,
      byCurve,
      alignment: byClock ?? byCurve ?? { offset_s: 0, by: 'curve', match: 0 },
      channels: firstChannels(series, record),
    });
  };
  const takeFirst = useEffectEvent((file: File) => take(file));
  useEffect(() => {
    if (!first) return;
    const timer = setTimeout(() => void takeFirst(first));
    return () => clearTimeout(timer);
  }, [first]);
  const put = async (companion: CompanionLog | null) => {
    const trace = laidBeside(alone, companion);
    const before = { trace: record.trace, companion: record.companion ?? null };
    const kept = await write(replaceReading(record.id, { trace, companion }), {
      says: companion ? `${companion.fileName} lies beside ${record.fileName} now.` : 'The second log was taken away.',
      undo: () => replaceReading(record.id, before),
    });
    if (kept !== null) onDone();
  };
  const save = () => {
    if (!draft) return;
    const { fileName, raw, series, alignment, channels } = draft;
    void put({ fileName, raw, series, alignment, channels, alone });
  };
  return (
    <div>
      <input
        ref={input}
        type="file"
        className="hidden"
        aria-label="Second log"
        data-testid="second-log"
        onChange={(e) => void take(e.target.files?.[0])}
      />
      {error && (
        <p role="alert" className="mb-3 border-l-4 border-error pl-3">
          {error}
        </p>
      )}
      {draft ? (
        <>
          <div ref={attach} style={{ minHeight: HEIGHT }}>
            {width > 0 && (
              <LazyLaneChart
                lane={lane}
                title="Both logs on one time axis"
                width={width}
                height={HEIGHT - TIME_AXIS}
                upwards={{ kind: 'own', show: showTemperature }}
              />
            )}
          </div>
          <Place draft={draft} onPlace={(alignment) => setDraft({ ...draft, alignment })} />
          <Columns draft={draft} onChange={(channels) => setDraft({ ...draft, channels })} />
        </>
      ) : (
        <p className="text-lg leading-snug">
          A thermocouple log of the same drive (hose, housing, heater outlet) is laid on the time of this one: by the
          clocks of both where they have one, else where the curves go together best. A column that stands for the
          radiator outlet or the outside air enters the judgement.
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary" disabled={!draft} onClick={save}>
          Keep it like this
        </button>
        <button type="button" className="btn" onClick={() => input.current?.click()}>
          {draft ? 'Choose another log' : 'Choose the second log'}
        </button>
        {record.companion && (
          <button type="button" className="btn" onClick={() => void put(null)}>
            Take it away
          </button>
        )}
        <button type="button" className="btn btn-ghost" onClick={onDone}>
          Back to the report
        </button>
      </div>
    </div>
  );
}
