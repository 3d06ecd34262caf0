'use client';

import { format } from 'date-fns';
import { useState } from 'react';
import { bleedPlace, heatedAt, isColdLevel, levelsOf } from '@/core/case';
import { airVerdict, gasTestDue, PLACE_CAUTIONS } from '@/core/repair';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { useKeep } from '@/job/useKeep';
import { setMeasured, takeBack, undoEntries } from '@/storage/entries';
import { QuantityInput } from '@/ui/QuantityInput';
import { RangedInput } from '@/ui/RangedInput';
import { useUnits } from '@/ui/units';

const HEAD = {
  settled: 'Air is out',
  'air-settling': 'Air still leaving',
  'steady-loss': 'Losing coolant',
  'cannot-tell': 'Cannot tell yet',
} as const;

const HIGHEST_MM = 300;

/** Writes a level down: above the mark, at which temperature, filled up to where. */
function LevelForm() {
  const { job } = useJob();
  const keep = useKeep();
  const [heated, setHeated] = useState(false);
  const [mm, setMm] = useState<number | null>(null);
  const [at_c, setAt] = useState<number | null>(null);
  const [to_mm, setTo] = useState<number | null>(null);
  const [tried, setTried] = useState(false);
  const [entry, setEntry] = useState(0);
  const wrong =
    mm === null || !(Math.abs(mm) <= HIGHEST_MM)
      ? 'Type how far above the mark; below it is negative.'
      : at_c === null || !(at_c > -50 && at_c < 130)
        ? 'Type the coolant’s temperature: a hot level proves nothing.'
        : to_mm !== null && !(Math.abs(to_mm) <= HIGHEST_MM)
          ? 'That cannot be a level.'
          : null;
  const add = () => {
    setTried(true);
    if (wrong !== null) return;
    const values = {
      above_mark_mm: mm!,
      at_c: at_c!,
      ...(to_mm === null ? {} : { filled_to_mm: to_mm }),
      heat_cycles: heated ? 1 : 0,
    };
    // Each level is an entry of its own, named by the moment of the press: a try that is made again is the same level.
    const place = bleedPlace(Date.now());
    keep(() => setMeasured(job.id, { name: 'level', place }, values), {
      says: 'Level written down.',
      undo: undoEntries,
    });
    setHeated(false);
    setMm(null);
    setAt(null);
    setTo(null);
    setTried(false);
    setEntry(entry + 1);
  };
  return (
    <form
      key={entry}
      className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-1 print:hidden"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <QuantityInput
        id="bleed-level"
        label="Level above the mark"
        family="length"
        value={mm}
        error={tried && wrong !== null ? wrong : undefined}
        onChange={setMm}
      />
      <QuantityInput id="bleed-level-at" label="Coolant at" family="temperature" value={at_c} onChange={setAt} />
      <QuantityInput
        id="bleed-level-to"
        label="Filled up to"
        family="length"
        hint="empty: left as it is"
        value={to_mm}
        onChange={setTo}
      />
      <label className="mb-5 flex min-h-14 items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-lg"
          checked={heated}
          onChange={(e) => setHeated(e.target.checked)}
        />
        Warmed through since the level before
      </label>
      <button type="submit" className="btn mb-5 min-h-14 btn-lg btn-primary">
        Write the level down
      </button>
    </form>
  );
}

/** Air or a leak from cold level to cold level; bubbles cycle by cycle, and the gas test where they go on. */
export function AirPanel() {
  const { job, entries } = useJob();
  const { sheet, put } = useRepair();
  const keep = useKeep();
  const { show, showTemperature } = useUnits();
  const { bubbles, settled_mm } = sheet.bleed;
  const levels = levelsOf(entries, sheet.bleed.levels);
  const found = airVerdict(levels, settled_mm, heatedAt(entries));
  const takeOff = (at: number) => {
    const entry = entries.find((e) => e.kind === 'measurement' && e.name === 'level' && e.at === at);
    if (entry) keep(() => takeBack(job.id, entry.id), { says: 'Level taken off.', undo: undoEntries });
    // Older repairs kept their levels on the sheet.
    else put('bleed', (now) => ({ levels: now.levels.filter((l) => l.at !== at) }), 'Level taken off.');
  };
  const gas = gasTestDue(bubbles);
  return (
    <section aria-labelledby="air-title">
      <h2 id="air-title" className="text-[2.25rem] type-sign leading-none" data-testid="air-verdict">
        {HEAD[found.verdict]}
      </h2>
      <p className="mt-1 text-lg leading-snug" data-testid="air-says">
        {found.says}
      </p>
      <Cautions className="mt-1" of={PLACE_CAUTIONS.air} />
      <LevelForm />
      {levels.length > 0 && (
        <ol className="mt-1" data-testid="levels">
          {levels.map((level) => (
            <li key={level.at} className="flex flex-wrap items-center gap-x-4 border-t border-base-content/15 py-1">
              <span className="w-32 type-label">{format(level.at, 'd MMM HH:mm')}</span>
              <strong className="text-xl type-sign">{show('length', level.above_mark_mm, 1)}</strong>
              <span>{level.at_c === null ? '' : `at ${showTemperature(level.at_c)}`}</span>
              <span>{level.filledTo_mm === null ? '' : `filled to ${show('length', level.filledTo_mm, 1)}`}</span>
              {level.afterHeat && <span className="type-label">after a heat cycle</span>}
              {!isColdLevel(level) && <span className="font-semibold text-error">warm: does not count</span>}
              <button
                type="button"
                className="ml-auto min-h-11 underline underline-offset-4 print:hidden"
                onClick={() => takeOff(level.at)}
              >
                take off
              </button>
            </li>
          ))}
        </ol>
      )}
      <RangedInput
        id="settled"
        label="Counts as none, per cycle"
        family="length"
        value={settled_mm}
        low={0.5}
        high={50}
        onValue={(v) => put('bleed', { settled_mm: v })}
      />
      <div className="mt-3 border-t border-base-content/20 pt-2">
        <p className="font-semibold">
          Bubbles in this cycle? <span className="type-label">{bubbles.map((b) => (b ? 'yes' : 'no')).join(', ')}</span>
        </p>
        <div className="mt-1 flex gap-3 print:hidden">
          <button
            type="button"
            className="btn min-h-14 min-w-28 btn-outline btn-lg"
            onClick={() => put('bleed', (now) => ({ bubbles: [...now.bubbles, true] }), 'Bubbles, written down.')}
          >
            Bubbles
          </button>
          <button
            type="button"
            className="btn min-h-14 min-w-28 btn-outline btn-lg"
            onClick={() => put('bleed', (now) => ({ bubbles: [...now.bubbles, false] }), 'No bubbles, written down.')}
          >
            None
          </button>
        </div>
        {gas && (
          <div role="alert" className="mt-2 border-l-8 border-error pl-3" data-testid="gas-due">
            <p className="text-lg font-bold">Bubbles in three cycles on end: this is not air. Combustion-gas test.</p>
            <Cautions className="mt-1" of={PLACE_CAUTIONS.gas} />
            <div className="mt-1">
              <AnswerItem item="gas-test" label="Combustion-gas test" />
            </div>
          </div>
        )}
      </div>
    </section>
  );
}
