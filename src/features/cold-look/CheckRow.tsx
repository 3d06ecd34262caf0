'use client';

import type { ReactNode } from 'react';
import { MEASUREMENTS, standingReading, valuesOf, type MeasurementName } from '@/core/case';
import type { CautionId } from '@/core/cautions';
import type { ItemId } from '@/core/evidence';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { useUnits } from '@/ui/units';
import { Earlier } from './Earlier';
import { PLACE } from './place';

/** One check of the cold look: what to look at, why it matters, the answer, readings beside it, and what they mean. */
export function CheckRow({
  step,
  title,
  why,
  item = null,
  measures = null,
  cautions = [],
  result,
  children,
}: {
  step: number;
  title: string;
  why: string;
  /** Item that its buttons answer. */
  item?: ItemId | null;
  /** Measurement whose values are typed beside it. */
  measures?: MeasurementName | null;
  cautions?: readonly CautionId[];
  result?: string | null;
  children?: ReactNode;
}) {
  const { entries } = useJob();
  const { say } = useUnits();
  const reading = measures && standingReading(entries, measures, PLACE);
  return (
    <li className="grid grid-cols-1 gap-x-8 gap-y-2 border-b border-base-content/20 py-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
      <div>
        <h3 className="flex items-baseline gap-3 text-lg leading-tight font-bold">
          <span className="w-5 type-label">{step}</span> {title}
        </h3>
        <p className="mt-1 pl-8 text-sm leading-snug">{why}</p>
        <Cautions className="mt-2 ml-8" of={cautions} />
      </div>
      <div>
        {item && <AnswerItem item={item} label={title} />}
        {measures && (
          <div role="group" aria-label={MEASUREMENTS[measures].title} className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
            {Object.keys(valuesOf(measures)).map((value) => (
              <MeasuredField key={value} name={measures} value={value} place={PLACE} reading={reading} />
            ))}
          </div>
        )}
        {children}
        {measures && <Earlier name={measures} reading={reading} />}
        {result && (
          <p className="mt-1 font-semibold" aria-live="polite">
            {say(result)}
          </p>
        )}
      </div>
    </li>
  );
}
