'use client';

import { useController, type Control } from 'react-hook-form';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import { QUANTITIES, type QuantityName, type VehicleFormValues } from './vehicleFields';

/** A quantity of the vehicle form; its errors are told in the units of the shop. */
export function QuantityField({
  control,
  name,
  label,
  hint,
}: {
  control: Control<VehicleFormValues>;
  name: QuantityName;
  label: string;
  hint?: string;
}) {
  const { field, fieldState } = useController({ control, name });
  const { show } = useUnits();
  const { low, high, unit, family, label: full } = QUANTITIES[name];
  const shown = (si: number) => (family ? show(family, si, Number.isInteger(si) ? 0 : 1) : `${si} ${unit}`);
  const { error } = fieldState;
  const message =
    error?.type === 'min'
      ? `${full}: at least ${shown(low)}.`
      : error?.type === 'max'
        ? `${full}: at most ${shown(high)}.`
        : error?.message;
  return (
    <QuantityInput
      id={name}
      label={label}
      value={field.value ?? null}
      family={family}
      unit={unit}
      hint={hint}
      error={message}
      onChange={field.onChange}
      onBlur={field.onBlur}
    />
  );
}
