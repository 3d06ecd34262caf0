'use client';

import { Redo2, Trash2, Undo2 } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import {
  procedureErrors,
  PROCEDURE_USES,
  stepAdded,
  stepChanged,
  stepMoved,
  stepRemoved,
  writeProcedureFile,
  type Procedure,
  type ProcedureUse,
} from '@/core/procedure';
import { OrderedList } from '@/ui/OrderedList';
import { RangedInput } from '@/ui/RangedInput';
import { saveFile } from '@/ui/saveFile';
import { TextField } from '@/ui/TextField';
import { DryRun } from './DryRun';
import { StepFields } from './StepFields';
import { useProcedureDraft } from './useProcedureDraft';

const USE_NAME: Readonly<Record<ProcedureUse, string>> = { bleed: 'bleeding', flush: 'flushing', wait: 'waiting' };

function Head({ procedure, set }: { procedure: Procedure; set: (to: Partial<Procedure>) => void }) {
  return (
    <div className="grid grid-cols-1 gap-x-5 gap-y-3 sm:grid-cols-2">
      <TextField id="proc-name" label="Name" value={procedure.name} onText={(name) => set({ name })} />
      <TextField
        id="proc-variant"
        label="For which engines"
        hint="1.9 diesel, with second heater"
        most={2000}
        value={procedure.variant}
        onText={(variant) => set({ variant })}
      />
      <TextField
        id="proc-source"
        label="From where"
        hint="maker’s manual"
        most={2000}
        value={procedure.source}
        onText={(source) => set({ source })}
      />
      <TextField id="proc-page" label="Page" value={procedure.page} onText={(page) => set({ page })} />
      <TextField
        id="proc-conditions"
        label="Before it begins, by semicolons"
        className="sm:col-span-2"
        most={4000}
        hint="heater hot; air conditioning off; tank raised 15 cm"
        value={procedure.conditions.join('; ')}
        onText={(text) =>
          set({
            conditions: text
              .split(';')
              .map((c) => c.trim())
              .filter((c, i, all) => c !== '' && all.indexOf(c) === i),
          })
        }
      />
      <div className="flex flex-wrap gap-5 sm:col-span-2">
        <label className="block">
          <span className="block leading-tight font-semibold">For</span>
          <select
            className="select mt-1 w-36 text-base"
            value={procedure.use}
            onChange={(e) => set({ use: e.target.value as ProcedureUse })}
          >
            {PROCEDURE_USES.map((u) => (
              <option key={u} value={u}>
                {USE_NAME[u]}
              </option>
            ))}
          </select>
        </label>
        <RangedInput
          id="proc-stop"
          label="Engine off at"
          family="temperature"
          hint="empty: the vehicle’s own limit"
          value={procedure.stop_c}
          low={40}
          high={160}
          onValue={(stop_c) => set({ stop_c })}
          onEmptied={() => set({ stop_c: null })}
        />
        <RangedInput
          id="proc-minimum"
          label="In before the start"
          family="volume"
          digits={2}
          hint="empty: not stated"
          value={procedure.minimum_l}
          low={0}
          high={200}
          onValue={(minimum_l) => set({ minimum_l })}
          onEmptied={() => set({ minimum_l: null })}
        />
      </div>
    </div>
  );
}

const KEPT = {
  kept: 'Kept in this browser at every change.',
  keeping: 'Keeping the change.',
  'not kept': 'The last change could not be kept: save it as a file before you leave.',
} as const;

/** Where a shop writes its own procedure: kept at every key, undone, tried without a car, saved as a file. */
export function ProcedureEditor({ id }: { id: string }) {
  const { draft, change, kept, undo, redo } = useProcedureDraft(id);
  const [dry, setDry] = useState(false);
  // A field that is being typed in gives its words up to what the undo brings back.
  const leaveField = () => document.activeElement instanceof HTMLElement && document.activeElement.blur();
  const everywhere = { enableOnFormTags: true, preventDefault: true } as const;
  const onKey = (step: (() => void) | null) => () => {
    leaveField();
    step?.();
  };
  useHotkeys('mod+z', onKey(undo), everywhere);
  useHotkeys('mod+shift+z', onKey(redo), everywhere);
  if (draft === undefined) return <p className="p-8 type-label">Loading</p>;
  if (draft === null || !draft.ok) {
    return (
      <div className="p-8">
        <h1 className="text-3xl type-sign">{draft === null ? 'This procedure is not here' : 'It cannot be read'}</h1>
        {draft !== null && <p className="mt-2">{draft.error}</p>}
        <Link href="/procedures" className="btn mt-3">
          All procedures
        </Link>
      </div>
    );
  }
  const procedure = draft.value;
  const errors = procedureErrors(procedure);
  const keys = procedure.steps.map((_, i) => String(i));
  return (
    <div className="mx-auto max-w-5xl px-5 py-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="flex-1 text-4xl type-sign max-sm:basis-full">
          {procedure.name === '' ? 'A new procedure' : procedure.name}
        </h1>
        <button type="button" className="btn" disabled={!undo} onClick={() => undo?.()}>
          <Undo2 aria-hidden className="size-5" /> Undo
        </button>
        <button type="button" className="btn" disabled={!redo} onClick={() => redo?.()}>
          <Redo2 aria-hidden className="size-5" /> Redo
        </button>
        <button
          type="button"
          className="btn"
          onClick={() =>
            saveFile(`${procedure.name || 'procedure'}.json`, writeProcedureFile(procedure), 'application/json')
          }
        >
          Save as a file
        </button>
        <button type="button" className="btn btn-primary" disabled={errors.length > 0} onClick={() => setDry(!dry)}>
          Dry run
        </button>
      </div>
      <p role="status" className={`mt-1 type-label ${kept === 'not kept' ? 'text-error' : ''}`}>
        {KEPT[kept]}
      </p>
      {errors.length > 0 && (
        <ul className="mt-2 border-l-4 border-warning pl-3" data-testid="procedure-errors">
          {errors.map((e) => (
            <li key={e.says}>{e.says}</li>
          ))}
        </ul>
      )}
      {dry && errors.length === 0 ? (
        <div className="mt-5">
          <DryRun procedure={procedure} onClose={() => setDry(false)} />
        </div>
      ) : (
        <>
          <section aria-label="About it" className="mt-5">
            <Head procedure={procedure} set={(to) => change((p) => ({ ...p, ...to }))} />
          </section>
          <h2 className="mt-7 text-2xl type-sign">Steps</h2>
          <OrderedList
            testId="procedure-steps"
            items={procedure.steps.map((_, i) => ({
              key: String(i),
              name: `Step ${i + 1}`,
              content: (
                <>
                  <StepFields procedure={procedure} at={i} onStep={(to) => change((p) => stepChanged(p, i, to))} />
                  <button
                    type="button"
                    className="btn mb-2 btn-ghost"
                    aria-label={`Remove step ${i + 1}`}
                    onClick={() => change((p) => stepRemoved(p, i))}
                  >
                    <Trash2 aria-hidden className="size-5" /> Remove
                  </button>
                </>
              ),
            }))}
            onMove={(order) => {
              // One step and its neighbour changed places.
              const at = order.findIndex((key, i) => key !== keys[i]);
              if (at >= 0) change((p) => stepMoved(p, at, at + 1));
            }}
          />
          <button type="button" className="btn mt-3" onClick={() => change(stepAdded)}>
            Add a step
          </button>
        </>
      )}
    </div>
  );
}
