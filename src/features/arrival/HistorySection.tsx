'use client';

import { Link } from '@/ui/Link';
import { repeatedParts } from '@/core/case';
import { useJob } from '@/job/JobProvider';
import { Caution } from '@/ui/Caution';

/** What was replaced before, and whether the same part keeps failing. */
export function HistorySection() {
  const { vehicle } = useJob();
  const repeated = repeatedParts(vehicle.parts);
  return (
    <section aria-labelledby="history-title">
      <h2 id="history-title" className="text-2xl type-sign">
        Replaced before
      </h2>
      {vehicle.parts.length === 0 ? (
        <p className="mt-2">Nothing is written down for {vehicle.plate}.</p>
      ) : (
        <ul className="mt-2">
          {vehicle.parts.map((p) => (
            <li key={`${p.part} ${p.when}`}>
              <span className="font-semibold">{p.part}</span>, {p.when || 'date not known'}
              {p.detail && `, ${p.detail}`}
            </li>
          ))}
        </ul>
      )}
      {repeated.map((part) => (
        <Caution key={part} role="alert" className="mt-2">
          {part} was replaced more than once. Look upstream before another one: wiring, earth, warped housing, wrong
          part.
        </Caution>
      ))}
      <Link href={`/vehicles/${vehicle.id}`} className="btn mt-3">
        Vehicle and its parts
      </Link>
    </section>
  );
}
