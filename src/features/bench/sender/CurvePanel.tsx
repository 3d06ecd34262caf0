'use client';

import { useState } from 'react';
import type { SenderBench } from '@/core/bench';
import {
  buildCurve,
  CURVE_RANGE_C,
  readPoints,
  SENDER_FAMILIES,
  type CurveSpec,
  type ReadingCircuit,
  USUAL_CIRCUIT,
} from '@/core/sender';
import { useUnits } from '@/ui/units';
import { RangedInput } from '@/ui/RangedInput';

const KINDS: readonly { readonly kind: CurveSpec['kind']; readonly name: string }[] = [
  { kind: 'family', name: 'A generic family' },
  { kind: 'points', name: 'Points, smoothed' },
  { kind: 'table', name: 'A table, followed exactly' },
  { kind: 'beta', name: 'One point and beta' },
];

/** A curve of a kind to begin with, from the one that stands. */
function begun(kind: CurveSpec['kind'], now: CurveSpec, which: SenderBench['which']): CurveSpec {
  if (kind === 'family') {
    return { kind, family: which === 'gauge' ? 'generic-gauge-hundreds' : 'generic-2k5' };
  }
  if (kind === 'beta') return { kind, ohm: 2500, at_c: 20, beta_k: 3500 };
  const points = 'points' in now ? now.points : [];
  return { kind, points };
}

const pasted = (points: readonly (readonly [number, number])[]): string =>
  points.map(([c, r]) => `${c}\t${r}`).join('\n');

