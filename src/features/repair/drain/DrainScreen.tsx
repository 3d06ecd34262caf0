'use client';

import { format } from 'date-fns';
import { DRAIN_STEPS, PLACE_CAUTIONS, type SampleJar } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';
import { WasteForm } from '@/job/WasteForm';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { Disagreements } from '../Disagreements';
import { changed, without } from '../lists';
import { TickList, toggled } from '../TickList';
import { Flush } from './Flush';
import { FlowForm, FlowLines, OUT } from './FlowForm';
import { GentleFlush } from './GentleFlush';
import { Inside } from './Inside';

/** Jars to look at, one beside the other. */
function Jars() {
  const { sheet, put } = useRepair();
  const { jars } = sheet.drain;
  const add = () =>
    put('drain', (now) => ({
      jars: [...now.jars, { id: crypto.randomUUID(), at: Date.now(), label: `Jar ${now.jars.length + 1}`, looks: '' }],
    }));
  const set = (id: string, to: Partial<SampleJar>) => put('drain', (now) => ({ jars: changed(now.jars, id, to) }));
  return (
    <section aria-labelledby="jars-title">
      <h2 id="jars-title" className="text-2xl type-sign">
        Jars
      </h2>
      <Cautions className="mt-1" of={PLACE_CAUTIONS.jars} />
      <ul data-testid="jars">
        {jars.map((jar) => (
          <li key={jar.id} className="flex flex-wrap items-end gap-3 py-1">
            <TextField
              id={`jar-${jar.id}`}
              label={`Label, ${format(jar.at, 'd MMM HH:mm')}`}
              className="w-40"
              most={100}
              value={jar.label}
              onText={(label) => set(jar.id, { label })}
            />
            <TextField
              id={`looks-${jar.id}`}
              label="Looks, against white"
              className="min-w-48 flex-1"
              hint="clear, brown, sediment 2 mm"
              value={jar.looks}
              onText={(looks) => set(jar.id, { looks })}
            />
            <button
              type="button"
              className="btn btn-ghost print:hidden"
              onClick={() => put('drain', (now) => ({ jars: without(now.jars, jar.id) }), `${jar.label} taken off.`)}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="btn mt-1 print:hidden" onClick={add}>
        Keep a jar
      </button>
    </section>
  );
}

/** Draining and flushing: a ledger of what came out, and what is still inside. */
export function DrainScreen() {
  const { sheet, put } = useRepair();
  const { drain, fill } = sheet;
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
      <div className="space-y-7">
        <Inside />
        <section aria-labelledby="out-title">
          <h2 id="out-title" className="text-2xl type-sign">
            What comes out
          </h2>
          <FlowForm kinds={OUT} />
          <FlowLines />
          <div className="mt-3 flex flex-wrap items-start gap-x-5 gap-y-2">
            <RangedInput
              id="shortfall"
              label="Short before it was opened"
              family="volume"
              digits={2}
              hint="by the cold mark; empty: full"
              value={drain.shortfall_l}
              low={0}
              high={100}
              onValue={(shortfall_l) => put('drain', { shortfall_l })}
              onEmptied={() => put('drain', { shortfall_l: null })}
            />
            <RangedInput
              id="start-pct"
              label="Strength of the old"
              family={null}
              unit="%"
              hint="empty: not known"
              value={drain.start_pct}
              low={0}
              high={100}
              onValue={(start_pct) => put('drain', { start_pct })}
              onEmptied={() => put('drain', { start_pct: null })}
            />
          </div>
        </section>
        <section aria-labelledby="steps-title">
          <h2 id="steps-title" className="text-2xl type-sign">
            In this order
          </h2>
          <TickList
            steps={DRAIN_STEPS}
            done={fill.done}
            testId="drain-steps"
            onTick={(id) => put('fill', ({ done }) => ({ done: toggled(done, id, Date.now()) }))}
          />
        </section>
      </div>
      <div className="space-y-8">
        <Flush />
        {drain.way === 'gentle' && <GentleFlush />}
        <Jars />
        <WasteForm always />
        <Disagreements at="drain" />
        <Cautions of={['maker-first']} />
      </div>
    </div>
  );
}
