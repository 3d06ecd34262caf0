'use client';

import { useState } from 'react';
import type { UnitFamily } from '@/core/base';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';

/** One figure of the shop: what it is, the shipped one beside it, and a way back to that. */
export function NumberSetting({
  id,
  label,
  family = null,
  unit,
  digits = 1,
  own,
  shipped,
  low,
  high,
  onChange,
}: {
  id: string;
  label: string;
  family?: UnitFamily | null;
  unit: string;
  digits?: number;
  /** The shop's own; undefined while it is as shipped. */
  own: number | undefined;
  shipped: number;
  low: number;
  high: number;
  /** Undefined goes back to the shipped one. */
  onChange: (value: number | undefined) => void;
}) {
  const [error, setError] = useState<string>();
  const { show } = useUnits();
  const withUnit = (si: number): string =>
    family === null ? `${Number(si.toFixed(digits))} ${unit}` : show(family, si, digits);
  const take = (value: number | null) => {
    if (value !== null && Number.isNaN(value)) return setError(undefined);
    const wrong =
      value !== null && !(value >= low && value <= high)
        ? `Between ${withUnit(low)} and ${withUnit(high)}.`
        : undefined;
    setError(wrong);
    if (wrong === undefined) onChange(value ?? undefined);
  };
  return (
    <QuantityInput
      id={id}
      label={label}
      family={family}
      unit={unit}
      digits={digits}
      value={own ?? shipped}
      error={error}
      keepWrong={error !== undefined}
      hint={own === undefined ? 'as shipped' : `shipped: ${withUnit(shipped)}`}
      onChange={take}
    />
  );
}
