import { describe, expect, it } from 'vitest';
import { CHANNEL_NAMES } from '../../base';
import { readHeader } from './headers';

describe('readHeader', () => {
  it.each(CHANNEL_NAMES.map((n) => [n]))('%s is itself', (name) => {
    expect(readHeader(name)).toMatchObject({ channel: name, sure: true });
  });

  it.each([
    ['Engine Coolant Temperature (°F)', 'ect_c', '°F'],
    ['ECT [C]', 'ect_c', '°C'],
    ['Coolant Temp 2 (°C)', 'ect2_c', '°C'],
    ['Kühlmitteltemperatur [°C]', 'ect_c', '°C'],
    ['Température liquide de refroidissement (°C)', 'ect_c', '°C'],
    ['Intake Air Temp °C', 'iat_c', '°C'],
    ['Ambient air temperature(°C)', 'ambient_c', '°C'],
    ['Vehicle speed (mph)', 'speed_kmh', 'mph'],
    ['Geschwindigkeit km/h', 'speed_kmh', 'km/h'],
    ['Engine RPM', 'rpm', 'rpm'],
    ['Motordrehzahl [1/min]', 'rpm', 'rpm'],
    ['Calculated load value (%)', 'load_pct', '%'],
    ['MAF rate (g/s)', 'maf_gps', 'g/s'],
    ['Radiator outlet temp (°C)', 'rad_out_c', '°C'],
    ['Oil temperature (°C)', 'oil_c', '°C'],
    ['Dash gauge coolant (°C)', 'gauge_c', '°C'],
    ['Radiator fan duty (%)', 'fan_pct', '%'],
    ['Cabin blower (%)', 'heater_pct', '%'],
    ['Thermostat heater duty (%)', 'thermostat_heater_pct', '%'],
    ['Elapsed time (s)', 'time_s', 's'],
    ['Time (ms)', 'time_s', 'ms'],
  ])('%s', (header, channel, unit) => {
    expect(readHeader(header)).toMatchObject({ channel, unit, sure: true });
  });

  it.each(['', 'Latitude', 'Fuel trim', 'constructor', '__proto__'])('"%s" is nothing it knows', (header) => {
    expect(readHeader(header).channel).toBeNull();
  });
});
