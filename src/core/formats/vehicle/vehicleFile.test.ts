import { describe, expect, it } from 'vitest';
import { SECOND_SENSOR_PLACES } from '../../base';
import { startingVehicle } from '../../planning';
import { parseVehicle, readVehicleFile, writeVehicleFile } from './vehicleFile';

const vehicle = startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false });
const file = (more: object) => parseVehicle({ schema: 'varmek-vehicle/1', ...vehicle, ...more });

describe('sensors of a vehicle file', () => {
  it.each(SECOND_SENSOR_PLACES)('the second one at “%s” comes in and goes out', (second) => {
    const read = file({ sensors: { second } });
    expect(read.ok && read.value.sensors).toEqual({ second });
    const again = read.ok && readVehicleFile(writeVehicleFile(read.value));
    expect(again).toEqual(read);
  });

  it('may be absent, and then nothing is known of them', () => {
    const read = file({});
    expect(read.ok && 'sensors' in read.value).toBe(false);
    const empty = file({ sensors: {} });
    expect(empty.ok && empty.value.sensors).toEqual({ second: 'unknown' });
  });

  it('at a place that there is not is refused by name', () => {
    const read = file({ sensors: { second: 'glove-box' } });
    expect(read.ok).toBe(false);
    expect(!read.ok && read.error.message).toContain('sensors.second must be one of unknown, engine');
  });
});
