'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import { CODES, readCode, type CodeReading } from '@/core/codes';
import { giveAnswer, takeAnswerBack } from '@/storage/answers';
import { updateJob } from '@/storage/jobs';
import type { CodeRecord, JobRecord } from '@/storage/records';
import { SavedText } from '@/ui/SavedText';

const itemOf = (code: string): string | null => CODES.find((c) => c.code === code)?.itemId ?? null;

/** Stored codes with their meaning, what they do not prove, and the frame frozen with them. */
export function CodesSection({ job }: { job: JobRecord }) {
  const [typed, setTyped] = useState('');
  const [read, setRead] = useState<CodeReading | null>(null);

  const keep = async (code: string) => {
    if (job.codes.some((c) => c.code === code)) return setTyped('');
    await updateJob(job.id, { codes: [...job.codes, { code, freezeFrame: '' }] });
    const itemId = itemOf(code);
    if (itemId) await giveAnswer(job.id, { itemId, answer: 0, detail: code });
    setTyped('');
    setRead(null);
  };
  const enter = () => {
    if (typed.trim() === '') return;
    const reading = readCode(typed);
    if (reading.kind === 'known') void keep(reading.meaning.code);
    else setRead(reading);
  };
  const remove = async (record: CodeRecord) => {
    const codes = job.codes.filter((c) => c.code !== record.code);
    await updateJob(job.id, { codes });
    const itemId = itemOf(record.code);
    if (itemId && !codes.some((c) => itemOf(c.code) === itemId)) await takeAnswerBack(job.id, itemId);
  };
  return (
    <section aria-labelledby="codes-title">
      <h2 id="codes-title" className="text-2xl type-sign">
        Stored codes
      </h2>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          enter();
        }}
      >
        <input
          className="input w-36 text-base uppercase"
          aria-label="Code"
          placeholder="P0128"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setRead(null);
          }}
        />
        <button type="submit" className="btn">
          Add the code
        </button>
      </form>
      {read?.kind === 'malformed' && (
        <div role="alert" className="mt-2 border-l-4 border-error pl-3">
          <p>
            <strong>{read.typed}</strong> is not a code: a letter, then four figures.{' '}
            {read.perhaps.length > 0 ? 'Is it one of these?' : 'Read it again.'}
          </p>
          <div className="mt-1 flex gap-2">
            {read.perhaps.map((code) => (
              <button key={code} type="button" className="btn btn-sm" onClick={() => void keep(code)}>
                {code}
              </button>
            ))}
          </div>
        </div>
      )}
      {read?.kind === 'other' && (
        <div role="alert" className="mt-2 border-l-4 border-warning pl-3">
          <p>
            {read.code} is a code, but not one of coolant temperature, thermostat or fan. Keep it on the job; it moves
            no odds.
          </p>
          <button type="button" className="btn mt-1 btn-sm" onClick={() => void keep(read.code)}>
            Keep {read.code}
          </button>
        </div>
      )}
      <ul className="mt-3 space-y-4">
        {job.codes.map((record) => {
          const known = CODES.find((c) => c.code === record.code);
          return (
            <li key={record.code} className="border-t border-base-content/20 pt-2">
              <div className="flex items-baseline gap-3">
                <span className="text-xl type-sign">{record.code}</span>
                <span className="flex-1 font-semibold">{known?.meaning ?? 'Not about coolant'}</span>
                <button
                  type="button"
                  className="btn btn-square self-center btn-ghost btn-sm"
                  aria-label={`Remove ${record.code}`}
                  onClick={() => void remove(record)}
                >
                  <X aria-hidden className="size-4" />
                </button>
              </div>
              {known && (
                <p className="text-sm leading-snug">
                  Does not prove: {known.doesNotProve} Runs: {known.runsWhen}
                </p>
              )}
              <SavedText
                id={`freeze-${record.code}`}
                label="Freeze frame"
                hint="Coolant, intake air, load, speed, time from start"
                value={record.freezeFrame}
                rows={1}
                onSave={(freezeFrame) =>
                  updateJob(job.id, {
                    codes: job.codes.map((c) => (c.code === record.code ? { ...c, freezeFrame } : c)),
                  })
                }
              />
            </li>
          );
        })}
      </ul>
      <p className="mt-3 border-l-4 border-warning pl-3">Save first; clearing removes evidence and readiness.</p>
    </section>
  );
}
