'use client';

import { max } from 'd3-array';
import { useMemo, useState } from 'react';
import { holdCheck, overCap, type MixBench } from '@/core/bench';
import { coolantState, standingReading, WEAK_CAP } from '@/core/case';
import { ambientPressure_kpa, boils_c, capFor_kpa, expansion, fillsToLimit, WATERLESS_LIMIT_PCT } from '@/core/coolant';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { useKeep } from '@/job/useKeep';
import { takeBack, undoEntries } from '@/storage/entries';
import { useUnits } from '@/ui/units';
import { WideTable } from '@/ui/WideTable';
import { MovePicture } from '../MovePicture';
import { useBenchTest } from '../useBenchTest';
import { BothWays, MixPanel } from './MixPanel';
import { RangedInput } from '@/ui/RangedInput';

const PLACE = 'cold-look';
const BENCH = 'bench';
const MIX = { of: 'mix', part: 'old' } as const;
const NO_MIX: MixBench = { of: 'mix', glycol: 'ethylene', scale: 'ethylene', reads_c: -37 };
/** Below this a hot engine is near boiling, K. */
const LITTLE_K = 10;

/** Where it boils under the cap as stamped, as measured and dead, and what is left above the hottest reading. */
function BoilingTable({ glycol, glycol_pct }: { glycol: MixBench['glycol']; glycol_pct: number }) {
  const { traces, entries, vehicle, figures } = useJob();
  const { show } = useUnits();
  const cap = standingReading(entries, 'cap', PLACE);
  const stamped = cap?.values.stamped_kpa ?? vehicle.vehicle.coolant.cap_kpa;
  const measured = cap?.values.releases_kpa;
  const ambient_kpa = ambientPressure_kpa(figures.altitude_m);
  const hottest = useMemo(() => {
    const [latest] = traces;
    const top = latest && max(latest.trace.channels.ect_c, (v) => (Number.isFinite(v) ? v : undefined));
    return top === undefined ? null : { c: top, file: latest!.fileName };
  }, [traces]);
  const mix = { glycol, glycol_pct, ambient_kpa };
  const rows = [
    ...(stamped === null ? [] : [{ name: 'Cap as stamped', kpa: stamped }]),
    ...(measured === undefined ? [] : [{ name: 'Cap as measured', kpa: measured }]),
    { name: 'Cap dead or off', kpa: 0 },
  ].map((r) => ({ ...r, boils: boils_c({ ...mix, cap_kpa: r.kpa }) }));
  const weak = stamped !== null && measured !== undefined && measured < WEAK_CAP * stamped;
  const now = rows.find((r) => r.name === 'Cap as measured') ?? rows[0]!;
  const margin = hottest === null ? null : now.boils - hottest.c;
  return (
    <section aria-labelledby="boil-title">
      <h2 id="boil-title" className="text-2xl type-sign">
        Where it boils
      </h2>
      <p className="mt-1 text-[2.25rem] type-sign leading-none" data-testid="boils-now">
        {show('temperature', now.boils)} <span className="text-xl">{now.name.toLowerCase()}</span>
      </p>
      {hottest !== null && margin !== null && (
        <p className={`mt-1 ${margin < LITTLE_K ? 'font-semibold text-error' : ''}`} data-testid="boil-margin">
          {margin > 0
            ? `${show('temperatureDifference', margin)} above the hottest reading of ${hottest.file}, ${show('temperature', hottest.c)}.`
            : `The hottest reading of ${hottest.file}, ${show('temperature', hottest.c)}, lies past it: it boiled.`}
        </p>
      )}
      <WideTable label="Where it boils by cap">
        <table className="table mt-2 max-w-xl table-sm tabular-nums">
          <thead className="text-base-content">
            <tr>
              <th>Cap</th>
              <th className="text-right">Holds</th>
              <th className="text-right">Boils at</th>
              {hottest && <th className="text-right">Left on this trace</th>}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.name}>
                <td>{r.name}</td>
                <td className="text-right">{show('pressure', r.kpa)}</td>
                <td className="text-right font-semibold">{show('temperature', r.boils, 1)}</td>
                {hottest && <td className="text-right">{show('temperatureDifference', r.boils - hottest.c)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </WideTable>
      {weak && (
        <p role="alert" className="mt-1 border-l-4 border-warning pl-3">
          The cap releases well below its stamp: it costs{' '}
          {show(
            'temperatureDifference',
            boils_c({ ...mix, cap_kpa: stamped! }) - boils_c({ ...mix, cap_kpa: measured! }),
          )}
          . Replace it by one of the right rating; a stronger one is no cure.
        </p>
      )}
      {hottest && capFor_kpa(hottest.c + LITTLE_K, mix) > 0 && (
        <p className="mt-1 text-sm">
          To keep {show('temperatureDifference', LITTLE_K)} above that reading the cap must hold{' '}
          {show('pressure', capFor_kpa(hottest.c + LITTLE_K, mix))}.
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-5" role="group" aria-label="Pressure cap">
        <MeasuredField name="cap" value="stamped_kpa" place={PLACE} reading={cap} />
        <MeasuredField name="cap" value="releases_kpa" place={PLACE} reading={cap} />
      </div>
      <Cautions className="mt-1" of={['never-open-hot']} />
      <p className="mt-1 text-sm text-base-content/75">
        Saturation pressure of water: IAPWS-IF97, region 4; water activity from the table’s boiling point; air pressure:
        ISO 2533 at {Math.round(figures.altitude_m)} m.
      </p>
      <MovePicture entryId={cap?.id ?? null} />
    </section>
  );
}

/** A closed system pumped up, a cap, a gas test: steps with what they mean. */
function RecordedTests() {
  const { entries, vehicle } = useJob();
  const { say, show } = useUnits();
  const hold = standingReading(entries, 'hold', BENCH);
  const { start_kpa, end_kpa, minutes } = hold?.values ?? {};
  const cap_kpa = vehicle.vehicle.coolant.cap_kpa;
  const found =
    start_kpa !== undefined && end_kpa !== undefined && minutes !== undefined
      ? holdCheck({ start_kpa, end_kpa, minutes }, 2)
      : null;
  return (
    <section aria-labelledby="tests-title" className="space-y-4 border-t border-base-content/20 pt-3">
      <h2 id="tests-title" className="text-2xl type-sign">
        Tests of the closed system
      </h2>
      <div>
        <h3 className="text-lg font-bold">Pressure hold, cold</h3>
        <p className="text-sm">
          Fill it cold, fit the tester, pump to what the cap holds
          {cap_kpa === null ? '' : `, ${show('pressure', cap_kpa)}`}, never above. Read after ten minutes or more.
        </p>
        <Cautions className="mt-1" of={['never-open-hot', 'goggles-and-gloves']} />
        <div className="mt-1 flex flex-wrap gap-5">
          {(['start_kpa', 'end_kpa', 'minutes'] as const).map((value) => (
            <MeasuredField key={value} name="hold" value={value} place={BENCH} reading={hold} />
          ))}
        </div>
        {start_kpa !== undefined && overCap(start_kpa, cap_kpa) === true && (
          <p role="alert" className="font-semibold text-error">
            Pumped above what the cap holds: let it down before a hose or the heater core gives way.
          </p>
        )}
        {found && (
          <p className="font-semibold" aria-live="polite" data-testid="hold-says">
            {say(found.says)}
          </p>
        )}
        <MovePicture entryId={hold?.id ?? null} />
      </div>
      <div>
        <h3 className="text-lg font-bold">Combustion-gas test</h3>
        <p className="text-sm">
          When bubbles go on after two or three bleeding cycles, or after a peak past the limit: test fluid or analyser
          over the open tank, engine idling and warming from cold. Never by smell. A change of colour is gas from a
          cylinder: gasket or head. None says only that none came while it ran.
        </p>
        <Cautions className="mt-1" of={['never-open-hot', 'carbon-monoxide', 'past-the-limit']} />
        <div className="mt-1">
          <AnswerItem item="gas-test" label="Combustion-gas test" />
        </div>
      </div>
    </section>
  );
}

/** What the coolant grows by, and how often a waterless filling must be changed. */
function Volumes({ glycol, glycol_pct }: { glycol: MixBench['glycol']; glycol_pct: number }) {
  const { vehicle } = useJob();
  const { show, showTemperature } = useUnits();
  const { volume_l } = vehicle.vehicle.coolant;
  const [cold_c, setCold] = useState(20);
  const [hot_c, setHot] = useState(90);
  const [drained_pct, setDrained] = useState(60);
  const [limit_pct, setLimit] = useState<number>(WATERLESS_LIMIT_PCT);
  const grows = expansion(glycol, glycol_pct, { from_c: cold_c, to_c: hot_c });
  const fills = fillsToLimit(drained_pct / 100, limit_pct);
  return (
    <section aria-labelledby="volumes-title" className="border-t border-base-content/20 pt-3">
      <h3 id="volumes-title" className="text-xl type-sign">
        Room to grow
      </h3>
      <div className="mt-1 flex flex-wrap items-start gap-5">
        <RangedInput
          id="grow-cold"
          label="From"
          family="temperature"
          value={cold_c}
          low={-50}
          high={140}
          onValue={setCold}
        />
        <RangedInput
          id="grow-hot"
          label="To"
          family="temperature"
          value={hot_c}
          low={-50}
          high={140}
          onValue={setHot}
        />
        <p className="pt-6" data-testid="grows">
          <strong className="text-xl">{(100 * grows).toFixed(1)} %</strong>: {show('volume', grows * volume_l, 2)} of
          the {show('volume', volume_l, 1)} rise into the tank between {showTemperature(cold_c)} and{' '}
          {showTemperature(hot_c)}.
        </p>
      </div>
      <h3 className="mt-3 text-xl type-sign">Waterless: water that stays</h3>
      <Cautions className="mt-1" of={['waterless']} />
      <div className="mt-1 flex flex-wrap items-start gap-5">
        <RangedInput
          id="dry-drained"
          label="Runs out each time"
          family={null}
          unit="%"
          digits={0}
          value={drained_pct}
          low={5}
          high={99}
          onValue={setDrained}
        />
        <RangedInput
          id="dry-limit"
          label="Water allowed"
          family={null}
          unit="%"
          hint="by its label"
          value={limit_pct}
          low={0.1}
          high={20}
          onValue={setLimit}
        />
        <p className="pt-6">
          <strong className="text-xl">{fills.fills} fillings</strong> leave {fills.left_pct.toFixed(1)} %. Blow out
          between, then test with a strip.
        </p>
      </div>
    </section>
  );
}

/** The coolant's desk: strength, boiling under the cap, what is left on this trace, and the tests of the closed system. */
export function CoolantDesk() {
  const { job, entries, vehicle, figures } = useJob();
  const keep = useKeep();
  const { test, entry, change } = useBenchTest<MixBench>(MIX, NO_MIX);
  const [draft, setDraft] = useState<Partial<MixBench>>({});
  const known = coolantState(entries, vehicle.vehicle, figures.altitude_m);
  const glycol = entry ? test.glycol : (draft.glycol ?? known.glycol);
  const scale = entry ? test.scale : (draft.scale ?? glycol);
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
      <div className="space-y-5">
        <MixPanel
          glycol={glycol}
          scale={scale}
          reads_c={entry ? test.reads_c : null}
          onEmptied={() => {
            if (!entry) return;
            keep(() => takeBack(job.id, entry.id), { says: 'The reading is taken back.', undo: undoEntries });
          }}
          onChange={(to) => {
            // Which glycol it is is no reading: it waits for the first one.
            if (!entry && to.reads_c === undefined) setDraft({ ...draft, ...to });
            else change((now) => ({ ...now, ...(entry ? {} : { glycol, scale }), ...to }));
          }}
        />
        <p className="text-sm type-label">
          Strength moves no odds: it decides where the coolant boils and freezes, and every limit follows it.
        </p>
        <BothWays key={`${glycol} ${Math.round(known.glycol_pct)}`} glycol={glycol} start_pct={known.glycol_pct} />
        <Volumes glycol={glycol} glycol_pct={known.glycol_pct} />
      </div>
      <div className="space-y-6">
        <BoilingTable glycol={glycol} glycol_pct={known.glycol_pct} />
        <RecordedTests />
        <Cautions of={['maker-first']} />
      </div>
    </div>
  );
}
