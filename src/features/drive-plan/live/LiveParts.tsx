'use client';

import { useState } from 'react';
import { CHANNELS, CHANNEL_NAMES, type Cause, type ChannelName } from '@/core/base';
import { causeName } from '@/core/evidence';
import type { RecordedRow, RecordingRecord } from '@/storage/records';
import { useUnits } from '@/ui/units';
import { DEMO_CAUSES } from './demoCauses';
import { webSerial } from './serialPort';
import type { LiveSource } from './useLiveLog';

const SPEEDS = [1, 10, 60] as const;
const SIMULATED = 'simulated';
const SERIAL = 'serial';

/** The latest reading of a channel. */
export function latest(rows: readonly RecordedRow[], channel: ChannelName): number | null {
  for (let i = rows.length - 1; i >= 0 && i > rows.length - 30; i--) {
    const value = rows[i]!.values[channel];
    if (value !== undefined) return value;
  }
  return null;
}

/** Chooses where readings come from and starts. */
export function SourceChoice({
  onStart,
  going,
}: {
  onStart: (source: LiveSource) => void;
  /** Source of the recording that goes on; null for a new one. */
  going: RecordingRecord['source'] | null;
}) {
  const [chosen, setKind] = useState(SIMULATED);
  const kind = going === null ? chosen : going === 'adapter' ? SERIAL : SIMULATED;
  const [cause, setCause] = useState<Cause | 'surprise'>('surprise');
  const [speed, setSpeed] = useState<number>(1);
  const serial = typeof navigator !== 'undefined' && webSerial() !== null;
  const start = () => onStart(kind === SERIAL ? { kind: 'serial' } : { kind: 'simulated', cause, speed });
  return (
    <div className="flex flex-wrap items-center gap-2">
      <select
        className="select w-52"
        aria-label="Adapter"
        value={kind}
        disabled={going !== null}
        onChange={(e) => setKind(e.target.value)}
      >
        <option value={SIMULATED}>Simulated adapter</option>
        {(serial || kind === SERIAL) && <option value={SERIAL}>Serial adapter</option>}
      </select>
      {kind === SIMULATED && (
        <>
          <select
            className="select w-52"
            aria-label="Simulated vehicle"
            value={cause}
            onChange={(e) => setCause(e.target.value as Cause | 'surprise')}
          >
            <option value="surprise">Surprise me</option>
            {DEMO_CAUSES.map((c) => (
              <option key={c} value={c}>
                {causeName(c)}
              </option>
            ))}
          </select>
          <select
            className="select w-36"
            aria-label="How fast"
            value={speed}
            onChange={(e) => setSpeed(Number(e.target.value))}
          >
            {SPEEDS.map((s) => (
              <option key={s} value={s}>
                {s === 1 ? 'real time' : `${s} times`}
              </option>
            ))}
          </select>
        </>
      )}
      <button type="button" className="btn btn-primary" onClick={start}>
        {going !== null ? 'Go on logging' : 'Start logging'}
      </button>
    </div>
  );
}

/** A mark in the person's own words. */
export function OwnMark({ onMark }: { onMark: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <form
      className="flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim() !== '') onMark(text.trim());
        setText('');
      }}
    >
      <input
        className="input min-w-0 flex-1"
        aria-label="Own mark"
        placeholder="In your own words"
        maxLength={120}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <button type="submit" className="btn">
        Mark
      </button>
    </form>
  );
}

/** The other readings, small. */
export function Channels({ rows }: { rows: readonly RecordedRow[] }) {
  const { showChannel } = useUnits();
  const shown = CHANNEL_NAMES.filter((name) => name !== 'ect_c' && latest(rows, name) !== null);
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-4 text-sm">
      {shown.map((name) => {
        const value = latest(rows, name)!;
        return (
          <div key={name} className="contents">
            <dt>{CHANNELS[name].label}</dt>
            <dd className="text-right font-semibold tabular-nums">{showChannel(name, value)}</dd>
          </div>
        );
      })}
    </dl>
  );
}
