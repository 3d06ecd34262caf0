'use client';

import { Link } from '@/ui/Link';
import { useDeferredValue, useMemo, useState } from 'react';
import {
  judgeThermostat,
  newThermostatBench,
  placeReadings,
  waxTemperatures,
  type ThermostatBench,
  type WaterReading,
} from '@/core/bench';
import { vehicleScale } from '@/core/limits';
import { useJob } from '@/job/JobProvider';
import { Cautions } from '@/job/Cautions';
import { AnswerButtons } from '@/ui/AnswerButtons';
import type { Lane } from '@/ui/picture/lane';
import { ScaledPicture } from '@/ui/picture/ScaledPicture';
import { useUnits } from '@/ui/units';
import { BenchHead } from '../BenchHead';
import { MovePicture } from '../MovePicture';
import { useBenchTest } from '../useBenchTest';
import { ColdLooks } from './ColdLooks';
import { LiftChart } from './LiftChart';
import { PotCard } from './PotCard';
import { PotFigures } from './PotFigures';
import { PotReadings } from './PotReadings';
import { inOrderOfTime } from './readingOrder';
import { RangedInput } from '@/ui/RangedInput';

const PARTS = [
  { key: 'old', says: 'Part that came out' },
  { key: 'new', says: 'New part, before it goes in' },
] as const;
/** Lag drawn beside the water, s: the middle of what waxes have. */
const DRAWN_LAG_S = 14;
const PICTURE = 250;

function useFinding(test: ThermostatBench) {
  const shown = useDeferredValue(test);
  return useMemo(() => {
    const placed = placeReadings(shown.readings);
    return { placed: placed.ok ? placed.value : [], judged: judgeThermostat(shown) };
  }, [shown]);
}

