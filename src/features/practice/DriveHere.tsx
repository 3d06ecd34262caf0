'use client';

import { useState } from 'react';
import { pricesFor, type Figures } from '@/core/case';
import { PLAN_TEMPLATES, planLength_s, type DrivePlan } from '@/core/planning';
import { driveCost, planOfTrace, type PracticeSheet } from '@/core/practice';
import type { Trace } from '@/core/base';
import { Cautions } from '@/job/Cautions';
import { driveCautions } from '@/job/driveCautions';
import { moneyText } from '@/job/money';
import { PhaseList, SOAKS } from '@/job/PhaseList';
import type { Shown } from '@/job/useRunning';
import { WorkLine } from '@/job/WorkLine';
import { SelectField } from '@/ui/SelectField';
import { useUnits } from '@/ui/units';

/** Longest drive of a practice, s. */
const LONGEST_S = 5400;
const BLOWER = [0, 40, 100] as const;

/** Plans a drive of the car at hand and logs it. */
export function DriveHere({
  sheet,
  figures,
  jobTrace,
  work,
  onDrive,
}: {
  sheet: PracticeSheet;
  figures: Figures;
  /** The drive of an own job; undefined where the car can be driven, or none was logged. */
  jobTrace: Trace | undefined;
  work: Shown;
  onDrive: (plan: DrivePlan) => void;
}) {
  const { showTemperature } = useUnits();
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  const [phases, setPhases] = useState<DrivePlan['phases']>(PLAN_TEMPLATES[0]!.phases);
  const [heater_pct, setHeater] = useState<number>(40);
  const [startExcess_k, setSoak] = useState<number>(0);
  if (sheet.source.kind === 'job') {
    const driven = sheet.steps.some((s) => s.kind === 'drive');
    if (!jobTrace) return <p>No drive was logged on this job.</p>;
    const plan = planOfTrace(jobTrace);
    const cost = driveCost(plan, prices);
    return (
      <>
        <p>The drive of the job is here; it cannot be driven another way.</p>
        <button type="button" className="btn mt-3 btn-primary" disabled={driven} onClick={() => onDrive(plan)}>
          Look at the drive: {Math.round(cost.minutes)} min, {moneyText(cost.money, prices)}
        </button>
      </>
    );
  }
  const plan: DrivePlan = { phases, heater_pct, startExcess_k, ambient_c: sheet.ambient_c ?? 10 };
  const cost = driveCost(plan, prices);
  const length_s = planLength_s(plan);
  const wrong = !phases.every((p) => p.duration_s >= 30)
    ? 'A phase lasts half a minute at least.'
    : length_s > LONGEST_S
      ? 'An hour and a half at most.'
      : null;
  return (
    <div>
      <PhaseList phases={phases} onChange={setPhases} />
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <SelectField
          label="Stood before"
          className="w-40"
          value={startExcess_k}
          options={SOAKS.map((s) => ({ value: s.startExcess_k as number, says: s.name }))}
          onChange={setSoak}
        />
        <SelectField
          label="Heater blower"
          className="w-28"
          value={heater_pct}
          options={BLOWER.map((pct) => ({ value: pct as number, says: `${pct} %` }))}
          onChange={setHeater}
        />
        <p className="pb-2">
          {sheet.ambient_c === null ? '' : `Outside ${showTemperature(sheet.ambient_c)}, as the day is.`}
        </p>
      </div>
      <Cautions className="mt-3" of={driveCautions(phases)} />
      {wrong !== null && (
        <p role="alert" className="mt-2 text-error">
          {wrong}
        </p>
      )}
      <button
        type="button"
        className="btn mt-3 btn-primary"
        disabled={wrong !== null || work.share !== null}
        onClick={() => onDrive(plan)}
      >
        Drive and log it: {Math.round(cost.minutes)} min, {moneyText(cost.money, prices)}
      </button>
      <WorkLine work={work} doing="Driving" />
    </div>
  );
}
