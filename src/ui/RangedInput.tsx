'use client';

import { useState } from 'react';
import type { UnitFamily } from '@/core/base';
import { QuantityInput } from './QuantityInput';
import { useUnits } from './units';

/** A number that is kept as soon as it can be; what cannot stays in the field, with the range that can. */
export function RangedInput({
  id,
  label,
  family,
  unit = '',
  digits = 1,
  hint,
  value,
  low,
  high,
  onValue,
  onEmptied,
}: {
  id: string;
  label: string;
  family: UnitFamily | null;
  unit?: string;
  digits?: number;
  hint?: string;
  value: number | null;
  low: number;
  high: number;
  onValue: (si: number) => void;
  /** Called when the field is emptied; without it a value is needed. */
  onEmptied?: () => void;
}) {
  const { show } = useUnits();
  const [error, setError] = useState<string>();
  const shown = (si: number) => (family === null ? `${si} ${unit}` : show(family, si, Number.isInteger(si) ? 0 : 2));
  const range = `Between ${shown(low)} and ${shown(high)}.`;
  const change = (si: number | null) => {
    if (si === null && onEmptied) {
      setError(undefined);
      return onEmptied();
    }
    if (si === null) return setError(`A number is needed. ${range}`);
    if (Number.isNaN(si)) return setError(undefined);
    if (si < low || si > high) return setError(`${range} The last one that could be still counts.`);
    setError(undefined);
    onValue(si);
  };
  return (
    <QuantityInput
      id={id}
      label={label}
      family={family}
      {...(family === null ? { unit } : {})}
      digits={digits}
      hint={hint}
      error={error}
      keepWrong={error !== undefined}
      value={value}
      onChange={change}
    />
  );
}
