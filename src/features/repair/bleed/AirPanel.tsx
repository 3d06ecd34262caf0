'use client';

import { format } from 'date-fns';
import { useState } from 'react';
import { airVerdict, gasTestDue, isColdLevel, PLACE_CAUTIONS } from '@/core/repair';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { useKeep } from '@/job/useKeep';
import { setMeasured, undoEntries } from '@/storage/entries';
import { QuantityInput } from '@/ui/QuantityInput';
import { RangedInput } from '@/ui/RangedInput';
import { useUnits } from '@/ui/units';
import { without } from '../lists';

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
  const { put } = useRepair();
  const keep = useKeep();
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
    const at = Date.now();
    put('bleed', (now) => ({
      levels: [...now.levels, { ...{ id: crypto.randomUUID(), at, above_mark_mm: mm!, at_c }, filledTo_mm: to_mm }],
    }));
    // The same reading is evidence in the chronicle; each level of its own.
    keep(() => setMeasured(job.id, { name: 'level', place: `bleed ${at}` }, { above_mark_mm: mm!, at_c }), {
      says: 'Level written down.',
      undo: undoEntries,
    });
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
      <button type="submit" className="btn mb-5 min-h-14 btn-lg btn-primary">
        Write the level down
      </button>
    </form>
  );
}

/** Air or a leak from cold level to cold level; bubbles cycle by cycle, and the gas test where they go on. */
export function AirPanel() {
  const { sheet, put } = useRepair();
  const { show, showTemperature } = useUnits();
  const { levels, bubbles, settled_mm } = sheet.bleed;
  const found = airVerdict(levels, settled_mm);
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
            <li key={level.id} className="flex flex-wrap items-center gap-x-4 border-t border-base-content/15 py-1">
              <span className="w-32 type-label">{format(level.at, 'd MMM HH:mm')}</span>
              <strong className="text-xl type-sign">{show('length', level.above_mark_mm, 1)}</strong>
              <span>{level.at_c === null ? '' : `at ${showTemperature(level.at_c)}`}</span>
              <span>{level.filledTo_mm === null ? '' : `filled to ${show('length', level.filledTo_mm, 1)}`}</span>
              {!isColdLevel(level) && <span className="font-semibold text-error">warm: does not count</span>}
              <button
                type="button"
                className="ml-auto min-h-11 underline underline-offset-4 print:hidden"
                onClick={() => put('bleed', (now) => ({ levels: without(now.levels, level.id) }), 'Level taken off.')}
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
