'use client';

import { pricesFor } from '@/core/case';
import { GLYCOLS, type Glycol } from '@/core/coolant';
import { coolantFit, coolantNeed, PLACE_CAUTIONS, type PlannedCoolant, strengthBought_pct } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { useUnits } from '@/ui/units';

const KIND_NAME: Readonly<Record<PlannedCoolant['kind'], string>> = {
  concentrate: 'concentrate',
  ready: 'ready mix',
  waterless: 'waterless',
};
const WATER_NAME: Readonly<Record<NonNullable<PlannedCoolant['water']>, string>> = {
  demineralised: 'demineralised',
  distilled: 'distilled',
  'soft-tap': 'soft tap',
  'hard-tap': 'hard tap',
};

/** Coolant by its approval text, the containers to buy, and what is left over. */
export function CoolantChoice() {
  const { vehicle, figures } = useJob();
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { coolant } = sheet.plan;
  const set = (to: Partial<PlannedCoolant>) => put('plan', (now) => ({ coolant: { ...now.coolant, ...to } }));
  const fit = coolantFit(coolant.approvalInCar, coolant.approvalNew);
  const target_pct = sheet.fill.target_pct ?? vehicle.vehicle.coolant.glycol_pct;
  const need = coolantNeed(sheet, vehicle.vehicle.coolant.volume_l, target_pct);
  return (
    <section aria-labelledby="coolant-title">
      <h2 id="coolant-title" className="text-2xl type-sign">
        Coolant
      </h2>
      <p className="mt-1 text-xl font-bold" data-testid="containers">
        {need.containers} × {show('volume', coolant.container_l, 1)} of {KIND_NAME[coolant.kind]}
      </p>
      <p className="text-sm">
        {show('volume', need.need_l, 1)} for the filling with a reserve for bleeding; {show('volume', need.left_l, 1)}{' '}
        left over
        {need.leftCost > 0
          ? `, worth ${Math.round(need.leftCost)} ${pricesFor(vehicle.vehicle, figures.ownPrices).currency}`
          : ''}
        . Take the container’s volume from its label.
      </p>
      <div className="mt-2 grid grid-cols-1 gap-x-5 gap-y-2 sm:grid-cols-2">
        <TextField
          id="approval-car"
          label="Approval text of what is in the car"
          hint="handbook, cap, last invoice"
          value={coolant.approvalInCar}
          onText={(approvalInCar) => set({ approvalInCar })}
        />
        <TextField
          id="approval-new"
          label="Approval text of the new one"
          hint="as on the container"
          value={coolant.approvalNew}
          onText={(approvalNew) => set({ approvalNew })}
        />
      </div>
      <p
        className={`mt-1 pl-3 leading-snug ${fit.fits === true ? 'border-l-4 border-success' : 'border-l-4 border-warning'}`}
        data-testid="coolant-fit"
      >
        {fit.says}
      </p>
      <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
        <label className="block">
          <span className="block leading-tight font-semibold">Glycol</span>
          <select
            className="select mt-1 w-36 text-base"
            value={coolant.glycol}
            onChange={(e) => set({ glycol: e.target.value as Glycol })}
          >
            {GLYCOLS.map((g) => (
              <option key={g}>{g}</option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="block leading-tight font-semibold">Sold as</span>
          <select
            className="select mt-1 w-40 text-base"
            value={coolant.kind}
            onChange={(e) => set({ kind: e.target.value as PlannedCoolant['kind'] })}
          >
            {Object.entries(KIND_NAME).map(([k, name]) => (
              <option key={k} value={k}>
                {name}
              </option>
            ))}
          </select>
        </label>
        {coolant.kind === 'ready' && (
          <RangedInput
            id="ready-pct"
            label="Its strength"
            family={null}
            unit="%"
            value={strengthBought_pct(coolant)}
            low={5}
            high={100}
            onValue={(ready_pct) => set({ ready_pct })}
          />
        )}
        <RangedInput
          id="container"
          label="Container"
          family="volume"
          digits={2}
          value={coolant.container_l}
          low={0.1}
          high={250}
          onValue={(container_l) => set({ container_l })}
        />
        <RangedInput
          id="container-price"
          label="Each costs"
          family={null}
          digits={2}
          value={coolant.containerPrice}
          low={0}
          high={1e5}
          onValue={(containerPrice) => set({ containerPrice })}
        />
        <label className="block">
          <span className="block leading-tight font-semibold">Water</span>
          <select
            className="select mt-1 w-40 text-base"
            value={coolant.water ?? ''}
            onChange={(e) => set({ water: (e.target.value || null) as PlannedCoolant['water'] })}
          >
            <option value="">not said</option>
            {Object.entries(WATER_NAME).map(([k, name]) => (
              <option key={k} value={k}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      {coolant.water === 'hard-tap' && (
        <p className="mt-1 border-l-4 border-warning pl-3 text-sm">
          Hard water scales: for the first rinses only; demineralised in the mix and in the last rinse.
        </p>
      )}
      <Cautions
        className="mt-1"
        of={
          coolant.kind === 'waterless'
            ? [...PLACE_CAUTIONS.waterless, ...PLACE_CAUTIONS.coolant]
            : PLACE_CAUTIONS.coolant
        }
      />
    </section>
  );
}
