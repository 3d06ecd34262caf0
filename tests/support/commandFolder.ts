import { copyFileSync, mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { writeVehicleFile } from '@/core/formats';
import { startingVehicle } from '@/core/planning';

const DEMO = path.join(import.meta.dirname, '..', '..', 'public', 'demo');

/**
 * A folder as somebody has it who calls the commands: two drives, `a.csv` and `short.csv`, a log without a temperature,
 * `bad.csv`, the vehicle `v.json`, and `list.json`, a manifest of the short and the bad one.
 */
export function commandFolder(): string {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'varmek-'));
  const file = (name: string) => path.join(folder, name);
  copyFileSync(path.join(DEMO, 'ferry-early.csv'), file('a.csv'));
  copyFileSync(path.join(DEMO, 'ferry-short.csv'), file('short.csv'));
  writeFileSync(file('bad.csv'), 'time_s,rpm\n0,1\n1,2\n2,3\n');
  const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
  writeFileSync(file('v.json'), writeVehicleFile({ ...vehicle, thermostat: { ...vehicle.thermostat, rated_c: 89 } }));
  const items = ['short.csv', 'bad.csv'].map((trace) => ({ trace, vehicle: 'v.json' }));
  writeFileSync(file('list.json'), JSON.stringify({ schema: 'varmek-manifest/1', items }));
  return folder;
}
