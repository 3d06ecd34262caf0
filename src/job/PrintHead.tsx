'use client';

import { format } from 'date-fns';
import { useEffect, useState } from 'react';
import { causeName } from '@/core/evidence';
import { useJob } from './JobProvider';
import { GRADE_NAME, percent } from './jobWords';

/** The moment of printing. */
function usePrintedAt(): number {
  const [at, setAt] = useState(() => Date.now());
  useEffect(() => {
    const printing = () => setAt(Date.now());
    window.addEventListener('beforeprint', printing);
    return () => window.removeEventListener('beforeprint', printing);
  }, []);
  return at;
}

/** Head of a printed page: vehicle, verdict and date, which the screen shows in its frame. */
export function PrintHead({ title, log }: { title: string; log: string }) {
  const { vehicle, job, case: found } = useJob();
  const { headline, now } = found;
  const printedAt = usePrintedAt();
  return (
    <header className="mb-3 hidden border-b-2 border-base-content pb-2 print:block" data-testid="print-head">
      <p className="flex justify-between text-sm">
        <span>{title}</span>
        <span>{format(printedAt, 'd MMMM yyyy, HH:mm')}</span>
      </p>
      <p className="text-2xl type-sign">
        {vehicle.plate}, {vehicle.vehicle.label}
      </p>
      {job.complaint !== '' && <p>&ldquo;{job.complaint}&rdquo;</p>}
      <p className="mt-1 text-xl font-bold">
        {headline.text}
        {headline.share === null ? '' : `, ${percent(headline.share)}, ${GRADE_NAME[headline.grade]}`}
      </p>
      <p className="text-sm">
        {now
          .filter((c) => c.probability >= 0.02)
          .slice(0, 4)
          .map((c) => `${causeName(c.cause)} ${percent(c.probability)}`)
          .join(', ')}
        {log === '' ? '' : `. Log: ${log}`}
      </p>
    </header>
  );
}
