'use client';

import type { ReactNode } from 'react';
import { clutchNotes, elementCheck, fanCheck, type CircuitNote } from '@/core/bench';
import { standingReading, valuesOf, type MeasurementName } from '@/core/case';
import type { CautionId } from '@/core/cautions';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { Glyph, type GlyphShape } from '@/ui/Glyph';
import { familyColour } from '@/ui/colours';
import { MovePicture } from '../MovePicture';
import { FaultTree } from './FaultTree';

const PLACE = 'bench';
const LOOK: Readonly<Record<CircuitNote['kind'], { readonly shape: GlyphShape; readonly colour: string }>> = {
  sound: { shape: 'circle', colour: familyColour('sound') },
  fault: { shape: 'diamond', colour: familyColour('sender') },
  look: { shape: 'square', colour: familyColour('flow') },
};

/** What readings mean, the faults first. */
function Notes({ notes }: { notes: readonly CircuitNote[] }) {
  const order = { fault: 0, look: 1, sound: 2 } as const;
  const sorted = [...notes].sort((a, b) => order[a.kind] - order[b.kind]);
  return (
    <ul className="mt-2 space-y-1.5" aria-live="polite" data-testid="circuit-notes">
      {sorted.map((n) => (
        <li key={n.says} className="grid grid-cols-[1rem_minmax(0,1fr)] gap-2">
          <span className="pt-1.5">
            <Glyph shape={LOOK[n.kind].shape} colour={LOOK[n.kind].colour} size={12} />
          </span>
          <span className={n.kind === 'fault' ? 'font-semibold' : ''}>{n.says}</span>
        </li>
      ))}
    </ul>
  );
}

/** A measured circuit: its values, what they mean, and how they moved the odds. */
function Circuit({
  title,
  name,
  why,
  cautions,
  notesOf,
  children,
}: {
  title: string;
  name: MeasurementName;
  why: string;
  cautions: readonly CautionId[];
  notesOf: (values: Readonly<Record<string, number>>) => readonly CircuitNote[];
  children?: ReactNode;
}) {
  const { entries } = useJob();
  const reading = standingReading(entries, name, PLACE);
  return (
    <section aria-label={title} className="border-t border-base-content/20 pt-3">
      <h3 className="text-xl type-sign">{title}</h3>
      <p className="mt-1 text-sm leading-snug">{why}</p>
      <Cautions className="mt-1" of={cautions} />
      <div className="mt-2 flex flex-wrap gap-5">
        {Object.keys(valuesOf(name)).map((value) => (
          <MeasuredField key={value} name={name} value={value} place={PLACE} reading={reading} />
        ))}
      </div>
      {children}
      <Notes notes={notesOf(reading?.values ?? {})} />
      <MovePicture entryId={reading?.id ?? null} />
    </section>
  );
}

/** The desk for fans and circuits: the tree, currents, and the heater of a thermostat before a part is ordered. */
export function FanDesk() {
  const { vehicle } = useJob().vehicle;
  const { engine, fan, thermostat } = vehicle;
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        {engine.hybrid && (
          <div className="mb-3" role="alert">
            <Cautions className="text-base font-semibold" of={['orange-cables']} />
          </div>
        )}
        <h2 className="text-2xl type-sign">
          {fan.kind === 'electric' ? 'Fan: from the easy end' : 'Fan driven by the engine'}
        </h2>
        <p className="text-sm">Tick off what was looked at; move a step where your shop does it differently.</p>
        <FaultTree vehicle={vehicle} />
      </div>
      <div className="space-y-6">
        {fan.kind === 'electric' ? (
          <Circuit
            title="Supply and current, commanded on"
            name="fan"
            why="Supply without current is the motor; no supply is everything before it. The current against the fuse says whether it blows again."
            cautions={['fan-starts-alone', 'same-fuse']}
            notesOf={(values) => fanCheck(values).notes}
          />
        ) : (
          <Circuit
            title="Clutch by time and reading"
            name="clutch"
            why="By ear, from the driver’s seat, with the reading: when the roar begins and when it is quiet again."
            cautions={['fan-clutch', 'revving-in-place']}
            notesOf={clutchNotes}
          />
        )}
        {thermostat.heated ? (
          <Circuit
            title="Heater of the thermostat: P0597, P0598, P0599"
            name="element"
            why="Resistance at the part, supply, control line, wiggle, before any part is ordered: a wire alone can set each of these codes. The unit may run the fan at full speed from cold for it."
            cautions={['key-off-before-unplugging', 'fan-starts-alone']}
            notesOf={(values) => elementCheck(values).notes}
          />
        ) : (
          <p className="border-t border-base-content/20 pt-3 text-sm">
            This vehicle’s thermostat has no heater. If it has one, say so on the vehicle’s page: its circuit is
            measured here.
          </p>
        )}
      </div>
    </div>
  );
}
