import type { Transaction } from 'dexie';
import type { VehicleMemory } from '@/core/twin';
import { judgeAgain } from './judgeAgain';
import { widenMemory } from './widenMemory';

/** Version 8: the judge weighs by experience against other priors: memories are told anew, findings made again. */
export async function toExperience(change: Transaction): Promise<void> {
  await change
    .table<{ memory: VehicleMemory | null }>('vehicles')
    .toCollection()
    .modify((vehicle) => {
      if (vehicle.memory) vehicle.memory = widenMemory(vehicle.memory);
    });
  await judgeAgain(change);
}