/** The thermostat's desk: cold looks, the pot, and what the valve did. */
export function ThermostatDesk() {
  const { job, vehicle, figures } = useJob();
  const { say, show } = useUnits();
  const { thermostat } = vehicle.vehicle;
  const [part, setPart] = useState<'old' | 'new'>('old');
  const first = useMemo(
    () => newThermostatBench(thermostat.rated_c, thermostat.full_open_c, figures.altitude_m),
    [thermostat, figures.altitude_m],
  );
  const ref = useMemo(() => ({ of: 'thermostat', part }) as const, [part]);
  const { test, entry, earlier, change, again } = useBenchTest<ThermostatBench>(ref, first);
  const { placed, judged } = useFinding(test);
  const waiting = judged.ok ? Math.max(0, test.readings.length - placed.length) : 0;
  const add = (reading: WaterReading): string | null => {
    const next = inOrderOfTime([...test.readings, reading]);
    const checked = placeReadings(next);
    if (!checked.ok) return checked.error.message;
    // A press without a temperature waits for the thermometer's log.
    change((now) => ({ ...now, readings: inOrderOfTime([...now.readings, reading]) }));
    return null;
  };
  const lane = useMemo((): Lane | null => {
    if (placed.length < 2) return null;
    const time_s = placed.map((r) => r.t_s);
    return {
      curves: [
        {
          label: 'wax, about',
          colour: 'var(--family-open)',
          width: 2,
          dash: '6 4',
          time_s,
          values: waxTemperatures(placed, DRAWN_LAG_S),
        },
        { label: 'water', colour: 'var(--trace)', time_s, values: placed.map((r) => r.water_c) },
      ],
      marks: [
        { kind: 'level', value: test.rated_c, bold: true },
        ...placed.flatMap((r, i) =>
          r.state !== null && placed.slice(0, i).findLast((b) => b.state !== null)?.state !== r.state
            ? [{ kind: 'moment', at_s: r.t_s, label: r.state } as const]
            : [],
        ),
      ],
    };
  }, [placed, test.rated_c]);
  const scale = vehicleScale(vehicle.vehicle, null);
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] print:grid-cols-1">
      <div className="space-y-5">
        <AnswerButtons
          label="Which part"
          answers={PARTS}
          chosen={part}
          onChoose={(key) => setPart(key as 'old' | 'new')}
        />
        {thermostat.heated && (
          <p className="border-l-4 border-primary pl-3">
            Electrically heated: in water it opens at its stamp, unheated.{' '}
            <Link href={`/jobs/${job.id}/bench/fan`} className="font-semibold underline underline-offset-4">
              Measure element, supply and control line
            </Link>{' '}
            before a part is ordered.
          </p>
        )}
        <div className="flex flex-wrap gap-4">
          <RangedInput
            id="stamp"
            label="Stamped"
            family="temperature"
            value={test.rated_c}
            low={40}
            high={130}
            onValue={(rated_c) => change((now) => ({ ...now, rated_c }))}
          />
          <RangedInput
            id="stamp-full"
            label="Fully open"
            family="temperature"
            hint="empty: not known"
            value={test.fullOpen_c}
            low={test.rated_c + 1}
            high={160}
            onValue={(fullOpen_c) => change((now) => ({ ...now, fullOpen_c }))}
            onEmptied={() => change((now) => ({ ...now, fullOpen_c: null }))}
          />
          <RangedInput
            id="thermometer"
            label="Thermometer ±"
            family="temperatureDifference"
            value={test.thermometerSd_k}
            low={0.05}
            high={20}
            onValue={(thermometerSd_k) => change((now) => ({ ...now, thermometerSd_k }))}
          />
          <RangedInput
            id="altitude"
            label="Height"
            family={null}
            unit="m"
            digits={0}
            value={test.altitude_m}
            low={-400}
            high={5000}
            onValue={(altitude_m) => change((now) => ({ ...now, altitude_m }))}
          />
        </div>
        {judged.ok && test.rated_c + 3 > judged.value.boils_c && (
          <p role="alert" className="border-l-4 border-warning pl-3">
            Water boils at {show('temperature', judged.value.boils_c, 1)} here: this valve cannot open fully in it. Use
            half glycol and water outdoors or under extraction; never a lid, never oil over a flame.
          </p>
        )}
        <Cautions of={['bench-water', 'never-open-hot']} />
        <p className="text-sm">
          {say(
            'Hang valve and thermometer free of pot and bottom, start cold, stir, heat slowly: under 5 K a minute near the stamp. Hold it hot for two minutes, then let it cool to see it shut.',
          )}
        </p>
        <PotCard onReading={add} />
        <ColdLooks bench={test} onChange={change} />
        <PotReadings key={part} bench={test} onAdd={add} onChange={change} />
        <div className="flex flex-wrap items-center gap-4">
          <BenchHead
            what="readings"
            count={test.readings.length}
            earlier={earlier.length}
            onAgain={() =>
              again(
                (now) => ({ ...now, readings: [], cleaned: false }),
                'A new test; the one before is kept in the chronicle.',
              )
            }
          />
          {test.readings.length > 0 && part === 'old' && (
            <button
              type="button"
              className="btn btn-sm"
              onClick={() =>
                again(
                  (now) => ({ ...now, readings: [], cleaned: true, deposits: false, lightWhenCold: null }),
                  'Cleaned: test it again. The test before is kept.',
                )
              }
            >
              Cleaned, test again
            </button>
          )}
          {test.cleaned && <span className="type-label">this test: after cleaning</span>}
        </div>
      </div>
      <div className="lg:sticky lg:top-4 lg:self-start print:order-first">
        {judged.ok ? (
          <PotFigures found={judged.value} />
        ) : (
          <p role="alert" className="text-error" data-testid="pot-error">
            {judged.error.path}: {say(judged.error.message)}
          </p>
        )}
        {waiting > 0 && (
          <p className="mt-2 border-l-4 border-primary pl-3" data-testid="waiting">
            {waiting === 1 ? 'One press waits' : `${waiting} presses wait`} for a temperature: type the water beside the
            button, or open the thermometer’s log.
          </p>
        )}
        {test.sealDamaged && (
          <p className="mt-2 border-l-4 border-warning pl-3">
            The seal is bad: coolant slips past whatever the valve does. Renew it first.
          </p>
        )}
        {test.cleaned && judged.ok && judged.value.verdict === 'good' && (
          <p className="mt-2 border-l-4 border-warning pl-3">
            Good after cleaning: what fouled it is still in the system. Flush before it goes back.
          </p>
        )}
        {judged.ok && placed.length > 1 && (
          <div className="mt-4">
            <LiftChart readings={placed} found={judged.value} rated_c={test.rated_c} />
          </div>
        )}
        {lane && (
          <div className="mt-4">
            <ScaledPicture
              scale={scale}
              height={PICTURE}
              testId="pot-picture"
              lane={lane}
              title="Water and wax over time"
            />
          </div>
        )}
        {part === 'old' ? (
          <MovePicture entryId={entry?.id ?? null} />
        ) : (
          <p className="mt-4">
            {judged.ok && judged.value.verdict === 'good'
              ? 'Passed: write the work down with “New part bench-tested”, and the risk of a bad part falls.'
              : 'A new part is held to the same: light when cold or the wrong opening sends it back.'}
          </p>
        )}
      </div>
    </div>
  );
}
