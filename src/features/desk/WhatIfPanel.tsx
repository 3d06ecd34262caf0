'use client';

import { useEffect, useMemo, useState } from 'react';
import type { UnitFamily } from '@/core/base';
import { prepareWhatIf, WHAT_IF_RANGES, type WhatIf, type WhatIfDrive } from '@/core/desk';
import { outsideGiven_c } from '@/core/case';
import type { Finding } from '@/core/judge';
import { monitorText } from '@/core/monitor';
import { useJob } from '@/job/JobProvider';
import type { TraceRecord } from '@/storage/records';
import type { Curve } from '@/ui/picture/lane';
import { useUnits } from '@/ui/units';

interface SliderSpec {
  readonly name: keyof WhatIf;
  readonly label: string;
  readonly family: UnitFamily | null;
  readonly unit: string;
  readonly step: number;
  /** Shown times this, for shares. */
  readonly times: number;
}

const SLIDERS: readonly SliderSpec[] = [
  { name: 'rated_c', label: 'Thermostat stamped', family: 'temperature', unit: '°C', step: 1, times: 1 },
  { name: 'opening_k', label: 'Opens off its stamp by', family: 'temperatureDifference', unit: 'K', step: 1, times: 1 },
  { name: 'leak', label: 'Flow past the shut valve', family: null, unit: '%', step: 0.01, times: 100 },
  { name: 'offset_k', label: 'Sender off by', family: 'temperatureDifference', unit: 'K', step: 1, times: 1 },
  { name: 'series_ohm', label: 'Resistance in the plug', family: null, unit: 'Ω', step: 5, times: 1 },
  { name: 'outside_c', label: 'Outside', family: 'temperature', unit: '°C', step: 1, times: 1 },
  { name: 'heater_pct', label: 'Cabin blower', family: null, unit: '%', step: 5, times: 1 },
  { name: 'cover_pct', label: 'Radiator covered', family: null, unit: '%', step: 5, times: 1 },
  { name: 'altitude_m', label: 'Height above the sea', family: null, unit: 'm', step: 100, times: 1 },
];

function Slider({
  spec,
  value,
  base,
  onChange,
}: {
  spec: SliderSpec;
  value: number | null;
  base: number | null;
  onChange: (value: number) => void;
}) {
  const { show } = useUnits();
  const [low, high] = WHAT_IF_RANGES[spec.name];
  const shown = (v: number | null) =>
    v === null
      ? 'as it was'
      : spec.family
        ? show(spec.family, v, 0)
        : `${Number((v * spec.times).toFixed(0))} ${spec.unit}`;
  const id = `what-if-${spec.name}`;
  return (
    <div className="grid grid-cols-[9.5rem_minmax(0,1fr)_5rem] items-center gap-2">
      <label htmlFor={id} className="text-sm leading-tight">
        {spec.label}
      </label>
      <input
        id={id}
        type="range"
        className="range w-full range-xs"
        min={low}
        max={high}
        step={spec.step}
        value={value ?? 0}
        aria-valuetext={shown(value)}
        onChange={(e) => onChange(Number(e.target.value))}
      />
      <span className={`text-right text-sm whitespace-nowrap ${value !== base ? 'font-bold' : ''}`}>
        {shown(value)}
      </span>
    </div>
  );
}

/** Says when a changed drive sets the code with nothing broken. */
function nothingBroken(change: WhatIf, drive: WhatIfDrive): boolean {
  const { sound } = drive;
  return change.leak <= sound.leak && change.opening_k === 0 && change.offset_k === 0 && change.series_ohm === 0;
}

/** What the sender would have shown. */
function curveOf(change: WhatIf, drive: WhatIfDrive): Curve {
  const run = drive.run(change);
  return {
    ...{ label: 'what if', colour: 'var(--color-accent)', width: 3, dash: '2 4' },
    ...{ time_s: run.time_s, values: run.reading_c },
  };
}

function Sliders({ drive, onCurve }: { drive: WhatIfDrive; onCurve: (curve: Curve | null) => void }) {
  const { figures, vehicle } = useJob();
  const { say, showTemperature } = useUnits();
  const [from, setFrom] = useState<'asFitted' | 'sound'>('asFitted');
  const [change, setChange] = useState<WhatIf>(drive.asFitted);
  const base = drive[from];
  const curve = useMemo(() => curveOf(change, drive), [change, drive]);
  useEffect(() => {
    onCurve(curve);
    return () => onCurve(null);
  }, [curve, onCurve]);
  const code = useMemo(() => drive.warmUpCode(change, figures.monitors, from), [drive, change, figures.monitors, from]);
  const begin = (which: 'asFitted' | 'sound') => {
    setFrom(which);
    setChange(drive[which]);
  };
  const last = curve.values[curve.values.length - 1]!;
  const colder = change.rated_c < vehicle.vehicle.thermostat.rated_c;
  return (
    <>
      <div className="join">
        {(
          [
            ['asFitted', 'As this drive was'],
            ['sound', 'Nothing broken'],
          ] as const
        ).map(([which, label]) => (
          <button
            key={which}
            type="button"
            className={`btn join-item btn-sm ${from === which ? 'btn-primary' : ''}`}
            aria-pressed={from === which}
            onClick={() => begin(which)}
          >
            {label}
          </button>
        ))}
      </div>
      <div className="mt-3 space-y-1.5">
        {SLIDERS.map((spec) => (
          <Slider
            key={spec.name}
            spec={spec}
            value={change[spec.name]}
            base={base[spec.name]}
            onChange={(v) => setChange({ ...change, [spec.name]: v })}
          />
        ))}
      </div>
      <p className="mt-3 leading-snug" data-testid="what-if-code" aria-live="polite">
        It would end at <strong className="text-xl type-sign">{showTemperature(last)}</strong>. <strong>P0128</strong>:{' '}
        {say(monitorText(code))}
        {code.wouldSet === true && nothingBroken(change, drive) && (
          <strong>
            {' '}
            Nothing is broken here
            {colder
              ? `: a part stamped ${showTemperature(change.rated_c)} in place of ${showTemperature(vehicle.vehicle.thermostat.rated_c)} sets it by itself.`
              : ': the conditions set it by themselves.'}
          </strong>
        )}
        {(change.offset_k !== 0 || change.series_ohm !== 0) &&
          ' The coolant itself is another: the sender tells it wrongly.'}
      </p>
      <button type="button" className="btn mt-2 btn-ghost btn-sm" onClick={() => setChange(base)}>
        Back to the start
      </button>
    </>
  );
}

/** Sliders over the fitted vehicle: the prediction follows the hand. */
export function WhatIfPanel({
  record,
  finding,
  onCurve,
}: {
  record: TraceRecord;
  finding: Finding;
  onCurve: (curve: Curve | null) => void;
}) {
  const { vehicle, entries } = useJob();
  const drive = useMemo(
    () =>
      prepareWhatIf(record.trace, vehicle.vehicle, finding, {
        memory: vehicle.goodTraceIds.includes(record.id) ? null : vehicle.memory,
        outside_c: outsideGiven_c(entries, record.importedAt),
      }),
    [record, vehicle, finding, entries],
  );
  return (
    <div data-testid="what-if">
      <p className="mb-2 text-sm leading-snug">
        The fitted vehicle on this very road, with something changed. The dotted curve is what the sender would have
        shown.
      </p>
      <Sliders key={record.id} drive={drive} onCurve={onCurve} />
    </div>
  );
}
