import type { CautionId } from '../cautions';
import type { RepairException } from './sheet';

/** A way outside the maker's, with what it risks. */
export interface ExceptionSpec {
  readonly says: string;
  readonly risk: string;
  readonly conditions: string;
  readonly cautions: readonly CautionId[];
  /** Days until it is looked at again. */
  readonly reviewDays: number;
}

/** Allowed ways outside the maker's: each goes down with risk, conditions and a day. */
export const EXCEPTIONS: Readonly<Record<RepairException['kind'], ExceptionSpec>> = {
  'second-valve': {
    says: 'Second thermostat in the hose',
    risk: 'Hides the fault of the first one. Unvented in the only outlet it sits in dead cool water while the engine overheats.',
    conditions: 'Flow past its element and another path proved; monitored runs; arrow with the flow, two clips.',
    cautions: ['added-valve', 'doubtful-gauge'],
    reviewDays: 30,
  },
  'no-valve': {
    says: 'Running without a thermostat',
    risk: 'Cold engine, rich running, wear. Where the valve also shuts the bypass, it may overheat under load.',
    conditions: 'Short runs only, to flush or to wait for the part; the car is marked.',
    cautions: ['no-valve-fitted', 'stay-with-it'],
    reviewDays: 3,
  },
  waterless: {
    says: 'Waterless coolant',
    risk: 'Carries less heat: metal runs hotter. Burns at engine temperature. A top-up with water spoils it.',
    conditions: 'Dried until under the supplier’s limit of water, measured; cap and tank labelled.',
    cautions: ['waterless', 'any-coolant-burns'],
    reviewDays: 180,
  },
  'winter-cover': {
    says: 'Cover over the radiator',
    risk: 'Left on when it warms up it overheats. It hides a thermostat that lets through too soon.',
    conditions: 'Hard frost only; off when warmer or climbing; noted on every logged drive.',
    cautions: ['winter-cover'],
    reviewDays: 60,
  },
};
