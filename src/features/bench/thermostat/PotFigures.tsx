'use client';

import type { Figure, ThermostatFinding, ThermostatVerdict } from '@/core/bench';
import { percent } from '@/job/jobWords';
import { useUnits } from '@/ui/units';

/** Verdicts as they stand on the desk. */
export const VERDICT_NAME: Readonly<Record<ThermostatVerdict, string>> = {
  good: 'Opens as stamped',
  'opens-early': 'Opens too early',
  'opens-late': 'Opens too late',
  'stuck-open': 'Open when cold',
  'stuck-closed': 'Does not open',
  leaks: 'Leaks when shut',
  'cannot-tell': 'Cannot tell yet',
};

/** Digits of a lift: a millimetre is a large step on an inch rule. */
export const LIFT_DIGITS: Readonly<Record<string, number>> = { mm: 1, in: 2 };

/** The verdict, largest, and every figure with its uncertainty. */
export function PotFigures({ found }: { found: ThermostatFinding }) {
  const { say, show, length: unit } = useUnits();
  const digits = LIFT_DIGITS[unit] ?? 1;
  const temperature = (f: Figure) => `${show('temperature', f.value, 1)} ± ${show('temperatureDifference', f.sd, 1)}`;
  const difference = (f: Figure) =>
    `${show('temperatureDifference', f.value, 1)} ± ${show('temperatureDifference', f.sd, 1)}`;
  const length = (f: Figure) => `${show('length', f.value, digits)} ± ${show('length', f.sd, digits)}`;
  const rows = [
    ['First movement', found.opens_c && temperature(found.opens_c)],
    ['Full lift', found.full_c && temperature(found.full_c)],
    ['Shut again', found.closes_c && temperature(found.closes_c)],
    ['Hysteresis', found.hysteresis_k && difference(found.hysteresis_k)],
    ['Lift', found.lift_mm && length(found.lift_mm)],
  ] as const;
  const told = found.verdict !== 'cannot-tell';
  return (
    <div data-testid="pot-verdict">
      <p className="flex flex-wrap items-baseline gap-3 text-[2.25rem] type-sign leading-none">
        {VERDICT_NAME[found.verdict]}
        {told && <span className="text-2xl">{percent(found.probability)}</span>}
      </p>
      <p className="mt-1">{say(found.reason)}</p>
      <dl className="mt-3 max-w-md tabular-nums">
        {rows.map(([name, value]) => (
          <div key={name} className="flex items-baseline justify-between border-t border-base-content/15 py-1">
            <dt>{name}</dt>
            <dd className={`text-right ${name === 'First movement' ? 'text-xl font-bold' : ''}`}>
              {value ?? <span className="type-label">not seen</span>}
            </dd>
          </div>
        ))}
      </dl>
      {found.heating_kpmin !== null && (
        <p className="mt-1 text-sm">
          {say(
            `Heated at ${found.heating_kpmin.toFixed(1)} K a minute; the lag of the wax is taken off. ± is one standard deviation.`,
          )}
        </p>
      )}
    </div>
  );
}
