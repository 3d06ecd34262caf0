'use client';

import { fillsToLimit } from '@/core/coolant';
import { cleanerTimer } from '@/core/procedure';
import { standingReading } from '@/core/case';
import {
  cleanerDose,
  cyclesUntil,
  type DrainState,
  FLUSH_LOOPS,
  FLUSH_WAYS,
  flushAdvice,
  leftAfter_pct,
  PLACE_CAUTIONS,
} from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { useUnits } from '@/ui/units';
import { WaitTimer } from '../WaitTimer';

const YES_NO = [
  { key: 'yes', says: 'yes' },
  { key: 'no', says: 'no' },
] as const;

const SIGNS: readonly { readonly key: keyof DrainState['signs']; readonly says: string }[] = [
  { key: 'deposits', says: 'Sediment, crust or sludge found' },
  { key: 'spoilt', says: 'Brown, gritty, or two kinds' },
  { key: 'oldParts', says: 'Old plastic, brittle hoses or core' },
];

/** A cleaner by its label: dose by capacity, its least and most time, and a timer. */
function CleanerCard() {
  const { vehicle } = useJob();
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { cleaner } = sheet.drain;
  const set = (to: Partial<DrainState['cleaner']>) => put('drain', (now) => ({ cleaner: { ...now.cleaner, ...to } }));
  const { can_l, treats_l, lost_l, least_min, most_min } = cleaner;
  const dose =
    can_l !== null && treats_l !== null
      ? cleanerDose({ can_l, treats_l }, vehicle.vehicle.coolant.volume_l, lost_l ?? 0)
      : null;
  const volume = (key: 'can_l' | 'treats_l' | 'lost_l', label: string, high: number, hint: string) => (
    <RangedInput
      id={`cleaner-${key}`}
      label={label}
      family="volume"
      digits={2}
      hint={hint}
      value={cleaner[key]}
      low={key === 'lost_l' ? 0 : 0.01}
      high={high}
      onValue={(v) => set({ [key]: v })}
      onEmptied={() => set({ [key]: null })}
    />
  );
  const minutes = (key: 'least_min' | 'most_min', label: string, hint: string) => (
    <RangedInput
      id={`cleaner-${key}`}
      label={label}
      family={null}
      unit="min"
      digits={0}
      hint={hint}
      value={cleaner[key]}
      low={1}
      high={20_000}
      onValue={(v) => set({ [key]: v })}
      onEmptied={() => set({ [key]: null })}
    />
  );
  return (
    <div className="border-t border-base-content/20 pt-3">
      <h3 className="text-xl type-sign">Cleaner</h3>
      <Cautions className="mt-1" of={PLACE_CAUTIONS.cleaner} />
      <TextField
        id="cleaner-name"
        label="Which, as on the label"
        className="mt-2 max-w-md"
        value={cleaner.name}
        onText={(name) => set({ name })}
      />
      <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
        {volume('can_l', 'One can', 50, 'by its label')}
        {volume('treats_l', 'Treats', 500, 'litres of system')}
        {volume('lost_l', 'Let out again', 100, 'when the level is lowered')}
        {minutes('least_min', 'At least', 'by the label')}
        {minutes('most_min', 'At most', 'ask, if the label is silent')}
      </div>
      {dose && (
        <p className="mt-1 text-lg font-bold" data-testid="cleaner-dose">
          {show('volume', dose.dose_l, 2)}, {dose.cans} {dose.cans === 1 ? 'can' : 'cans'}: by the capacity, not by what
          was drained.
        </p>
      )}
      {least_min !== null && most_min === null && (
        <p className="mt-1 border-l-4 border-warning pl-3 text-sm">
          A label with a least time only: ask for the most. Some harm soft metals.
        </p>
      )}
      {least_min !== null && most_min !== null && most_min < least_min && (
        <p role="alert" className="mt-1 text-error">
          The most time is shorter than the least: one of the two is wrong.
        </p>
      )}
      {least_min !== null && (most_min === null || most_min >= least_min) && (
        <div className="mt-2">
          <WaitTimer
            kind="cleaner"
            procedure={cleanerTimer(60 * least_min, most_min === null ? null : 60 * most_min)}
          />
        </div>
      )}
    </div>
  );
}

