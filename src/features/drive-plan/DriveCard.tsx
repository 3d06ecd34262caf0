'use client';

import { causeName } from '@/core/evidence';
import { CAUTIONS } from '@/core/cautions';
import { PHASE_NAME, phaseSpeed_kmh, planLength_s, type PlanPrediction } from '@/core/planning';
import { useJob } from '@/job/JobProvider';
import type { PlanRecord } from '@/storage/records';
import { useUnits } from '@/ui/units';
import { checksOf } from './DueCheck';
import { driveCautions } from '@/job/driveCautions';
import { clock } from '@/ui/clock';

/** The drive on one sheet of paper, for the passenger. */
export function DriveCard({ plan, prediction }: { plan: PlanRecord; prediction: PlanPrediction | null }) {
  const { job, vehicle } = useJob();
  const { showTemperature, show } = useUnits();
  const speedOf = (kind: PlanRecord['phases'][number]['kind']): string => {
    const speed = phaseSpeed_kmh(kind);
    return speed ? `${show('speed', speed.low).replace(/ .*/, '')} to ${show('speed', speed.high)}` : '';
  };
  const opening = prediction?.opening_s ?? null;
  const checks = checksOf(plan, prediction);
  const starts = plan.phases.map((_, i) => planLength_s({ phases: plan.phases.slice(0, i) }));
  const fifth = prediction ? Math.max(1, Math.floor(prediction.time_s.length / 6)) : 1;
  return (
    <div className="hidden text-[11pt] leading-snug print:block" data-testid="drive-card">
      <div className="flex items-baseline justify-between border-b-2 border-black pb-1">
        <p className="text-2xl type-sign">{vehicle.plate}: warm-up drive</p>
        <p>{Math.round(planLength_s(plan) / 60)} min</p>
      </div>
      <p className="mt-1">
        {vehicle.vehicle.label}. Thermostat {showTemperature(vehicle.vehicle.thermostat.rated_c)}, at the{' '}
        {vehicle.vehicle.thermostat.location}. {job.complaint}
      </p>
      <p className="mt-2 border-2 border-black p-2 text-[13pt] font-bold">
        STOP at {showTemperature(plan.limit_c)}: heater and blower full, stop safely, engine off, do not open.
      </p>
      <p className="mt-2 font-semibold">
        {[
          ...(['driver-drives', 'no-hot-hoses', 'belts-and-fan', 'fan-starts-alone'] as const),
          ...driveCautions(plan.phases).filter((c) => c !== 'belts-and-fan'),
        ]
          .map((c) => CAUTIONS[c])
          .join(' ')}
      </p>
      <p className="mt-2">
        Log from key-on, every second or two: coolant, intake and outside air, road speed, engine speed, load or air
        flow, fan. Outside {showTemperature(plan.ambient_c)}, heater {Math.round(plan.heater_pct)} %.{' '}
        {plan.startExcess_k === 0
          ? 'Start after a night, engine cold.'
          : 'Engine not fully cold: note how long it stood.'}
      </p>
      <table className="mt-3 w-full border-collapse">
        <caption className="text-left font-bold">Drive</caption>
        <tbody>
          {plan.phases.map((p, i) => (
            <tr key={i} className="border-b border-black/40">
              <td className="w-20 py-0.5 font-semibold">{clock(starts[i]!)}</td>
              <td>{PHASE_NAME[p.kind]}</td>
              <td>{speedOf(p.kind)}</td>
              <td className="text-right">{p.duration_s / 60} min</td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="mt-3 w-full border-collapse">
        <caption className="text-left font-bold">By hand</caption>
        <tbody>
          {checks.map((c) => (
            <tr key={c.itemId} className="border-b border-black/40">
              <td className="w-20 py-1.5 font-semibold">{clock(c.at_s)}</td>
              <td>{c.what}</td>
              <td className="w-44 border-l border-black/40" />
            </tr>
          ))}
        </tbody>
      </table>
      {prediction && (
        <table className="mt-3 w-full border-collapse">
          <caption className="text-left font-bold">
            What to expect
            {opening
              ? `. Opening due between minute ${Math.round(opening.early / 60)} and ${Math.round(opening.late / 60)}`
              : ''}
          </caption>
          <thead>
            <tr className="text-left">
              <th />
              {Array.from(prediction.time_s, (t, k) => ({ t, k }))
                .filter(({ k }) => k > 0 && k % fifth === 0)
                .map(({ t }) => (
                  <th key={t}>min {Math.round(t / 60)}</th>
                ))}
            </tr>
          </thead>
          <tbody>
            {prediction.bands.map((b) => (
              <tr key={b.cause} className="border-t border-black/40">
                <th className="py-0.5 text-left font-normal">{b.cause === 'healthy' ? 'Sound' : causeName(b.cause)}</th>
                {Array.from(b.mid_c, (c, k) => ({ c, k }))
                  .filter(({ k }) => k > 0 && k % fifth === 0)
                  .map(({ c, k }) => (
                    <td key={k}>
                      {b.cause === 'healthy'
                        ? `${showTemperature(b.low_c[k]!).replace(/ .*/, '')}-${showTemperature(b.high_c[k]!)}`
                        : showTemperature(c)}
                    </td>
                  ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-3">{CAUTIONS['maker-first']}</p>
    </div>
  );
}
