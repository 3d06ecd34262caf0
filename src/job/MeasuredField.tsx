'use client';

import { useState } from 'react';
import { valueError, valuesOf, type MeasurementEntry, type MeasurementName } from '@/core/case';
import { setMeasured } from '@/storage/entries';
import { QuantityInput } from '@/ui/QuantityInput';
import { useJob } from './JobProvider';
import { useKeep } from './useKeep';

/**
 * One value of a measurement, kept while it is typed. What cannot be true stays in the field, is told, and is not kept.
 */
export function MeasuredField({
  name,
  value,
  place,
  label,
  hint,
  reading,
}: {
  name: MeasurementName;
  /** Name of the value. */
  value: string;
  place: string;
  /** In place of the value's own name. */
  label?: string;
  hint?: string;
  /** The reading that stands; null before the first. */
  reading: MeasurementEntry | null;
}) {
  const { job } = useJob();
  const keep = useKeep();
  const [error, setError] = useState<string>();
  const spec = valuesOf(name)[value];
  if (!spec) throw new RangeError(`MeasuredField: ${name} has no value ${value}`);
  const change = (si: number | null) => {
    if (si !== null && Number.isNaN(si)) return setError(undefined);
    const wrong = si === null ? null : valueError(name, value, si);
    setError(wrong ?? undefined);
    if (wrong !== null) return;
    keep(() => setMeasured(job.id, { name, place }, { [value]: si }), {
      waits: (why) => setError(why === null ? undefined : `Not kept yet. ${why}`),
    });
  };
  return (
    <QuantityInput
      id={`${name}-${value}`}
      label={label ?? spec.label}
      family={spec.family}
      {...(spec.family === null ? { unit: spec.unit } : {})}
      hint={hint}
      keepWrong={error !== undefined}
      value={reading?.values[value] ?? null}
      error={error}
      onChange={change}
    />
  );
}
