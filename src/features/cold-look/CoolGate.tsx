'use client';

import { useState } from 'react';
import { coolEnough } from '@/core/diagnosis';
import { QuantityInput } from '@/ui/QuantityInput';

/** Asks whether the system is cool enough to open, before anything that opens it. */
export function CoolGate() {
  const [reading_c, setReading] = useState<number | null>(null);
  const [since_min, setSince] = useState<number | null>(null);
  const [soft, setSoft] = useState(false);
  const answer = coolEnough(
    Number.isNaN(reading_c) ? null : reading_c,
    Number.isNaN(since_min) ? null : since_min,
    soft,
  );
  return (
    <section aria-labelledby="gate-title" className="border-b border-base-content/30 pb-4">
      <h2 id="gate-title" className="text-2xl type-sign">
        Cool enough to open?
      </h2>
      <p className="mt-1 border-l-4 border-warning pl-3 leading-snug">
        Never open a hot cooling system. Wait until cold to touch and hose soft; cover the cap, open to the first stop,
        let pressure go. Any coolant at engine temperature burns.
      </p>
      <div className="mt-2 flex flex-wrap items-start gap-x-6">
        <QuantityInput
          id="gate-reading"
          label="Scan reading"
          family="temperature"
          value={reading_c}
          digits={0}
          onChange={setReading}
        />
        <QuantityInput
          id="gate-since"
          label="Engine off for"
          family={null}
          unit="min"
          value={since_min}
          digits={0}
          onChange={setSince}
        />
        <label className="mt-6 flex min-h-11 items-center gap-3 font-semibold">
          <input type="checkbox" className="checkbox" checked={soft} onChange={(e) => setSoft(e.target.checked)} />
          Upper hose is soft
        </label>
        <p
          className={`mt-6 text-2xl type-sign ${answer.open ? 'text-success' : ''}`}
          aria-live="polite"
          data-testid="gate"
        >
          {answer.open ? 'Open it' : 'Keep it shut'}
          <span className="block max-w-md text-sm font-normal" style={{ fontStretch: '100%' }}>
            {answer.says}
          </span>
        </p>
      </div>
    </section>
  );
}
