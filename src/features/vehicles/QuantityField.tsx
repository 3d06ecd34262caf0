'use client';

import { useController, type Control, type FieldPathByValue } from 'react-hook-form';
import type { UnitFamily } from '@/core/base';
import { QuantityInput } from '@/ui/QuantityInput';
import type { VehicleFormValues } from './vehicleFields';

/** A quantity of the vehicle form. */
export function QuantityField({
  control,
  name,
  label,
  unit,
  family = null,
  hint,
}: {
  control: Control<VehicleFormValues>;
  name: FieldPathByValue<VehicleFormValues, number | null | undefined>;
  label: string;
  unit: string;
  family?: UnitFamily | null;
  hint?: string;
}) {
  const {
    field: { value, onChange, onBlur },
    fieldState,
  } = useController({ control, name });
  return (
    <QuantityInput
      id={name}
      label={label}
      value={(value as number | null | undefined) ?? null}
      family={family}
      unit={unit}
      hint={hint}
      error={fieldState.error?.message}
      onChange={onChange}
      onBlur={onBlur}
    />
  );
}
