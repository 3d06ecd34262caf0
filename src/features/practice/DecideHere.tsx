'use client';

import { useState } from 'react';
import { CAUSES, type Cause } from '@/core/base';
import { ACTION_KINDS, actionSpec, pricesFor, type ActionKind, type Figures } from '@/core/case';
import { causeName } from '@/core/evidence';
import { repairCost, type PracticeSheet } from '@/core/practice';
import { moneyText } from '@/job/money';
import { SelectField } from '@/ui/SelectField';

/** What one holds it to be, how surely, and what one does about it. */
export interface Decided {
  readonly cause: Cause;
  readonly certainty: number;
  readonly action: ActionKind;
}

/** Decides on a cause with a certainty, and on what is done. */
export function DecideHere({
  sheet,
  figures,
  onDecide,
}: {
  sheet: PracticeSheet;
  figures: Figures;
  onDecide: (decided: Decided) => void;
}) {
  const prices = pricesFor(sheet.vehicle, figures.ownPrices);
  const [cause, setCause] = useState<Cause | ''>('');
  const [certainty_pct, setCertainty] = useState(70);
  const [action, setAction] = useState<ActionKind | ''>('');
  const actions = ACTION_KINDS.filter((a) => !actionSpec(a).onlyHeated || sheet.vehicle.thermostat.heated);
  return (
    <form
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (cause === '' || action === '') return;
        onDecide({ cause, certainty: certainty_pct / 100, action });
        // Pressed twice is done once.
        setAction('');
      }}
    >
      <SelectField
        label="What is it?"
        empty="Choose"
        value={cause}
        options={CAUSES.map((c) => ({ value: c, says: causeName(c) }))}
        onChange={setCause}
      />
      <label className="block">
        <span className="flex items-baseline justify-between leading-tight font-semibold">
          How sure are you? <span className="text-4xl type-sign">{certainty_pct} %</span>
        </span>
        <input
          type="range"
          className="range mt-1 w-full"
          min={10}
          max={99}
          value={certainty_pct}
          onChange={(e) => setCertainty(Number(e.target.value))}
        />
      </label>
      <SelectField
        label="What do you do?"
        empty="Choose"
        value={action}
        options={actions.map((value) => {
          const cost = repairCost({ action: value, cured: true }, prices);
          return { value, says: `${actionSpec(value).says}: ${cost.minutes} min, ${moneyText(cost.money, prices)}` };
        })}
        onChange={setAction}
      />
      <p className="text-sm">
        A car that is not cured comes back: {moneyText(prices.comeBack, prices)} more. Your first certainty is the one
        that counts.
      </p>
      <button type="submit" className="btn btn-primary" disabled={cause === '' || action === ''}>
        Do it
      </button>
    </form>
  );
}