/** Whether to flush, by what way, how often, and what is left of the old. */
export function Flush() {
  const { vehicle, entries } = useJob();
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { drain, plan } = sheet;
  const capacity_l = vehicle.vehicle.coolant.volume_l;
  const age_years = standingReading(entries, 'coolant')?.values.age_years ?? null;
  const advice = flushAdvice({ ...drain.signs, age_years });
  const each_l = drain.drainEach_l === null ? null : Math.min(capacity_l, drain.drainEach_l);
  const cycles = each_l === null ? null : cyclesUntil(capacity_l, each_l, drain.until_pct);
  const waterless = plan.coolant.kind === 'waterless';
  return (
    <section aria-labelledby="flush-title" className="space-y-4">
      <div>
        <h2 id="flush-title" className="text-2xl type-sign">
          Flush
        </h2>
        <p className="mt-1 leading-snug" data-testid="flush-advice">
          <strong>{advice.flush ? 'Flush it' : 'No need'}.</strong> {advice.why}{' '}
          {advice.flush && advice.gentle ? 'Gently: no hose pressure on old parts.' : ''}
        </p>
        <ul className="mt-2 space-y-1">
          {SIGNS.map(({ key, says }) => {
            const stands = drain.signs[key];
            const chosen = stands === null ? null : stands ? 'yes' : 'no';
            return (
              <li key={key} className="flex flex-wrap items-center justify-between gap-3">
                <span>{says}</span>
                <AnswerButtons
                  label={says}
                  answers={YES_NO}
                  chosen={chosen}
                  onChoose={(k) =>
                    put('drain', (now) => ({ signs: { ...now.signs, [key]: k === chosen ? null : k === 'yes' } }))
                  }
                />
              </li>
            );
          })}
        </ul>
      </div>
      <div className="border-t border-base-content/20 pt-3">
        <AnswerButtons
          label="Way to flush"
          answers={[
            { key: 'gentle', says: 'Gentle cycles' },
            { key: 'hose', says: 'By hose' },
          ]}
          chosen={drain.way}
          onChoose={(k) => put('drain', { way: k === drain.way ? null : (k as DrainState['way']) })}
        />
        {(drain.way === null ? (['gentle', 'hose'] as const) : ([drain.way] as const)).map((way) => (
          <div key={way} className="mt-2" data-step={`flush-${way}`}>
            <p className="leading-snug">{FLUSH_WAYS[way].says}</p>
            <Cautions className="mt-1" of={FLUSH_WAYS[way].cautions} />
          </div>
        ))}
        <p className="mt-1 text-sm type-label">What is missed keeps the old: {FLUSH_LOOPS.join(', ').toLowerCase()}.</p>
        <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
          <RangedInput
            id="drain-each"
            label="Runs out each time"
            family="volume"
            digits={2}
            value={drain.drainEach_l}
            low={0.01}
            high={capacity_l}
            onValue={(drainEach_l) => put('drain', { drainEach_l })}
            onEmptied={() => put('drain', { drainEach_l: null })}
          />
          <RangedInput
            id="until-pct"
            label="Old allowed to stay"
            family={null}
            unit="%"
            value={drain.until_pct}
            low={0.1}
            high={100}
            onValue={(until_pct) => put('drain', { until_pct })}
          />
        </div>
        {each_l !== null && cycles !== null && (
          <div className="flex flex-wrap items-center gap-4">
            <p className="flex-1 text-lg leading-snug" data-testid="flush-cycles">
              <strong className="text-3xl type-sign">{cycles} cycles</strong> of {show('volume', each_l, 1)} leave{' '}
              {leftAfter_pct(capacity_l, each_l, cycles).toFixed(1)} % old. Done {drain.flushed}:{' '}
              {leftAfter_pct(capacity_l, each_l, drain.flushed).toFixed(1)} % left.
            </p>
            <button
              type="button"
              className="btn min-h-14 btn-lg"
              onClick={() => put('drain', (now) => ({ flushed: now.flushed + 1 }), 'One cycle done.')}
            >
              Cycle done
            </button>
          </div>
        )}
      </div>
      <CleanerCard />
      {waterless && (
        <div className="border-t border-base-content/20 pt-3" data-testid="waterless">
          <h3 className="text-xl type-sign">Dry for waterless</h3>
          <Cautions className="mt-1" of={PLACE_CAUTIONS.waterless} />
          <label className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="checkbox"
              checked={drain.dried}
              onChange={(e) => put('drain', { dried: e.target.checked })}
            />
            Blown out, every loop, and left to drip
          </label>
          <RangedInput
            id="water-limit"
            label="Water allowed by the supplier"
            family={null}
            unit="%"
            value={drain.waterLimit_pct}
            low={0.1}
            high={50}
            onValue={(waterLimit_pct) => put('drain', { waterLimit_pct })}
          />
          {each_l !== null && each_l < capacity_l && (
            <p className="leading-snug">
              {fillsToLimit(each_l / capacity_l, drain.waterLimit_pct).fills} fills of drying fluid leave{' '}
              {fillsToLimit(each_l / capacity_l, drain.waterLimit_pct).left_pct.toFixed(1)} % water: test it, do not
              trust the count.
            </p>
          )}
        </div>
      )}
    </section>
  );
}
