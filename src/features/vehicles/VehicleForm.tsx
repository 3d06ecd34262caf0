'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';

import { Cautions } from '@/job/Cautions';
import { QuantityField } from './QuantityField';
import { estimatedAnew, vehicleFormSchema, type VehicleFormValues } from './vehicleFields';

/** Adds or changes a vehicle. Everything but its name starts from an estimate that says so. */
export function VehicleForm({
  title,
  start,
  typed,
  onTyped,
  onSave,
  onGiveUp,
}: {
  title: string;
  start: VehicleFormValues;
  /** What was typed before, and neither saved nor given up. */
  typed: VehicleFormValues | null;
  onTyped: (values: VehicleFormValues) => void;
  /** Keeps the values; says itself when it fails. */
  onSave: (values: VehicleFormValues) => Promise<void>;
  /** Lets go of what was typed. */
  onGiveUp: () => void;
}) {
  const begun = typed ?? start;
  const form = useForm<VehicleFormValues>({ resolver: yupResolver(vehicleFormSchema), defaultValues: begun });
  const { control, register, formState } = form;
  useEffect(
    () => form.subscribe({ formState: { values: true }, callback: ({ values }) => onTyped(values) }),
    [form, onTyped],
  );
  const [heated, hybrid] = useWatch({ control, name: ['heated', 'hybrid'] });
  // The kind whose estimates stand in the form: what differs from them was written by a person.
  const [estimatedFor, setEstimatedFor] = useState({
    fuel: begun.fuel,
    displacement_l: begun.displacement_l,
    hybrid: begun.hybrid,
  });
  const estimate = () => {
    const values = form.getValues();
    if (!(values.displacement_l > 0)) return;
    const { fuel, displacement_l, hybrid: isHybrid } = values;
    form.reset(estimatedAnew(values, estimatedFor), { keepDirty: true, keepErrors: true });
    setEstimatedFor({ fuel, displacement_l, hybrid: isHybrid });
  };
  const submit = form.handleSubmit((values) => onSave(values));
  return (
    <form noValidate onSubmit={(e) => void submit(e)} className="mx-auto max-w-4xl px-5 py-8">
      <h1 className="text-4xl type-sign">{title}</h1>
      {typed && (
        <p role="status" className="mt-2 font-semibold" data-testid="typed-before">
          What was typed here before stands here again. It is not saved yet.
        </p>
      )}
      <p className="mt-2 text-base-content/80">
        Figures are estimates for the kind and size of engine until you overwrite them from the vehicle&rsquo;s own
        papers.
      </p>
      <fieldset className="mt-6 grid grid-cols-2 gap-x-8 gap-y-4 md:grid-cols-4">
        <div className="col-span-2">
          <label className="block leading-tight font-semibold" htmlFor="plate">
            Name or plate
          </label>
          <input id="plate" className="input mt-1 w-full text-base" {...register('plate')} />
          <p role="alert" className="mt-1 text-sm text-error">
            {formState.errors.plate?.message}
          </p>
        </div>
        <div className="col-span-2">
          <label className="block leading-tight font-semibold" htmlFor="label">
            What it is
          </label>
          <input
            id="label"
            className="input mt-1 w-full text-base"
            placeholder="Van, 2.2 diesel"
            {...register('label')}
          />
        </div>
        <div>
          <label className="block leading-tight font-semibold" htmlFor="fuel">
            Fuel
          </label>
          <select id="fuel" className="select mt-1 text-base" {...register('fuel', { onChange: estimate })}>
            <option value="petrol">petrol</option>
            <option value="diesel">diesel</option>
          </select>
        </div>
        <QuantityField control={control} name="displacement_l" label="Displacement" />
        <label className="flex items-center gap-3 self-center font-semibold">
          <input type="checkbox" className="checkbox" {...register('hybrid', { onChange: estimate })} /> Hybrid
        </label>
        <button type="button" className="btn self-center" onClick={estimate}>
          Estimate the rest
        </button>
      </fieldset>
      <h2 className="mt-8 border-b border-base-content/30 pb-1 text-2xl type-sign">Thermostat and fan</h2>
      <fieldset className="mt-4 grid grid-cols-2 gap-x-8 gap-y-4 md:grid-cols-4">
        <QuantityField control={control} name="rated_c" label="Opens at (rating)" hint="stamped on the part" />
        <QuantityField control={control} name="full_open_c" label="Fully open at" hint="empty: not known" />
        <div>
          <label className="block leading-tight font-semibold" htmlFor="location">
            Where it sits
          </label>
          <select id="location" className="select mt-1 text-base" {...register('location')}>
            <option value="outlet">at the engine outlet</option>
            <option value="inlet">at the pump inlet</option>
          </select>
        </div>
        <div className="flex flex-col gap-2">
          <label className="flex items-center gap-3 font-semibold">
            <input type="checkbox" className="checkbox" {...register('heated')} /> Electrically heated
          </label>
          {heated && <QuantityField control={control} name="heated_rated_c" label="Opens heated at" />}
        </div>
        <div>
          <label className="block leading-tight font-semibold" htmlFor="fan">
            Radiator fan
          </label>
          <select id="fan" className="select mt-1 text-base" {...register('fan')}>
            <option value="electric">electric</option>
            <option value="viscous">viscous</option>
            <option value="engine-driven">engine-driven</option>
          </select>
        </div>
        <QuantityField control={control} name="on_c" label="Fan on at" hint="empty: not known" />
        <QuantityField control={control} name="off_c" label="Fan off at" hint="empty: not known" />
        <div>
          <label className="block leading-tight font-semibold" htmlFor="second">
            Second coolant sensor
          </label>
          <select id="second" className="select mt-1 text-base" {...register('second')}>
            <option value="unknown">not known</option>
            <option value="engine">at the engine</option>
            <option value="pump-inlet">at the pump inlet</option>
            <option value="radiator-outlet">at the radiator outlet</option>
          </select>
        </div>
      </fieldset>
      <h2 className="mt-8 border-b border-base-content/30 pb-1 text-2xl type-sign">Engine and coolant</h2>
      <fieldset className="mt-4 grid grid-cols-2 gap-x-8 gap-y-4 md:grid-cols-5">
        <QuantityField control={control} name="volume_l" label="Coolant" />
        <QuantityField control={control} name="glycol_pct" label="Antifreeze" />
        <QuantityField control={control} name="cap_kpa" label="Cap" hint="15 psi works too" />
        <QuantityField control={control} name="idle_rpm" label="Idle speed" />
        <QuantityField control={control} name="kerb_mass_kg" label="Mass" />
        <QuantityField control={control} name="mileage_km" label="Mileage" hint="empty: not known" />
        <div className="col-span-2">
          <label className="block leading-tight font-semibold" htmlFor="variant">
            Engine variant
          </label>
          <input
            id="variant"
            className="input mt-1 w-full text-base"
            placeholder="decides the procedure"
            {...register('variant')}
          />
        </div>
      </fieldset>
      {hybrid && <Cautions className="mt-6" of={['orange-cables']} />}
      <div className="mt-8 flex flex-wrap gap-4">
        <button type="submit" className="btn btn-lg btn-primary" disabled={formState.isSubmitting}>
          Save the vehicle
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={onGiveUp}>
          Give up these changes
        </button>
      </div>
    </form>
  );
}
