'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import {
  checkSenderReadings,
  consequences,
  explainSender,
  newSenderBench,
  type SenderBench,
  type SenderExplanation,
} from '@/core/bench';
import { vehicleScale } from '@/core/limits';
import { buildCurve } from '@/core/sender';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { Caution } from '@/ui/Caution';
import { useUnits } from '@/ui/units';
import { BenchHead } from '../BenchHead';
import { faultSize, FAULT_NAME, FAULT_THEN } from '../faultWords';
import { MovePicture } from '../MovePicture';
import { useBenchTest } from '../useBenchTest';
import { CircuitPanel, CurvePanel } from './CurvePanel';
import { ErrorChart } from './ErrorChart';
import { GaugePanel } from './GaugePanel';
import { MomentPanel } from './MomentPanel';
import { RailsSteps } from './RailsSteps';
import { SenderReadings } from './SenderReadings';
import { WigglePanel } from './WigglePanel';

const WHICH = [
  { key: 'engine', says: 'The control unit’s sender' },
  { key: 'gauge', says: 'The gauge’s own sender' },
] as const;
const PARTS = [
  { key: 'old', says: 'Part that came in' },
  { key: 'new', says: 'New part' },
] as const;
/** Faults listed beside the first. */
const LISTED = 4;

/** Which fault, how sure, and where to measure next: the largest thing on the desk. */
function Verdict({ found, count }: { found: SenderExplanation; count: number }) {
  const { show, showTemperature } = useUnits();
  const [first] = found.faults;
  const named = found.named !== null;
  const difference = (k: number) => show('temperatureDifference', k, 1);
  return (
    <div data-testid="sender-verdict">
      <p className="text-[2.25rem] type-sign leading-none">
        {count === 0 ? 'Nothing measured yet' : named ? FAULT_NAME[first!.fault] : 'Cannot tell yet'}
      </p>
      {named && (
        <p className="mt-1 text-2xl font-semibold tabular-nums">
          {faultSize(first!, difference)} <span className="text-base type-label">{percent(first!.probability)}</span>
        </p>
      )}
      {named && <p className="mt-1">{FAULT_THEN[first!.fault]}</p>}
      {count === 0 && (
        <p className="mt-1">Ice water, room, hot water: three known temperatures tell most faults apart.</p>
      )}
      {found.repeat !== null && (
        <p className="mt-2 border-l-4 border-warning pl-3 font-semibold" data-testid="repeat-reading">
          Reading {found.repeat + 1} does not fit the others: read it again. If it stays, the part fails there.
        </p>
      )}
      {found.next && (count === 0 || !named || first!.probability < 0.97) && (
        <p className="mt-2 border-l-4 border-primary pl-3" data-testid="next-point">
          <span className="type-label">Measure next at</span>
          <strong className="block text-2xl type-sign">{showTemperature(found.next.at_c)}</strong>
          {count > 0 &&
            found.faults[1] &&
            `It parts “${FAULT_NAME[first!.fault].toLowerCase()}” from “${FAULT_NAME[found.faults[1].fault].toLowerCase()}”.`}
        </p>
      )}
      {count > 0 && (
        <ul className="mt-3 max-w-md" aria-label="Odds of the faults">
          {found.faults.slice(0, LISTED).map((f) => (
            <li key={f.fault} className="grid grid-cols-[minmax(0,1fr)_5rem_3.5rem] items-center gap-2 py-0.5">
              <span className="lg:truncate">
                {FAULT_NAME[f.fault]}{' '}
                <span className="type-label">{f.probability > 0.02 ? faultSize(f, difference) : ''}</span>
              </span>
              <span className="h-2.5 bg-base-300" aria-hidden>
                <span className="block h-full bg-base-content" style={{ width: `${100 * f.probability}%` }} />
              </span>
              <span className="text-right tabular-nums">{percent(f.probability)}</span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Noticed({ bench, found }: { bench: SenderBench; found: SenderExplanation }) {
  const { vehicle, figures } = useJob();
  const { say } = useUnits();
  if (bench.readings.length === 0 || bench.which === 'gauge') return null;
  const { threshold_c } = vehicleScale(vehicle.vehicle, null, { belowRating_k: figures.monitors.belowRating_k });
  const list = consequences(found.error, vehicle.vehicle, threshold_c);
  return (
    <section aria-labelledby="noticed-title" className="mt-5">
      <h3 id="noticed-title" className="text-xl type-sign">
        What is noticed
      </h3>
      <ul className="mt-1 space-y-1.5">
        {list.map((c) => (
          <li key={c.says}>
            {c.danger ? (
              <Caution kind="danger">{say(c.says)}</Caution>
            ) : (
              <>
                <span className="type-label">{c.who}: </span>
                {say(c.says)}
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const GENERIC = { kind: 'family', family: 'generic-2k5' } as const;

/** What the readings say, and what of curve or readings cannot be: then nothing is made of them. */
function explained(bench: SenderBench): { readonly found: SenderExplanation | null; readonly wrong: string | null } {
  const built = buildCurve(bench.curve);
  const sane = checkSenderReadings(bench.readings, bench.circuit);
  const wrong = !built.ok
    ? `Its curve, ${built.error.path}: ${built.error.message}`
    : sane.ok
      ? null
      : `${sane.error.path}: ${sane.error.message}`;
  const usable = built.ok ? built : buildCurve(GENERIC);
  if (!usable.ok) return { found: null, wrong };
  const { curve } = usable.value;
  return { found: explainSender(wrong === null ? bench.readings : [], { curve, circuit: bench.circuit }), wrong };
}

/** The sender's desk: curve, circuit, readings, and which fault explains them. */
export function SenderDesk() {
  const { vehicle } = useJob();
  const { say } = useUnits();
  const [which, setWhich] = useState<SenderBench['which']>('engine');
  const [part, setPart] = useState<'old' | 'new'>('old');
  const own = useMemo(() => vehicle.senderPoints.map((p) => [p.temp_c, p.ohm] as const), [vehicle.senderPoints]);
  const first = useMemo(() => newSenderBench(which, which === 'engine' ? own : []), [which, own]);
  const ref = useMemo(() => ({ of: 'sender', which, part }) as const, [which, part]);
  const { test, entry, earlier, change, again } = useBenchTest<SenderBench>(ref, first);
  const shown = useDeferredValue(test);
  const { found, wrong } = useMemo(() => explained(shown), [shown]);
  if (!found) return null;
  // What cannot be is not made anything of, anywhere on the desk.
  const sound = wrong === null ? shown : { ...shown, readings: [] };
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] print:grid-cols-1">
      <div className="space-y-4">
        <div className="flex flex-wrap gap-4">
          <AnswerButtons
            label="Which sender"
            answers={WHICH}
            chosen={which}
            onChoose={(key) => setWhich(key as SenderBench['which'])}
          />
          <AnswerButtons
            label="Which part"
            answers={PARTS}
            chosen={part}
            onChoose={(key) => setPart(key as 'old' | 'new')}
          />
        </div>
        <Cautions of={['key-off-before-unplugging', 'bench-water']} />
        <SenderReadings key={`${which} ${part}`} bench={test} points={found.points} onChange={change} />
        <BenchHead
          what="readings"
          count={test.readings.length}
          earlier={earlier.length}
          onAgain={() =>
            again((now) => ({ ...now, readings: [] }), 'A new test; the one before is kept in the chronicle.')
          }
        />
        <details open>
          <summary className="cursor-pointer text-xl type-sign">Its curve</summary>
          <div className="mt-2">
            <CurvePanel
              key={`${which} ${part} ${test.curve.kind}`}
              bench={test}
              own={which === 'engine' ? own : []}
              onChange={(curve) => change((now) => ({ ...now, curve }))}
            />
          </div>
        </details>
        <details>
          <summary className="cursor-pointer text-xl type-sign">Its circuit</summary>
          <div className="mt-2">
            <CircuitPanel circuit={test.circuit} onChange={(circuit) => change((now) => ({ ...now, circuit }))} />
          </div>
        </details>
        <RailsSteps bench={test} />
        <WigglePanel />
      </div>
      <div className="lg:sticky lg:top-4 lg:self-start print:order-first">
        {wrong !== null && (
          <p role="alert" className="mb-2 border-l-4 border-error pl-3">
            {say(wrong)} Nothing is made of the readings until it is mended.
          </p>
        )}
        <Verdict found={found} count={sound.readings.length} />
        {sound.readings.length > 0 && (
          <div className="mt-4">
            <ErrorChart found={found} />
          </div>
        )}
        <Noticed bench={sound} found={found} />
        {part === 'old' && <MovePicture entryId={entry?.id ?? null} />}
        {part === 'old' && which === 'gauge' && test.curve.kind === 'family' && test.readings.length > 0 && (
          <p className="mt-4 text-sm">
            Against a generic curve this moves no odds: give the gauge sender’s own points under “Its curve”.
          </p>
        )}
        {part === 'new' && (
          <p className="mt-4 text-sm">A new part’s test says nothing of what was wrong: it moves no odds.</p>
        )}
        <div className="mt-6 space-y-6">
          {which === 'gauge' && (
            <GaugePanel
              bench={{ ...test, readings: sound.readings }}
              found={found}
              onChange={(gauge) => change((now) => ({ ...now, gauge }))}
            />
          )}
          <MomentPanel />
        </div>
      </div>
    </div>
  );
}
