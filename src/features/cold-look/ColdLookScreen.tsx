'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { checkCap, checkMix, checkRails, compareSoak, mendFirst } from '@/core/diagnosis';
import type { UnitFamily } from '@/core/base';
import { checkResistance, curveOf } from '@/core/sender';
import { setDerivedAnswers } from '@/storage/answers';
import { loadJob, updateCold } from '@/storage/jobs';
import { NO_COLD_READINGS, type ColdReadings, type JobRecord, type VehicleRecord } from '@/storage/records';
import { QuantityInput } from '@/ui/QuantityInput';
import { SavedText } from '@/ui/SavedText';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { CheckRow } from './CheckRow';
import { readingError, type ReadingName } from './coldFields';
import { CoolGate } from './CoolGate';
import { OverheatingOrder } from './OverheatingOrder';

/** Items that readings answer by themselves. */
const DERIVED = ['soak-agreement', 'unplug-rails', 'look-cap-weak', 'sender-resistance'] as const;

/** The two resistance readings against the sender's curve; those not taken are left out. */
function resistances(vehicle: VehicleRecord, cold: ColdReadings) {
  const pairs = [
    [cold.ohmCold_c, cold.ohmCold_ohm],
    [cold.ohmWarm_c, cold.ohmWarm_ohm],
  ] as const;
  return pairs.flatMap(([temp_c, ohm]) =>
    temp_c === null || ohm === null || !(ohm > 0) ? [] : [checkResistance(vehicle.senderPoints, temp_c, ohm)],
  );
}

/** Answers that the readings give, with the readings as their words. */
function derive(vehicle: VehicleRecord, cold: ColdReadings, show: (c: number) => string) {
  const ohms = resistances(vehicle, cold);
  const soak = compareSoak(cold);
  const rails = checkRails(cold);
  const cap = checkCap(vehicle.vehicle, cold.capRated_kpa, cold.capMeasured_kpa);
  const capKnown = cold.capMeasured_kpa !== null && (cold.capRated_kpa ?? vehicle.vehicle.coolant.cap_kpa) !== null;
  return [
    ...(soak?.answers ?? []).map((a) => ({
      ...a,
      detail: `coolant ${show(cold.soakEct_c ?? NaN)}, ${Math.abs(soak!.difference_k).toFixed(0)} K ${soak!.difference_k < 0 ? 'below' : 'above'} the others`,
    })),
    ...(rails?.answers ?? []).map((a) => ({
      ...a,
      detail: `unplugged ${show(cold.unplugged_c ?? NaN)}, bridged ${show(cold.bridged_c ?? NaN)}`,
    })),
    ...(ohms.length === 2
      ? [
          {
            itemId: 'sender-resistance',
            answer: ohms.some((o) => o.off) ? 0 : 1,
            detail: ohms.map((o) => `${o.error_k >= 0 ? '+' : ''}${o.error_k.toFixed(0)} K`).join(', '),
          },
        ]
      : []),
    ...(capKnown ? [{ itemId: 'look-cap-weak', answer: cap.weak ? 0 : 1, detail: 'measured' }] : []),
  ];
}

