import { array, mixed, number, object } from 'yup';
import { VEHICLE_PARAMETER_COUNT, type HeatSource, type VehicleMemory } from '@/core/twin';
import { widenMemory } from './migrations/widenMemory';

const HEAT_SOURCES: readonly HeatSource[] = ['air-flow', 'load', 'road-load', 'engine-speed', 'unknown'];

const finite = () => number().strict().required().test('finite', 'not finite', Number.isFinite);

const memorySchema = object({
  mean: array(finite()).required(),
  sd: array(finite().positive()).required(),
  heatSource: mixed<HeatSource>().oneOf(HEAT_SOURCES).nullable().defined(),
});

/**
 * A vehicle's memory from a file. One that does not fit, because it is broken or was learned by a model with other
 * parameters, counts as none: the vehicle then has to learn again.
 */
export function readMemory(value: unknown): VehicleMemory | null {
  if (!memorySchema.isValidSync(value, { strict: true })) return null;
  const { mean, sd, heatSource } = memorySchema.cast(value);
  const memory = widenMemory({ mean, sd, heatSource });
  const fits = memory.mean.length === VEHICLE_PARAMETER_COUNT && memory.sd.length === VEHICLE_PARAMETER_COUNT;
  return fits ? memory : null;
}
