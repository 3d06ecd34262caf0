import type { Vehicle } from '../base';
import { glycolForFreezing_pct, readRefractometer } from '../coolant';
import { unmeasured, type CoolantState } from '../limits';
import { capCheck } from './coldChecks';
import { inOrder, type Entry, type MeasurementEntry } from './entry';
import type { WorkKind } from './work';

/** Work after which a reading of cap or mix is one of before. */
const NEW_CAP: readonly WorkKind[] = ['replaced-cap'];
const NEW_COOLANT: readonly WorkKind[] = [
  'drained-and-filled',
  'topped-up-and-bled',
  'replaced-radiator',
  'replaced-pump',
];

/** The latest value of a measurement, unless work has made it one of before. */
function latest(
  entries: readonly Entry[],
  name: MeasurementEntry['name'],
  value: string,
  endedBy: readonly WorkKind[],
): MeasurementEntry | null {
  let found: MeasurementEntry | null = null;
  for (const e of entries) {
    if (e.kind === 'measurement' && e.name === name && e.values[value] !== undefined) found = e;
    if (e.kind === 'work' && endedBy.includes(e.work)) found = null;
  }
  return found;
}

/** The latest reading of the mix, of the cold look or of the bench; empty where none holds any more. */
function latestMix(entries: readonly Entry[]): Partial<Pick<CoolantState, 'glycol' | 'glycol_pct'>> {
  let found: Partial<Pick<CoolantState, 'glycol' | 'glycol_pct'>> = {};
  for (const e of entries) {
    if (e.kind === 'measurement' && e.name === 'coolant' && e.values.freezes_c !== undefined) {
      found = { glycol_pct: glycolForFreezing_pct(e.values.freezes_c) };
    }
    if (e.kind === 'bench' && e.test?.of === 'mix' && e.part === 'old') {
      found = { glycol: e.test.glycol, glycol_pct: readRefractometer(e.test).glycol_pct };
    }
    if (e.kind === 'work' && NEW_COOLANT.includes(e.work)) found = {};
  }
  return found;
}

/** What is known of a car's cap and mix by its chronicle. */
export function coolantState(entries: readonly Entry[], vehicle: Vehicle, altitude_m: number): CoolantState {
  const live = inOrder(entries.filter((e) => e.takenBack !== true));
  const cap = latest(live, 'cap', 'releases_kpa', NEW_CAP);
  const mix = latestMix(live);
  return {
    ...unmeasured(vehicle, altitude_m),
    ...mix,
    ...(cap ? { releases_kpa: cap.values.releases_kpa!, capWeak: capCheck(vehicle, cap.values, altitude_m).weak } : {}),
  };
}
