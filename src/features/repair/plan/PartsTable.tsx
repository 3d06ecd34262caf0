'use client';

import { Trash2 } from 'lucide-react';
import type { Vehicle } from '@/core/base';
import { isThermostat, partDoubts, type PlannedPart, type RepairSheet } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { RatingEffect } from './RatingEffect';

const YES_NO = [
  { key: 'yes', says: 'yes' },
  { key: 'no', says: 'no' },
] as const;
const BUILDS = [
  { key: 'insert', says: 'insert alone' },
  { key: 'housing', says: 'whole housing' },
] as const;
const SOURCES = [
  { key: 'maker', says: 'maker’s' },
  { key: 'other', says: 'other' },
] as const;

const said = (v: boolean | null): string | null => (v === null ? null : v ? 'yes' : 'no');

/** One question about a part, in a line. */
function Asked({
  label,
  answers,
  chosen,
  onChoose,
}: {
  label: string;
  answers: readonly { readonly key: string; readonly says: string }[];
  chosen: string | null;
  onChoose: (key: string | null) => void;
}) {
  return (
    <div>
      <p className="leading-tight font-semibold">{label}</p>
      <div className="mt-1">
        <AnswerButtons
          label={label}
          answers={answers}
          chosen={chosen}
          onChoose={(key) => onChoose(key === chosen ? null : key)}
        />
      </div>
    </div>
  );
}

/** What a part costs, and what waits with it. */
function PartMoney({ part, onPart }: { part: PlannedPart; onPart: (change: Partial<PlannedPart>) => void }) {
  const field = (key: 'price' | 'deposit' | 'waitDays', label: string, unit: string, high: number) => (
    <RangedInput
      id={`${key}-${part.id}`}
      label={label}
      family={null}
      unit={unit}
      digits={2}
      value={part[key]}
      low={0}
      high={high}
      onValue={(v) => onPart({ [key]: v })}
      onEmptied={() => onPart({ [key]: null })}
    />
  );
  return (
    <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
      {field('price', 'Price', '', 1e6)}
      {field('deposit', 'Deposit', '', 1e6)}
      {field('waitDays', 'Here in', 'days', 400)}
      <TextField
        id={`warranty-${part.id}`}
        label="Warranty until"
        className="w-44"
        type="date"
        value={part.warrantyUntil}
        onText={(warrantyUntil) => onPart({ warrantyUntil })}
      />
      {part.deposit !== null && part.deposit > 0 && (
        <label className="flex min-h-11 items-center gap-2 pt-5">
          <input
            type="checkbox"
            className="checkbox"
            checked={part.depositBackAt !== null}
            onChange={(e) => onPart({ depositBackAt: e.target.checked ? Date.now() : null })}
          />
          Old part sent back
        </label>
      )}
    </div>
  );
}

function PartRow({
  part,
  vehicle,
  onPart,
  onRemove,
}: {
  part: PlannedPart;
  vehicle: Vehicle;
  onPart: (change: Partial<PlannedPart>) => void;
  onRemove: () => void;
}) {
  const thermostat = isThermostat(part);
  const doubts = partDoubts(part, vehicle);
  return (
    <li className="border-t border-base-content/20 py-3" data-testid="planned-part">
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          id={`part-${part.id}`}
          label="Part"
          className="w-64"
          value={part.name}
          onText={(name) => onPart({ name })}
        />
        <TextField
          id={`note-${part.id}`}
          label="Where from, remarks"
          className="min-w-48 flex-1"
          value={part.note}
          onText={(note) => onPart({ note })}
        />
        <button
          type="button"
          className="btn btn-square btn-ghost"
          aria-label={`Remove ${part.name}`}
          onClick={onRemove}
        >
          <Trash2 aria-hidden className="size-5" />
        </button>
      </div>
      {thermostat && (
        <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
          <RangedInput
            id={`rated-${part.id}`}
            label="Rated"
            family="temperature"
            value={part.rated_c}
            low={20}
            high={140}
            onValue={(rated_c) => onPart({ rated_c })}
            onEmptied={() => onPart({ rated_c: null })}
          />
          <Asked
            label="Build"
            answers={BUILDS}
            chosen={part.build}
            onChoose={(build) => onPart({ build: build as PlannedPart['build'] })}
          />
          <Asked
            label="Whose"
            answers={SOURCES}
            chosen={part.source}
            onChoose={(source) => onPart({ source: source as PlannedPart['source'] })}
          />
          <Asked
            label="Seal included?"
            answers={YES_NO}
            chosen={said(part.sealIncluded)}
            onChoose={(key) => onPart({ sealIncluded: key === null ? null : key === 'yes' })}
          />
          <Asked
            label="Vent present?"
            answers={YES_NO}
            chosen={said(part.vent)}
            onChoose={(key) => onPart({ vent: key === null ? null : key === 'yes' })}
          />
        </div>
      )}
      <PartMoney part={part} onPart={onPart} />
      {doubts.map((says) => (
        <p key={says} className="mt-1 border-l-4 border-warning pl-3 text-sm leading-snug">
          {says}
        </p>
      ))}
      {thermostat && part.rated_c !== null && part.rated_c !== vehicle.thermostat.rated_c && (
        <RatingEffect fitted_c={part.rated_c} />
      )}
    </li>
  );
}

/** Parts of the plan: what is known of each, and what is in doubt. */
export function PartsTable() {
  const { vehicle } = useJob();
  const { sheet, change } = useRepair();
  const { parts } = sheet.plan;
  const set = (to: (parts: readonly PlannedPart[]) => readonly PlannedPart[], says?: string) =>
    change((s): RepairSheet => ({ ...s, plan: { ...s.plan, parts: to(s.plan.parts) } }), says);
  const add = () =>
    set((all) => [
      ...all,
      {
        ...{ id: crypto.randomUUID(), name: '', work: null, rated_c: null, build: null, source: null },
        ...{ sealIncluded: null, vent: null, price: null, deposit: null, depositBackAt: null, waitDays: null },
        ...{ warrantyUntil: '', note: '' },
      },
    ]);
  return (
    <section aria-labelledby="parts-title" className="print:hidden">
      <h2 id="parts-title" className="text-2xl type-sign">
        Parts
      </h2>
      {parts.length === 0 && <p className="mt-1">None yet: say above what is done, or add one.</p>}
      <ul className="mt-2">
        {parts.map((part) => (
          <PartRow
            key={part.id}
            part={part}
            vehicle={vehicle.vehicle}
            onPart={(to) => set((all) => all.map((p) => (p.id === part.id ? { ...p, ...to } : p)))}
            onRemove={() => set((all) => all.filter((p) => p.id !== part.id), `${part.name || 'Part'} removed.`)}
          />
        ))}
      </ul>
      <button type="button" className="btn mt-1" onClick={add}>
        Add a part
      </button>
    </section>
  );
}
