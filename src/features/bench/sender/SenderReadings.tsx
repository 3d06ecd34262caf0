'use client';

import { X } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import {
  checkSenderReadings,
  USUAL_TOLERANCE,
  type SenderBench,
  type SenderExplanation,
  type SenderReading,
  type SenderValue,
} from '@/core/bench';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import { RangedInput } from '@/ui/RangedInput';

const INSTRUMENTS: readonly { readonly of: SenderValue; readonly name: string; readonly unit: string }[] = [
  { of: 'ohm', name: 'Ohmmeter on the sender', unit: 'Ω' },
  { of: 'volt', name: 'Volts at the pin', unit: 'V' },
  { of: 'shown_c', name: 'Scan reading', unit: '' },
];

interface Draft {
  readonly true_c: number | null;
  readonly value: number | null;
}

const EMPTY: Draft = { true_c: null, value: null };

/** Adds readings and lists those that were taken, each with what it is off by. */
export function SenderReadings({
  bench,
  points,
  onChange,
}: {
  bench: SenderBench;
  points: SenderExplanation['points'];
  onChange: (to: (now: SenderBench) => SenderBench, says?: string) => void;
}) {
  const { say, show } = useUnits();
  const [of, setOf] = useState<SenderValue>(bench.readings.at(-1)?.of ?? 'ohm');
  const [draft, setDraft] = useState(EMPTY);
  const [round, setRound] = useState(0);
  const [tolerance, setTolerance] = useState<{ trueSd_k: number; sd_pct: number }>(USUAL_TOLERANCE);
  const [error, setError] = useState<string>();
  const add = (e: FormEvent) => {
    e.preventDefault();
    const { true_c, value } = draft;
    if (true_c === null || value === null) return setError('Both are needed: the temperature and what it reads.');
    const reading: SenderReading = { true_c, of, value, ...tolerance };
    const checked = checkSenderReadings([...bench.readings, reading], bench.circuit);
    if (!checked.ok) return setError(checked.error.message);
    setError(undefined);
    setDraft(EMPTY);
    setRound(round + 1);
    onChange((now) => ({ ...now, readings: [...now.readings, reading] }));
    document.getElementById('reading-true')?.focus();
  };
  const shown = (r: SenderReading) =>
    r.of === 'shown_c' ? show('temperature', r.value) : `${r.value} ${r.of === 'ohm' ? 'Ω' : 'V'}`;
  return (
    <div>
      <div className="flex flex-wrap gap-2 print:hidden" role="group" aria-label="Instrument">
        {INSTRUMENTS.map((i) => (
          <button
            key={i.of}
            type="button"
            aria-pressed={of === i.of}
            className={`btn min-h-11 ${of === i.of ? 'btn-neutral' : 'btn-outline'}`}
            onClick={() => setOf(i.of)}
          >
            {i.name}
          </button>
        ))}
      </div>
      <form className="mt-3 flex flex-wrap items-start gap-x-4 print:hidden" onSubmit={add} noValidate>
        <QuantityInput
          key={`t${round}`}
          id="reading-true"
          label="True temperature"
          family="temperature"
          value={draft.true_c}
          onChange={(true_c) => setDraft({ ...draft, true_c })}
        />
        {of === 'shown_c' ? (
          <QuantityInput
            key={`s${round}`}
            id="reading-value"
            label="Scan shows"
            family="temperature"
            value={draft.value}
            onChange={(value) => setDraft({ ...draft, value })}
          />
        ) : (
          <QuantityInput
            key={`${of}${round}`}
            id="reading-value"
            label="It reads"
            family={null}
            unit={of === 'ohm' ? 'Ω' : 'V'}
            digits={3}
            value={draft.value}
            onChange={(value) => setDraft({ ...draft, value })}
          />
        )}
        <button type="submit" className="btn mt-6 min-h-11 btn-primary">
          Add reading
        </button>
      </form>
      <div className="flex flex-wrap items-start gap-x-4" role="group" aria-label="Tolerances">
        <RangedInput
          id="reading-sd"
          label="Thermometer ±"
          family="temperatureDifference"
          hint="one standard deviation"
          value={tolerance.trueSd_k}
          low={0.05}
          high={20}
          onValue={(trueSd_k) => setTolerance({ ...tolerance, trueSd_k })}
        />
        {of !== 'shown_c' && (
          <RangedInput
            id="reading-pct"
            label="Meter ±"
            family={null}
            unit="%"
            value={tolerance.sd_pct}
            low={0.01}
            high={50}
            onValue={(sd_pct) => setTolerance({ ...tolerance, sd_pct })}
          />
        )}
      </div>
      {error && (
        <p role="alert" className="text-error">
          {say(error)} Nothing was added.
        </p>
      )}
      {bench.readings.length > 0 && (
        <table className="table mt-2 table-sm tabular-nums" data-testid="sender-readings">
          <thead className="text-base-content">
            <tr>
              <th className="text-right">True</th>
              <th className="text-right">Reads</th>
              <th className="text-right">Off by</th>
              <th>
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {bench.readings.map((r, i) => {
              const point = points[i];
              return (
                <tr key={i}>
                  <td className="text-right">{show('temperature', r.true_c, 1)}</td>
                  <td className="text-right">{shown(r)}</td>
                  <td className="text-right font-semibold">
                    {point &&
                      (point.rail
                        ? `at the ${point.rail} rail`
                        : `${point.error_k < 0 ? '−' : '+'}${show('temperatureDifference', Math.abs(point.error_k), 1)} ± ${show('temperatureDifference', point.sd_k, 1)}`)}
                  </td>
                  <td>
                    <button
                      type="button"
                      className="btn btn-square btn-ghost btn-xs print:hidden"
                      aria-label={`Remove the reading at ${show('temperature', r.true_c)}`}
                      onClick={() =>
                        onChange(
                          (now) => ({ ...now, readings: now.readings.filter((_, k) => k !== i) }),
                          `Reading at ${show('temperature', r.true_c)} removed.`,
                        )
                      }
                    >
                      <X aria-hidden className="size-4" />
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}
