'use client';

import { parseQuantity, unitOf, type UnitFamily } from '@/core/base';
import { useUnits } from './units';
import { useTyped } from './useTyped';

/**
 * A number with its unit: keeps what was typed until the field is left, understands a typed unit ("190F"), gives SI.
 * Null stands for "not known".
 */
export function QuantityInput({
  id,
  label,
  value,
  family,
  unit,
  hint,
  error,
  digits = 1,
  keepWrong = false,
  onChange,
  onBlur,
}: {
  id: string;
  label: string;
  value: number | null;
  /** Kind of reading; null for a bare number. */
  family: UnitFamily | null;
  /** Unit written behind a bare number. */
  unit?: string;
  hint?: string | undefined;
  error?: string | undefined;
  digits?: number;
  /** What was typed was not kept: it stays in the field until it is mended. */
  keepWrong?: boolean;
  /** SI value, null when emptied, NaN when not understood. */
  onChange: (si: number | null) => void;
  onBlur?: () => void;
}) {
  const { symbolOf } = useUnits();
  const shownUnit = family === null ? (unit ?? '') : symbolOf(family);
  const shown = (si: number | null): string => {
    if (si === null || !Number.isFinite(si)) return '';
    const inUnit = family === null ? si : unitOf(family, shownUnit).fromSi(si);
    return String(Number(inUnit.toFixed(digits)));
  };
  const read = (text: string): number | null => {
    if (text.trim() === '') return null;
    if (family === null) return Number(text.replace(',', '.'));
    return parseQuantity(text, family, shownUnit) ?? NaN;
  };
  const { typed, type, enter, leave } = useTyped((text) => keepWrong || Number.isNaN(read(text)));
  const wrong = typed !== null && Number.isNaN(read(typed));
  const message = error ?? (wrong ? `Not understood. Type a number, with or without ${shownUnit}.` : hint);
  return (
    <div>
      <label className="block leading-tight font-semibold" htmlFor={id}>
        {label}
      </label>
      <div className="mt-1 flex items-center gap-2">
        <input
          id={id}
          className={`input w-24 text-right text-base ${error || wrong ? 'input-error' : ''}`}
          inputMode="decimal"
          autoComplete="off"
          value={typed ?? shown(value)}
          aria-invalid={error !== undefined || wrong}
          aria-describedby={`${id}-note`}
          onChange={(e) => {
            type(e.target.value);
            onChange(read(e.target.value));
          }}
          onFocus={enter}
          onBlur={() => {
            leave();
            onBlur?.();
          }}
        />
        <span className="type-label">{shownUnit}</span>
      </div>
      <p id={`${id}-note`} className={`mt-0.5 text-sm ${error || wrong ? 'text-error' : 'text-base-content/75'}`}>
        {message}
      </p>
    </div>
  );
}
