'use client';

import { useState } from 'react';
import { wiggleTest, wiggleVerdict, type WiggleBench } from '@/core/bench';
import { Cautions } from '@/job/Cautions';
import { clock } from '@/ui/clock';
import { FileButton } from '@/ui/FileButton';
import { useUnits } from '@/ui/units';
import { readBenchLog, type BenchLog } from '../readBenchLog';
import { useBenchTest } from '../useBenchTest';

const REF = { of: 'wiggle', part: 'old' } as const;
const NONE: WiggleBench = {
  ...{ of: 'wiggle', fileName: '', unit: '°C' },
  ...{ samples: 0, length_s: 0, scatter: 0, dropped: 0, leaps: [] },
};
/** Leaps listed by their moment. */
const LISTED = 6;

/** A recording made while plug and wire are moved. */
export function WigglePanel() {
  const { test, entry, again } = useBenchTest<WiggleBench>(REF, NONE);
  const { show } = useUnits();
  const [error, setError] = useState<string>();
  const take = (log: BenchLog, name: string) => {
    setError(undefined);
    const { samples, length_s, scatter, dropped, leaps } = wiggleTest(log.time_s, log.values, log.unit);
    again(
      () => ({ of: 'wiggle', fileName: name, unit: log.unit, samples, length_s, scatter, dropped, leaps }),
      `${name}: ${leaps.length === 0 ? 'no leaps' : `${leaps.length} leaps`}.`,
    );
  };
  const open = async (file: File) => {
    const read = await readBenchLog(file, 'any');
    if (read.ok) take(read.value, file.name);
    else setError(read.error);
  };
  const value = (v: number) => (test.unit === '°C' ? show('temperature', v) : `${v} ${test.unit}`);
  return (
    <section aria-labelledby="wiggle-title" className="border-t border-base-content/20 pt-4 print:hidden">
      <h3 id="wiggle-title" className="text-xl type-sign">
        Wiggle recording
      </h3>
      <p className="mt-1 text-sm">
        Key on, engine off, logger running: move plug and wire for half a minute, then give the file. Coolant at rest
        does not move; whatever leaps is the contact.
      </p>
      <Cautions className="mt-1" of={['fan-starts-alone']} />
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <FileButton label="Wiggle recording" accept=".csv,.txt,.tsv" testId="wiggle-file" onFile={(f) => void open(f)}>
          Open a recording
        </FileButton>
        {entry && (
          <p data-testid="wiggle-result" className="font-semibold">
            {test.leaps.length > 0
              ? `${test.leaps.length} ${test.leaps.length === 1 ? 'leap' : 'leaps'} in ${clock(test.length_s)}: plug or wire`
              : wiggleVerdict(test) === 'too-short'
                ? 'Too short to tell'
                : `Steady for ${clock(test.length_s)}`}
          </p>
        )}
      </div>
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      {test.leaps.length > 0 && (
        <ul className="mt-1 text-sm tabular-nums">
          {test.leaps.slice(0, LISTED).map((l) => (
            <li key={l.at_s}>
              {clock(l.at_s)}: {value(l.from)} to {value(l.to)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
