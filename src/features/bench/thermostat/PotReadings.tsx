'use client';

import { X } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import type { ThermostatBench, WaterReading } from '@/core/bench';
import { clock } from '@/ui/clock';
import { FileButton } from '@/ui/FileButton';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import { readBenchLog } from '../readBenchLog';
import { LIFT_DIGITS } from './PotFigures';
import { inOrderOfTime, isLogged } from './readingOrder';

/** Rows of the list; a log of a thousand readings is not read by eye. */
const LISTED = 60;
/** Temperatures kept of a log. */
const MOST_KEPT = 3000;
/** Steps by which a log is moved against the clock, s. */
const SHIFTS_S = [-60, -10, -1, 1, 10, 60] as const;

/** Typed readings with lift, a thermometer's log, and the list of all. */
export function PotReadings({
  bench,
  onAdd,
  onChange,
}: {
  bench: ThermostatBench;
  /** Says what is wrong with a reading, or null when it was kept. */
  onAdd: (reading: WaterReading) => string | null;
  onChange: (to: (now: ThermostatBench) => ThermostatBench, says?: string) => void;
}) {
  const { say, show, length } = useUnits();
  const [minute, setMinute] = useState<number | null>(null);
  const [water_c, setWater] = useState<number | null>(null);
  const [lift_mm, setLift] = useState<number | null>(null);
  const [round, setRound] = useState(0);
  const [error, setError] = useState<string | null>(null);
  const add = (e: FormEvent) => {
    e.preventDefault();
    if (minute === null || water_c === null || lift_mm === null) {
      return setError('All three are needed: minute, water, lift.');
    }
    const wrong = onAdd({ t_s: Math.round(600 * minute) / 10, water_c, lift_mm, state: null });
    setError(wrong);
    if (wrong !== null) return;
    setMinute(null);
    setWater(null);
    setLift(null);
    setRound(round + 1);
    document.getElementById('pot-minute')?.focus();
  };
  const open = async (file: File) => {
    const read = await readBenchLog(file, 'temperature');
    if (!read.ok) return setError(`${file.name}: ${read.error}`);
    const { time_s, values } = read.value;
    // Water changes slowly: of a fast logger every so many readings are kept.
    const step = Math.ceil(time_s.length / MOST_KEPT);
    const logged = time_s.flatMap((t_s, i): WaterReading[] =>
      i % step === 0 && Number.isFinite(values[i]) ? [{ t_s, water_c: values[i]!, lift_mm: null, state: null }] : [],
    );
    setError(null);
    onChange(
      (now) => ({ ...now, readings: inOrderOfTime([...now.readings.filter((r) => !isLogged(r)), ...logged]) }),
      `${file.name}: ${logged.length} temperatures.`,
    );
  };
  const logged = bench.readings.filter(isLogged).length;
  const seen = bench.readings.filter((r) => !isLogged(r));
  const listed = seen.length > 0 ? seen : bench.readings;
  return (
    <section aria-labelledby="typed-title">
      <h3 id="typed-title" className="text-xl type-sign">
        By rule and thermometer
      </h3>
      <form className="mt-1 flex flex-wrap items-start gap-x-4 print:hidden" onSubmit={add} noValidate>
        <QuantityInput
          key={`m${round}`}
          id="pot-minute"
          label="Minute"
          family={null}
          unit="min"
          digits={2}
          value={minute}
          onChange={setMinute}
        />
        <QuantityInput
          key={`w${round}`}
          id="pot-typed-water"
          label="Water"
          family="temperature"
          value={water_c}
          onChange={setWater}
        />
        <QuantityInput
          key={`l${round}`}
          id="pot-lift"
          label="Lift"
          family="length"
          value={lift_mm}
          digits={2}
          onChange={setLift}
        />
        <button type="submit" className="btn mt-6 min-h-11">
          Add reading
        </button>
        <div className="mt-6">
          <FileButton
            label="Thermometer log"
            accept=".csv,.txt,.tsv"
            testId="pot-log"
            className="btn min-h-11"
            onFile={(f) => void open(f)}
          >
            Open a thermometer’s log
          </FileButton>
        </div>
      </form>
      {error && (
        <p role="alert" className="text-error">
          {say(error)} Nothing was added.
        </p>
      )}
      {logged > 0 && (
        <div className="mt-1 flex flex-wrap items-center gap-2 text-sm">
          <span>{logged} temperatures of a log. It starts at the clock’s zero; move it by</span>
          {SHIFTS_S.map((by_s) => (
            <button
              key={by_s}
              type="button"
              className="btn btn-sm"
              onClick={() =>
                onChange((now) => ({
                  ...now,
                  readings: inOrderOfTime(now.readings.map((r) => (isLogged(r) ? { ...r, t_s: r.t_s + by_s } : r))),
                }))
              }
            >
              {by_s > 0 ? '+' : '−'}
              {Math.abs(by_s)} s
            </button>
          ))}
        </div>
      )}
      {listed.length > 0 && (
        <table className="table mt-2 table-sm tabular-nums" data-testid="pot-readings">
          <thead className="text-base-content">
            <tr>
              <th className="text-right">Time</th>
              <th className="text-right">Water</th>
              <th className="text-right">Valve</th>
              <th>
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {listed.slice(-LISTED).map((r) => (
              <tr key={r.t_s}>
                <td className="text-right">{clock(r.t_s)}</td>
                <td className="text-right">
                  {r.water_c === null ? 'from the log' : show('temperature', r.water_c, 1)}
                </td>
                <td className="text-right">
                  {r.lift_mm !== null ? show('length', r.lift_mm, LIFT_DIGITS[length] ?? 1) : (r.state ?? '–')}
                </td>
                <td>
                  <button
                    type="button"
                    className="btn btn-square btn-ghost btn-xs print:hidden"
                    aria-label={`Remove the reading at ${clock(r.t_s)}`}
                    onClick={() =>
                      onChange(
                        (now) => ({ ...now, readings: now.readings.filter((x) => x.t_s !== r.t_s) }),
                        `Reading at ${clock(r.t_s)} removed.`,
                      )
                    }
                  >
                    <X aria-hidden className="size-4" />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {listed.length > LISTED && (
        <p className="text-sm">
          The last {LISTED} of {listed.length} are listed.
        </p>
      )}
    </section>
  );
}
