'use client';

import { format } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Figures } from '@/core/case';
import { causeName } from '@/core/evidence';
import { isOver, LEVEL_NAMES, LEVELS, scoredOf, type LevelName, type Scored } from '@/core/practice';
import { causeLook } from '@/job/causeLook';
import { drawJobPractice } from '@/job/practiceJobs';
import { useFigures } from '@/job/useFigures';
import { useRunning } from '@/job/useRunning';
import { useWrite } from '@/job/useWrite';
import { WorkLine } from '@/job/WorkLine';
import { BIN_DAYS, putBackDeleted } from '@/storage/bin';
import { addPractice, deletePractice, listPractices, type PracticeKept } from '@/storage/practices';
import { Glyph } from '@/ui/Glyph';
import { drawPracticeInWorker } from '@/workers/planClient';
import { inWords } from './inWords';
import { SkillTable } from './SkillTable';
import { practiceName } from './usePractice';

const ScoreChart = dynamic(() => import('./ScoreChart').then((m) => m.ScoreChart), { ssr: false });

const anyOf = (many: number): number => crypto.getRandomValues(new Uint32Array(1))[0]! % many;
/** So many cases of each level. */
const CASES = 1_000_000;

/** The ways into a new case. */
function Start({ figures }: { figures: Figures | undefined }) {
  const router = useRouter();
  const write = useWrite();
  const drawing = useRunning();
  const [none, setNone] = useState(false);
  const open = (id: string | null) => {
    if (id !== null) router.push(`/practice/${id}`);
  };
  const draw = async (level: LevelName) => {
    const sheet = await drawing.run(() => {
      const { result, cancel } = drawPracticeInWorker(level, anyOf(CASES));
      return { result: inWords(result), cancel };
    });
    if (sheet) open(await write(addPractice(sheet)));
  };
  const fromJob = async () => {
    if (!figures) return;
    const found = await drawJobPractice(figures, anyOf);
    setNone(found === null);
    if (found) open(await write(addPractice(found.sheet, found.traces)));
  };
  return (
    <section aria-label="A new case">
      <ul className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-2 lg:grid-cols-4">
        {LEVEL_NAMES.map((level) => (
          <li key={level} className="border-t-4 border-primary pt-2">
            <p className="leading-snug lg:min-h-28">{LEVELS[level].meets}</p>
            <button
              type="button"
              className="btn mt-2 w-full btn-primary"
              disabled={drawing.share !== null}
              onClick={() => void draw(level)}
            >
              {LEVELS[level].says}
            </button>
          </li>
        ))}
        <li className="border-t-4 border-base-content/40 pt-2">
          <p className="leading-snug lg:min-h-28">
            One of your own jobs whose truth is known, without name, plate, day or words.
          </p>
          <button type="button" className="btn mt-2 w-full" disabled={!figures} onClick={() => void fromJob()}>
            From an own job
          </button>
        </li>
      </ul>
      {none && (
        <p role="status" className="mt-3">
          No job can be used yet: one counts once its repair is signed as proven and something was tested on it.
        </p>
      )}
      <WorkLine work={drawing} doing="Drawing a car" />
    </section>
  );
}

function Row({ kept, scored }: { kept: PracticeKept; scored: Scored | undefined }) {
  const write = useWrite();
  const look = causeLook(kept.sheet.truth.causes[0]!);
  const name = practiceName(kept.sheet);
  const remove = () =>
    write(deletePractice(kept.id, name), {
      says: `The case is in the bin for ${BIN_DAYS} days.`,
      undo: putBackDeleted,
    });
  return (
    <li className="flex items-center gap-3 border-b border-base-content/15 py-1">
      <Link
        href={`/practice/${kept.id}`}
        className="flex min-h-11 min-w-0 flex-1 flex-wrap items-center gap-x-4 hover:underline"
      >
        <span className="type-label">{format(kept.startedAt, 'd MMM HH:mm')}</span>
        <span className="font-semibold">{name}</span>
        {scored ? (
          <span className="flex items-center gap-2">
            <Glyph shape={look.shape} colour={look.colour} size={12} />
            {kept.sheet.truth.causes.map(causeName).join(' or ')}
          </span>
        ) : (
          <span className="font-semibold text-primary">
            go on: {kept.sheet.steps.length} {kept.sheet.steps.length === 1 ? 'step' : 'steps'} so far
          </span>
        )}
      </Link>
      {scored && <span className="text-2xl type-sign">{scored.result.score}</span>}
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label={`Delete the case ${name}, ${format(kept.startedAt, 'd MMM HH:mm')}`}
        onClick={() => void remove()}
      >
        <Trash2 aria-hidden className="size-4" />
      </button>
    </li>
  );
}

/** Practice on made-up cars: new cases, those begun, and how good one has become. */
export function PracticeScreen() {
  const figures = useFigures()?.figures;
  const cases = useLiveQuery(listPractices, []);
  const scored = useMemo(() => (cases && figures ? scoredOf(cases, figures) : []), [cases, figures]);
  if (cases === undefined) return <p className="p-8 type-label">Loading</p>;
  const open = cases.filter((c) => !isOver(c.sheet));
  const latest = [...open.toReversed(), ...cases.filter((c) => isOver(c.sheet)).toReversed()];
  const mean = scored.reduce((sum, s) => sum + s.result.score, 0) / Math.max(1, scored.length);
  return (
    <div className="mx-auto max-w-6xl px-3 py-6 sm:px-5">
      <h1 className="text-4xl type-sign">Practice</h1>
      <p className="mt-1 max-w-3xl">
        A made-up car with one thing wrong, or nothing. Every test, drive and part costs time and money. Decide when you
        are sure enough, say how sure, and see what parted it from the rest.
      </p>
      <Start figures={figures} />
      {latest.length > 0 && (
        <div className="mt-8 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
          <section aria-labelledby="cases-title">
            <h2 id="cases-title" className="text-2xl type-sign">
              Cases{scored.length > 0 ? `, ${Math.round(mean)} of 100 on average` : ''}
            </h2>
            {scored.length > 1 && <ScoreChart scored={scored} />}
            <ul className="mt-2" data-testid="practice-cases">
              {latest.map((kept) => (
                <Row key={kept.id} kept={kept} scored={scored.find((s) => s.id === kept.id)} />
              ))}
            </ul>
          </section>
          {scored.length > 0 && <SkillTable scored={scored} />}
        </div>
      )}
    </div>
  );
}
