'use client';

import { useState } from 'react';
import { CAUSE_PLACE } from '@/core/base';
import { openingGate } from '@/core/limits';
import { Cautions } from './Cautions';
import { useJob } from './JobProvider';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { QuantityInput } from '@/ui/QuantityInput';

/** Odds of a wrong sender from which its reading proves nothing about heat. */
const SUSPECT_FROM = 0.25;

const YES_NO = [
  { key: 'yes', says: 'yes' },
  { key: 'no', says: 'no' },
] as const;

const asBoolean = (answer: string | null): boolean | null => (answer === null ? null : answer === 'yes');
const known = (v: number | null): number | null => (v === null || Number.isNaN(v) ? null : v);

/**
 * Asks whether the system is cool enough to open, before anything that opens it.
 *
 * @param timed_min how long a timer says that the engine has been off, where nobody types it
 */
export function CoolGate({ timed_min = null }: { timed_min?: number | null }) {
  const found = useJob().case;
  const [reading_c, setReading] = useState<number | null>(null);
  const [probe_c, setProbe] = useState<number | null>(null);
  const [since_min, setSince] = useState<number | null>(null);
  const [touch, setTouch] = useState<string | null>(null);
  const [hose, setHose] = useState<string | null>(null);
  const doubt = found.now.reduce((sum, o) => sum + (CAUSE_PLACE[o.cause].side === 'sender' ? o.probability : 0), 0);
  const senderSuspect = doubt >= SUSPECT_FROM;
  const answer = openingGate({
    coldToTouch: asBoolean(touch),
    softHose: asBoolean(hose),
    since_min: known(since_min) ?? timed_min,
    reading_c: known(reading_c),
    probe_c: known(probe_c),
    senderSuspect,
  });
  const choose = (set: (next: (was: string | null) => string | null) => void) => (key: string) =>
    set((was) => (was === key ? null : key));
  return (
    <section aria-labelledby="gate-title" className="border-b border-base-content/30 pb-4">
      <h2 id="gate-title" className="text-2xl type-sign">
        Cool enough to open?
      </h2>
      <Cautions className="mt-1" of={['never-open-hot', 'any-coolant-burns']} />
      <div className="mt-3 flex flex-wrap items-start gap-x-6 gap-y-2">
        <div>
          <p className="mb-1 leading-tight font-semibold">Cold to the touch</p>
          <AnswerButtons label="Cold to the touch" answers={YES_NO} chosen={touch} onChoose={choose(setTouch)} />
        </div>
        <div>
          <p className="mb-1 leading-tight font-semibold">Upper hose soft</p>
          <AnswerButtons label="Upper hose soft" answers={YES_NO} chosen={hose} onChoose={choose(setHose)} />
        </div>
        <QuantityInput
          id="gate-since"
          label="Engine off for"
          family={null}
          unit="min"
          value={since_min}
          digits={0}
          hint={timed_min === null ? undefined : `${Math.floor(timed_min)} by the timer`}
          onChange={setSince}
        />
        <QuantityInput
          id="gate-reading"
          label="Scan reading"
          family="temperature"
          value={reading_c}
          digits={0}
          hint={senderSuspect ? 'its sender is suspected' : undefined}
          onChange={setReading}
        />
        <QuantityInput
          id="gate-probe"
          label="Second thermometer"
          family="temperature"
          value={probe_c}
          digits={0}
          onChange={setProbe}
        />
        <p className={`text-2xl type-sign ${answer.open ? 'text-success' : ''}`} aria-live="polite" data-testid="gate">
          {answer.open ? 'Open it' : 'Keep it shut'}
          <span className="block max-w-md text-sm font-normal" style={{ fontStretch: '100%' }}>
            {answer.says}
          </span>
        </p>
      </div>
    </section>
  );
}
