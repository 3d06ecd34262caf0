'use client';

import { useState } from 'react';
import type { UnitFamily } from '@/core/base';
import { QuantityInput } from '@/ui/QuantityInput';

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
  const take = (value: number | null) => {
    if (value !== null && Number.isNaN(value)) return setError(undefined);
    const wrong = value !== null && !(value >= low && value <= high) ? `Between ${low} and ${high}.` : undefined;
    setError(wrong);
    if (wrong === undefined) onChange(value ?? undefined);
  };
  const shownShipped = family === null ? `${Number(shipped.toFixed(digits))} ${unit}` : undefined;
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
      hint={own === undefined ? 'as shipped' : shownShipped ? `shipped: ${shownShipped}` : 'your own'}
      onChange={take}
    />
  );
}
