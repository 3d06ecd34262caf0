'use client';

import { Link } from '@/ui/Link';
import { capCheck, coolantState, mendFirst, mixSays, railsSay, soakSays, standingReading } from '@/core/case';
import type { NoteEntry } from '@/core/case';
import { boilingOf, BOILING_WORDS } from '@/core/limits';
import { checkResistance, curveOf } from '@/core/sender';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useJob, type OpenJob } from '@/job/JobProvider';
import { setMeasured, setNote } from '@/storage/entries';
import { Caution } from '@/ui/Caution';
import { SavedText } from '@/ui/SavedText';
import { useUnits } from '@/ui/units';
import { CheckRow } from './CheckRow';
import { CoolGate } from '@/job/CoolGate';
import { OverheatingOrder } from './OverheatingOrder';
import { PLACE } from './place';

type Values = Readonly<Record<string, number>>;

/** What the readings of the sender's resistance mean, in words. */
function resistanceSays(points: OpenJob['vehicle']['senderPoints'], values: Values): string | null {
  const { own } = curveOf(points);
  const pairs = [
    [values.cold_c, values.cold_ohm],
    [values.warm_c, values.warm_ohm],
  ].flatMap(([at, ohm]) => (at === undefined || ohm === undefined ? [] : [checkResistance(points, at, ohm)]));
  if (pairs.length === 0) return null;
  const words = pairs.map(
    (o) => `Expected ${Math.round(o.expected_ohm)} Ω: ${o.off ? `off by ${o.error_k.toFixed(0)} K` : 'on the curve'}.`,
  );
  return `${words.join(' ')}${own ? '' : ' Of a common family only: it proves next to nothing.'}`;
}

