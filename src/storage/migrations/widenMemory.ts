import { VEHICLE_PARAMETER_COUNT, VEHICLE_PARAMETERS, type VehicleMemory } from '@/core/twin';

/** Count of the parameters that a memory had before a heated thermostat's own ones. */
const OLD_COUNT = 20;

/**
 * Middles and spreads that changed, of logarithms: what was z then is `(shift + before × z) / after` now. Figures: the
 * priors of the model before and after (docs/decisions/0021). Heat differs a little by fuel; its middle is taken.
 */
const CHANGED: Readonly<Record<string, { readonly shift: number; readonly before: number; readonly after: number }>> = {
  heatScale: { shift: Math.log(0.415 / 0.435), before: 0.2, after: 0.2 },
  metal: { shift: Math.log(69 / 60), before: 0.2, after: 0.25 },
  slowShare: { shift: Math.log(0.68 / 0.72), before: 0.1, after: 0.1 },
  radiator: { shift: 0, before: 0.35, after: 0.4 },
  heater: { shift: Math.log(0.105 / 0.125), before: 0.3, after: 0.4 },
  loss: { shift: Math.log(0.017 / 0.019), before: 0.35, after: 0.45 },
  flow: { shift: Math.log(2.9 / 3.3), before: 0.3, after: 0.35 },
  heatingThreshold: { shift: 0, before: 0.4, after: 0.8 },
};

/**
 * A memory that was learned against the priors of before, told against those of now: the same vehicle. What has not the
 * length of then is returned as it is.
 */
export function widenMemory(memory: VehicleMemory): VehicleMemory {
  if (memory.mean.length !== OLD_COUNT || memory.sd.length !== OLD_COUNT) return memory;
  const told = VEHICLE_PARAMETERS.slice(0, VEHICLE_PARAMETER_COUNT).map(({ name }, i) => {
    const mean = memory.mean[i] ?? 0;
    const sd = memory.sd[i] ?? 1;
    const change = CHANGED[name];
    // Where the vehicle told nothing the prior of now holds, not that of then.
    if (!change || (mean === 0 && sd === 1)) return { mean, sd };
    const { shift, before, after } = change;
    return { mean: (shift + before * mean) / after, sd: (before * sd) / after };
  });
  return { mean: told.map((t) => t.mean), sd: told.map((t) => t.sd), heatSource: memory.heatSource };
}