/** Points typed or pasted: kept as soon as they make a curve, told where they do not. */
function PointsField({
  curve,
  onChange,
}: {
  curve: Extract<CurveSpec, { kind: 'points' | 'table' }>;
  onChange: (curve: CurveSpec) => void;
}) {
  const [text, setText] = useState(() => pasted(curve.points));
  const read = readPoints(text);
  const built = read.ok ? buildCurve({ ...curve, points: read.value }) : null;
  const wrong = !read.ok ? read.error : built && !built.ok ? built.error : null;
  const residuals = built?.ok ? built.value.residuals_k : [];
  const { say, show } = useUnits();
  const put = (next: string) => {
    setText(next);
    const points = readPoints(next);
    if (points.ok && buildCurve({ ...curve, points: points.value }).ok) onChange({ ...curve, points: points.value });
  };
  return (
    <div className="grid grid-cols-[minmax(0,15rem)_minmax(0,1fr)] gap-4">
      <label className="block">
        <span className="font-semibold">°C and Ω, one pair a line</span>
        <textarea
          className="textarea mt-1 w-full font-mono text-base"
          rows={5}
          value={text}
          placeholder={'20  2500\n80  320\n100  186'}
          aria-invalid={wrong !== null}
          onChange={(e) => put(e.target.value)}
        />
      </label>
      <div className="pt-6 text-sm" aria-live="polite">
        {wrong ? (
          <p className="text-error">
            {wrong.path}: {say(wrong.message)}
          </p>
        ) : (
          <>
            <p>The curve runs from the points by:</p>
            <ul data-testid="residuals">
              {residuals.map((k, i) => (
                <li key={i}>
                  {show('temperature', read.ok ? read.value[i]![0] : NaN)}: {k >= 0 ? '+' : '−'}
                  {show('temperatureDifference', Math.abs(k), 2)}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
    </div>
  );
}

/** Which curve the sender should follow. */
export function CurvePanel({
  bench,
  own,
  onChange,
}: {
  bench: SenderBench;
  /** Points written down for this vehicle. */
  own: readonly (readonly [number, number])[];
  onChange: (curve: CurveSpec) => void;
}) {
  const { curve, which } = bench;
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap gap-2" role="group" aria-label="How its curve is known">
        {KINDS.map(({ kind, name }) => (
          <button
            key={kind}
            type="button"
            aria-pressed={curve.kind === kind}
            className={`btn min-h-11 ${curve.kind === kind ? 'btn-neutral' : 'btn-outline'}`}
            onClick={() => onChange(begun(kind, curve, which))}
          >
            {name}
          </button>
        ))}
        {own.length >= 3 && (
          <button
            type="button"
            className="btn min-h-11 btn-outline"
            onClick={() => onChange({ kind: 'points', points: own })}
          >
            This vehicle’s points
          </button>
        )}
      </div>
      {curve.kind === 'family' && (
        <label className="block max-w-md">
          <span className="font-semibold">Family</span>
          <select
            className="select mt-1 w-full text-base"
            value={curve.family}
            onChange={(e) => onChange({ kind: 'family', family: e.target.value })}
          >
            {SENDER_FAMILIES.map((f) => (
              <option key={f.id} value={f.id}>
                {f.name}
              </option>
            ))}
          </select>
          <span className="text-sm">
            An example with usual figures, nobody’s specification: against it a resistance proves next to nothing.
          </span>
        </label>
      )}
      {(curve.kind === 'points' || curve.kind === 'table') && (
        <PointsField key={`${curve.kind} ${which}`} curve={curve} onChange={onChange} />
      )}
      {curve.kind === 'beta' && (
        <div className="flex flex-wrap gap-4">
          <RangedInput
            id="beta-ohm"
            label="Resistance"
            family={null}
            unit="Ω"
            value={curve.ohm}
            low={1}
            high={1_000_000}
            onValue={(ohm) => onChange({ ...curve, ohm })}
          />
          <RangedInput
            id="beta-at"
            label="At"
            family="temperature"
            value={curve.at_c}
            low={CURVE_RANGE_C[0]}
            high={CURVE_RANGE_C[1]}
            onValue={(at_c) => onChange({ ...curve, at_c })}
          />
          <RangedInput
            id="beta-k"
            label="Beta"
            family={null}
            unit="K"
            digits={0}
            value={curve.beta_k}
            low={1000}
            high={8000}
            onValue={(beta_k) => onChange({ ...curve, beta_k })}
          />
        </div>
      )}
    </div>
  );
}

/** The circuit in which the control unit reads it. */
export function CircuitPanel({
  circuit,
  onChange,
}: {
  circuit: ReadingCircuit | null;
  onChange: (circuit: ReadingCircuit) => void;
}) {
  const c = circuit ?? USUAL_CIRCUIT;
  return (
    <div className="flex flex-wrap gap-4">
      <RangedInput
        id="circuit-ref"
        label="Reference"
        family={null}
        unit="V"
        digits={2}
        value={c.reference_v}
        low={1}
        high={30}
        onValue={(reference_v) => onChange({ ...c, reference_v })}
      />
      <RangedInput
        id="circuit-pull"
        label="Pull-up"
        family={null}
        unit="Ω"
        digits={0}
        value={c.pullUp_ohm}
        low={1}
        high={1_000_000}
        onValue={(pullUp_ohm) => onChange({ ...c, pullUp_ohm })}
      />
      <RangedInput
        id="circuit-second"
        label="Second pull-up"
        family={null}
        unit="Ω"
        digits={0}
        hint="empty: none"
        value={c.second?.pullUp_ohm ?? null}
        low={1}
        high={1_000_000}
        onValue={(pullUp_ohm) => onChange({ ...c, second: { pullUp_ohm, from_c: c.second?.from_c ?? 50 } })}
        onEmptied={() => onChange({ ...c, second: null })}
      />
      {c.second && (
        <RangedInput
          id="circuit-from"
          label="Switched in from"
          family="temperature"
          value={c.second.from_c}
          low={-40}
          high={150}
          onValue={(from_c) => onChange({ ...c, second: { ...c.second!, from_c } })}
        />
      )}
      <RangedInput
        id="circuit-bits"
        label="Converter"
        family={null}
        unit="bits"
        digits={0}
        hint="empty: not known"
        value={c.bits}
        low={4}
        high={24}
        onValue={(bits) => onChange({ ...c, bits: Math.round(bits) })}
        onEmptied={() => onChange({ ...c, bits: null })}
      />
    </div>
  );
}