function Checks() {
  const { entries, vehicle, job, figures } = useJob();
  const { showTemperature } = useUnits();
  const values = (name: Parameters<typeof standingReading>[1]): Values =>
    standingReading(entries, name, PLACE)?.values ?? {};
  const cap = capCheck(vehicle.vehicle, values('cap'), figures.altitude_m);
  const boiling = boilingOf(coolantState(entries, vehicle.vehicle, figures.altitude_m));
  const mix = values('coolant').freezes_c;
  const said = mix === undefined ? null : mixSays(mix);
  const coolant = standingReading(entries, 'coolant', PLACE);
  return (
    <ol>
      <CheckRow
        step={1}
        title="Level against the cold mark"
        why="Low level or air makes sender and heater lie both ways. It is fixed first, and is more often a result than the cause."
        item="look-level-low"
        measures="level"
        cautions={['sensor-in-air']}
      />
      <CheckRow
        step={2}
        title="Topped up since the last drive?"
        why="A level that keeps falling is a leak, boiling off, or air that settled."
        item="look-topped-up"
      >
        <div className="mt-3">
          <p className="text-sm leading-snug">After a heat cycle, cold again: did the level fall?</p>
          <AnswerItem item="level-drop" />
        </div>
      </CheckRow>
      <CheckRow
        step={3}
        title="Leaks: hoses, pump, radiator, heater, tank"
        why="Dry and full does not prove that there is no air."
        item="look-leak"
        cautions={['coolant-is-poison']}
      />
      <CheckRow
        step={4}
        title="Coolant: strength, colour, age"
        why="Colour is dye, not chemistry. Strength by refractometer, on the scale of its glycol."
        measures="coolant"
        cautions={['label-jars', 'goggles-and-gloves', 'too-weak-freezes', 'do-not-mix', 'waterless']}
        result={said && `About ${Math.round(said.glycol_pct)} % glycol. ${said.says}`}
      >
        <div className="mt-1 max-w-sm">
          <SavedText
            id="coolant-colour"
            label="Colour, deposits"
            hint="green, clear; brown with grit"
            value={coolant?.text ?? ''}
            rows={1}
            onSave={(to) => setMeasured(job.id, { name: 'coolant', place: PLACE, text: to }, {})}
          />
        </div>
      </CheckRow>
      <CheckRow
        step={5}
        title="Pressure cap"
        why="A low cap boils early; over-pressure comes only from one that sticks."
        item="look-cap-weak"
        measures="cap"
        result={`Boils at ${showTemperature(boiling.boils_c)}, ${BOILING_WORDS[boiling.cap]}${
          boiling.cap !== 'measured' && cap.boilsRated_c !== null
            ? `; ${showTemperature(cap.boilsRated_c)} if it held its rating`
            : ''
        }.${cap.weak ? ' Replace it first.' : ''}`}
      />
      <CheckRow
        step={6}
        title="Fan turned by hand"
        why="A stiff fan blows its fuse again; a dead one shows only at standstill."
        item="look-fan-stiff"
        cautions={[
          'fan-starts-alone',
          ...(vehicle.vehicle.fan.kind === 'viscous' ? (['fan-clutch'] as const) : []),
          'same-fuse',
        ]}
      />
      <CheckRow
        step={7}
        title="Radiator face, winter cover"
        why="Dirt and a forgotten cover look like a fan or flow fault."
        item="look-radiator-face"
        cautions={['winter-cover']}
      />
      <CheckRow
        step={8}
        title="Belt and hoses"
        why="A slipping belt or a collapsed hose is lost flow."
        item="look-belt"
        cautions={['belts-and-fan']}
      />
      <CheckRow
        step={9}
        title="Key on, engine off, after a night"
        why="Coolant, intake air, outside air and a probe should agree within a few degrees. The sender is then known cold."
        measures="soak"
        result={soakSays(values('soak'))}
      />
      <CheckRow
        step={10}
        title="Sender unplugged, then bridged"
        why="The reading must go to the cold rail and to the hot rail: then wire and control unit are sound."
        item="unplug-rails"
        measures="rails"
        cautions={['key-off-before-unplugging', ...(vehicle.vehicle.engine.hybrid ? (['orange-cables'] as const) : [])]}
        result={railsSay(values('rails'))}
      />
      <CheckRow
        step={11}
        title="Sender resistance, cold and warm"
        why={
          curveOf(vehicle.senderPoints).own
            ? 'Against the curve written down for this vehicle. A constant error is offset, one that grows hot is resistance in the plug.'
            : 'Against the common family: this vehicle’s own curve is not written down. Add it on the vehicle’s page.'
        }
        measures="resistance"
        cautions={['no-hot-hoses']}
        result={resistanceSays(vehicle.senderPoints, values('resistance'))}
      />
      <CheckRow
        step={12}
        title="Engine warm: housing and gauge against the scan reading"
        why="A second thermometer settles whether the coolant or the sender is wrong; the gauge has a sender of its own on most cars."
        measures="housing"
        cautions={['no-hot-hoses', 'stay-with-it', 'carbon-monoxide']}
      >
        <div className="mt-2">
          <AnswerItem item="housing-infrared" />
        </div>
        <div className="mt-2">
          <AnswerItem item="gauge-against-scan" />
        </div>
      </CheckRow>
    </ol>
  );
}

/** The cold look: a guided list in safe order. Everything can be skipped; what is answered enters the evidence. */
export function ColdLookScreen() {
  const { job, entries, vehicle } = useJob();
  const notes = entries.findLast((e): e is NoteEntry => e.kind === 'note' && e.stage === PLACE && e.takenBack !== true);
  return (
    <div className="mx-auto max-w-6xl px-5 pt-4 pb-16">
      {mendFirst(entries, vehicle.vehicle).map((says) => (
        <Caution key={says} kind="danger" role="alert" testId="mend-first" className="mb-3 text-lg">
          Before a drive: {says}
        </Caution>
      ))}
      <CoolGate />
      <Checks />
      <div className="mt-4 max-w-xl">
        <SavedText
          id="cold-notes"
          label="Notes"
          value={notes?.text ?? ''}
          rows={2}
          onSave={(to) => setNote(job.id, PLACE, to)}
        />
      </div>
      <OverheatingOrder />
      <p className="mt-4 text-sm">Skip what you cannot see.</p>
      <Cautions className="mt-2" of={['maker-first']} />
      <Link href={`/jobs/${job.id}/drive`} className="btn mt-4 btn-lg btn-primary">
        Go on to the drive
      </Link>
    </div>
  );
}