function Checks({ job, vehicle }: { job: JobRecord; vehicle: VehicleRecord }) {
  const { showTemperature } = useUnits();
  const toast = useToast();
  const cold = job.cold ?? NO_COLD_READINGS;
  const put = async (change: Partial<ColdReadings>) => {
    const next = await updateCold(job.id, change);
    if (!next.ok) return toast({ kind: 'error', text: next.error.message });
    await setDerivedAnswers(job.id, DERIVED, derive(vehicle, next.value, showTemperature));
  };
  const field = (name: ReadingName, label: string, family: UnitFamily | null, unit?: string) => (
    <QuantityInput
      id={name}
      label={label}
      family={family}
      {...(unit === undefined ? {} : { unit })}
      value={cold[name]}
      error={readingError(name, cold[name])}
      onChange={(value) => {
        if (value === null || (!Number.isNaN(value) && readingError(name, value) === undefined))
          void put({ [name]: value });
      }}
    />
  );
  const ohms = resistances(vehicle, cold);
  const soak = compareSoak(cold);
  const rails = checkRails(cold);
  const cap = checkCap(vehicle.vehicle, cold.capRated_kpa, cold.capMeasured_kpa);
  const mix = cold.freeze_c === null ? null : checkMix(cold.freeze_c);
  const boils = (c: number | null) => (c === null ? null : showTemperature(c));
  return (
    <>
      <ol>
        <CheckRow
          job={job}
          step={1}
          title="Level against the cold mark"
          why="Low level or air makes sender and heater lie both ways. It is fixed first, and is more often a result than the cause."
          itemId="look-level-low"
        >
          {field('level_mm', 'Above the mark', null, 'mm')}
          {field('levelAt_c', 'Read at', 'temperature')}
        </CheckRow>
        <CheckRow
          job={job}
          step={2}
          title="Topped up since the last drive?"
          why="A level that keeps falling is a leak, boiling off, or air that settled."
          itemId="look-topped-up"
        />
        <CheckRow
          job={job}
          step={3}
          title="Leaks: hoses, pump, radiator, heater, tank"
          why="Dry and full does not prove that there is no air."
          itemId="look-leak"
          caution="Coolant is poisonous, sweet to pets and children. Cover containers, mop up at once, no drink bottles."
        />
        <CheckRow
          job={job}
          step={4}
          title="Coolant: strength, colour, age"
          why="Colour is dye, not chemistry. Strength by refractometer, on the scale of its glycol."
          caution="Label jars, keep shut; do not smell or taste."
          result={mix ? `About ${Math.round(mix.glycol_pct)} % glycol. ${mix.says}` : null}
        >
          {field('freeze_c', 'Freezes at', 'temperature')}
          {field('coolantYears', 'In the car for', null, 'years')}
        </CheckRow>
        <CheckRow
          job={job}
          step={5}
          title="Pressure cap"
          why="A low cap boils early; over-pressure comes only from one that sticks."
          result={
            cold.capMeasured_kpa === null
              ? boils(cap.boilsRated_c) && `Boils at ${boils(cap.boilsRated_c)} under its rating.`
              : `Boils at ${boils(cap.boilsMeasured_c)} as measured${cap.boilsRated_c === null ? '' : `, ${boils(cap.boilsRated_c)} as rated`}.${cap.weak ? ' Weak: replace it.' : ''}`
          }
        >
          {field('capRated_kpa', 'Stamped', 'pressure')}
          {field('capMeasured_kpa', 'Releases at', 'pressure')}
        </CheckRow>
        <CheckRow
          job={job}
          step={6}
          title="Fan turned by hand"
          why="A stiff fan blows its fuse again; a dead one shows only at standstill."
          itemId="look-fan-stiff"
          caution="An electric fan can start with the key off. Unplug or disconnect before hands go near."
        />
        <CheckRow
          job={job}
          step={7}
          title="Radiator face, winter cover"
          why="Dirt and a forgotten cover look like a fan or flow fault."
          itemId="look-radiator-face"
          caution="Remove winter cover when warmer or climbing."
        />
        <CheckRow
          job={job}
          step={8}
          title="Belt and hoses"
          why="A slipping belt or a collapsed hose is lost flow."
          itemId="look-belt"
        />
        <CheckRow
          job={job}
          step={9}
          title="Key on, engine off, after a night"
          why="Coolant, intake air, outside air and a probe should agree within a few degrees. The sender is then known cold."
          result={soak ? soak.says : null}
        >
          {field('soak_h', 'Stood for', null, 'h')}
          {field('soakEct_c', 'Coolant', 'temperature')}
          {field('soakIat_c', 'Intake air', 'temperature')}
          {field('soakOutside_c', 'Outside', 'temperature')}
          {field('soakProbe_c', 'Probe', 'temperature')}
        </CheckRow>
        <CheckRow
          job={job}
          step={10}
          title="Sender unplugged, then bridged"
          why="The reading must go to the cold rail and to the hot rail: then wire and control unit are sound."
          caution="Key off before unplugging; fit shields."
          result={rails ? rails.says : null}
        >
          {field('unplugged_c', 'Unplugged reads', 'temperature')}
          {field('bridged_c', 'Bridged reads', 'temperature')}
        </CheckRow>
        <CheckRow
          job={job}
          step={11}
          title="Sender resistance, cold and warm"
          why={
            curveOf(vehicle.senderPoints).own
              ? 'Against the curve written down for this vehicle. A constant error is offset, one that grows hot is resistance in the plug.'
              : 'Against the common family: this vehicle\u2019s own curve is not written down. Add it on the vehicle\u2019s page.'
          }
          caution="Do not feel hot hoses; use a probe or infrared thermometer."
          result={
            ohms.length === 0
              ? null
              : ohms
                  .map(
                    (o) =>
                      `Expected ${Math.round(o.expected_ohm)} Ω: ${o.off ? `off by ${o.error_k.toFixed(0)} K` : 'on the curve'}.`,
                  )
                  .join(' ')
          }
        >
          {field('ohmCold_c', 'Cold, at', 'temperature')}
          {field('ohmCold_ohm', 'Cold', null, 'Ω')}
          {field('ohmWarm_c', 'Warm, at', 'temperature')}
          {field('ohmWarm_ohm', 'Warm', null, 'Ω')}
        </CheckRow>
      </ol>
      <div className="mt-4 max-w-xl">
        <SavedText id="cold-notes" label="Notes" value={cold.notes} rows={2} onSave={(notes) => put({ notes })} />
      </div>
    </>
  );
}

/** The cold look: a guided list in safe order. Everything can be skipped; what is answered enters the evidence. */
export function ColdLookScreen({ jobId }: { jobId: string }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  if (!detail) return null;
  const mend = mendFirst(detail.job.answers);
  return (
    <div className="mx-auto max-w-6xl px-5 pt-4 pb-16">
      {mend.map((says) => (
        <p
          key={says}
          role="alert"
          className="mb-3 border-l-8 border-error pl-3 text-lg font-semibold"
          data-testid="mend-first"
        >
          Before a drive: {says}
        </p>
      ))}
      <CoolGate />
      <Checks job={detail.job} vehicle={detail.vehicle} />
      <OverheatingOrder />
      <p className="mt-4 text-sm">
        Skip what you cannot see. The maker&rsquo;s instructions and local rules come first.
      </p>
      <Link href={`/jobs/${jobId}/drive`} className="btn mt-4 btn-lg btn-primary">
        Go on to the drive
      </Link>
    </div>
  );
}
