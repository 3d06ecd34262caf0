'use client';

import { useState } from 'react';
import { curveOf, type CurvePoint } from '@/core/sender';
import type { VehicleRecord } from '@/storage/records';
import { useKeep } from '@/job/useKeep';
import { changeVehicle } from '@/storage/changeVehicle';
import { QuantityInput } from '@/ui/QuantityInput';

interface Draft {
  readonly temp_c: number | null;
  readonly ohm: number | null;
}

const NOT_KNOWN: Draft = { temp_c: null, ohm: null };

/** A figure that no point can have: not understood, or no resistance. */
const isWrong = (d: Draft): boolean => Number.isNaN(d.temp_c) || (d.ohm !== null && !(d.ohm > 0));

const isPoint = (d: Draft): d is CurvePoint => d.temp_c !== null && d.ohm !== null && !isWrong(d);

/** Three points of the coolant sender's curve, as its data sheet gives them. */
export function SenderSection({ vehicle }: { vehicle: VehicleRecord }) {
  const keep = useKeep();
  // What is typed stands over what is kept until it is kept too; then changes from elsewhere show.
  const [typed, setTyped] = useState<readonly Draft[] | null>(null);
  if (typed !== null && isKept(typed, vehicle.senderPoints)) setTyped(null);
  const drafts = typed ?? [0, 1, 2].map((i) => vehicle.senderPoints[i] ?? NOT_KNOWN);
  const put = (i: number, change: Partial<Draft>) => {
    const next = drafts.map((d, k) => (k === i ? { ...d, ...change } : d));
    setTyped(next);
    // A figure that cannot be waits in its field; what was kept of its point stays until then.
    if (next.some(isWrong)) return;
    const points = next.filter(isPoint);
    if (points.length === 0 || usable(points)) keep(() => changeVehicle(vehicle.id, { senderPoints: points }, false));
  };
  const points = drafts.filter(isPoint);
  return (
    <section className="mt-6">
      <h2 className="text-2xl type-sign">Coolant sender</h2>
      <p className="mt-1 text-sm">
        Three points of its own curve. Without them the cold look compares with a common family, which may not be its
        own.
      </p>
      <div className="mt-2 grid grid-cols-2 gap-x-4 min-[24rem]:grid-cols-3">
        {drafts.map((d, i) => (
          <div key={i}>
            <QuantityInput
              id={`sender-temp-${i}`}
              label={`Point ${i + 1}, at`}
              family="temperature"
              value={d.temp_c}
              onChange={(temp_c) => put(i, { temp_c })}
            />
            <QuantityInput
              id={`sender-ohm-${i}`}
              label={`Point ${i + 1}`}
              family={null}
              unit="Ω"
              value={d.ohm}
              error={d.ohm !== null && d.ohm <= 0 ? 'A resistance is above 0 Ω.' : undefined}
              keepWrong={isWrong(d)}
              onChange={(ohm) => put(i, { ohm })}
            />
          </div>
        ))}
      </div>
      {points.length === 3 && (
        <p role="status" className={usable(points) ? '' : 'text-error'}>
          {!usable(points)
            ? 'Not kept: resistance falls as it gets warmer, and no temperature comes twice. Mend a point.'
            : typed === null
              ? 'The curve is kept.'
              : 'Not kept yet.'}
        </p>
      )}
    </section>
  );
}

/** True when the store holds what was typed: three points, or none. Fewer keep their places on the screen alone. */
function isKept(typed: readonly Draft[], kept: readonly CurvePoint[]): boolean {
  const same = typed.every((d, i) => d.temp_c === (kept[i]?.temp_c ?? null) && d.ohm === (kept[i]?.ohm ?? null));
  return same && kept.length % typed.length === 0;
}

/** True when the points fall with temperature, as a sender's resistance does, and a curve goes through them. */
function usable(points: readonly CurvePoint[]): boolean {
  const sorted = [...points].sort((a, b) => a.temp_c - b.temp_c);
  const falls = sorted.every((p, i) => i === 0 || (p.ohm < sorted[i - 1]!.ohm && p.temp_c > sorted[i - 1]!.temp_c));
  return falls && Object.values(curveOf(points).curve).every(Number.isFinite);
}
