import { describe, expect, it } from 'vitest';
import type { Trace, Vehicle } from '../base';
import { startingVehicle } from '../planning';
import { fuelPower_kw, guessRpm, roadLoadFuel_kw } from './heatEstimate';
import {
  NO_TWIN_FAULT,
  parameterIndex,
  prepareInputs,
  simulateTwin,
  twinPrior,
  twinWorkspace,
  VEHICLE_PARAMETER_COUNT,
} from './index';

const petrol = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const diesel = startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false });
const signals = { rpm: 2000, speed_mps: 20, acceleration_mps2: 0, load_pct: 40, maf_gps: 12 };

describe('fuel power', () => {
  it('from air flow is air over the mixture times the heating value', () => {
    expect(fuelPower_kw(petrol, 'air-flow', signals)).toBeCloseTo((12 / 14.7) * 43.5, 6);
    expect(fuelPower_kw(petrol, 'air-flow', { ...signals, maf_gps: NaN })).toBeNaN();
  });

  it('from load grows with load and engine speed, and a diesel’s air says little', () => {
    const at = (load_pct: number, rpm: number) => fuelPower_kw(petrol, 'load', { ...signals, load_pct, rpm });
    expect(at(80, 2000)).toBeCloseTo(2 * at(40, 2000), 6);
    expect(at(40, 4000)).toBeCloseTo(2 * at(40, 2000), 6);
    expect(at(150, 2000)).toBe(at(100, 2000));
    expect(fuelPower_kw(diesel, 'air-flow', { ...signals, maf_gps: 50 })).toBe(fuelPower_kw(diesel, 'load', signals));
  });

  it('from road load: idle is a few kilowatts, the motorway tens, the overrun next to nothing', () => {
    const at = (speed_mps: number, acceleration_mps2 = 0) =>
      roadLoadFuel_kw(petrol, { ...signals, speed_mps, acceleration_mps2, rpm: speed_mps === 0 ? 750 : 2400 });
    expect(at(0)).toBeGreaterThan(3);
    expect(at(0)).toBeLessThan(12);
    expect(at(33)).toBeGreaterThan(35);
    expect(at(33)).toBeLessThan(90);
    expect(at(20, -1.5)).toBeLessThan(0.5 * at(0));
    expect(at(20, 1)).toBeGreaterThan(2 * at(20));
    expect(roadLoadFuel_kw(petrol, { ...signals, rpm: 0 })).toBe(0);
  });

  it('is not known where nothing was logged, and guesses a gear from road speed', () => {
    expect(fuelPower_kw(petrol, 'unknown', signals)).toBeNaN();
    expect(guessRpm(petrol, 0)).toBe(petrol.engine.idle_rpm);
    expect(guessRpm(petrol, 30)).toBeGreaterThan(guessRpm(diesel, 30));
  });
});

/** Reading of the twin after a drive at constant speed, with some parameters moved by z. */
function drive(
  vehicle: Vehicle,
  ambient_c: number,
  channels: readonly string[],
  minutes: number,
  z: Record<string, number> = {},
) {
  const n = 60 * minutes + 1;
  const constant = (v: number) => new Float64Array(n).fill(v);
  const all = {
    ect_c: constant(ambient_c),
    ambient_c: constant(ambient_c),
    speed_kmh: constant(60),
    rpm: constant(1900),
    maf_gps: constant(9),
  };
  const trace: Trace = {
    time_s: Float64Array.from({ length: n }, (_, i) => i),
    channels: Object.fromEntries(
      Object.entries(all).filter(([name]) => name === 'ect_c' || channels.includes(name)),
    ) as Trace['channels'],
  };
  const inputs = prepareInputs(trace, vehicle);
  const prior = twinPrior(inputs);
  const at = new Float64Array(VEHICLE_PARAMETER_COUNT);
  for (const [name, value] of Object.entries(z))
    at[parameterIndex(name as Parameters<typeof parameterIndex>[0])] = value;
  const parameters = prior.toParameters(at);
  const reading = simulateTwin(
    inputs,
    prior,
    parameters,
    new Float64Array(prior.knotCount),
    NO_TWIN_FAULT,
    twinWorkspace(inputs),
  );
  return { reading: Float64Array.from(reading), parameters, prior };
}

describe('heat of a cold engine', () => {
  const rise = (ambient_c: number, channels: readonly string[]) => {
    const { reading } = drive(petrol, ambient_c, [...channels, 'ambient_c'], 4);
    return reading.at(-1)! - reading[0]!;
  };

  it('a frozen engine gains more in its first minutes than a mild one, where the fuel for friction is not seen', () => {
    const gain = (channels: readonly string[]) => rise(-20, channels) / rise(30, channels);
    expect(gain(['speed_kmh', 'rpm'])).toBeGreaterThan(1);
    expect(gain(['speed_kmh', 'rpm'])).toBeGreaterThan(gain(['maf_gps', 'rpm', 'speed_kmh']) + 0.05);
  });

  it('the allowance is largest where the heat is least known from its fuel', () => {
    const cold = (channels: readonly string[]) => drive(petrol, 0, channels, 4).prior.coldHeat;
    expect(cold(['maf_gps'])).toBeLessThan(cold(['speed_kmh']));
    expect(cold([])).toBe(cold(['speed_kmh']));
  });

  it('where only the temperature was logged, a drive begins standing and its knots share what the whole of it was like', () => {
    const { prior } = drive(petrol, 0, [], 20);
    const flat = prior.toKnots(new Float64Array(prior.knotCount));
    expect(flat[0]!).toBeLessThan(-1);
    expect(flat.at(-1)!).toBeCloseTo(0, 2);
    const common = new Float64Array(prior.knotCount);
    common[prior.knotCount - 1] = 1;
    const raised = prior.toKnots(common);
    expect(raised.length).toBe(prior.knotCount - 1);
    raised.forEach((k, i) => expect(k - flat[i]!).toBeCloseTo(raised[0]! - flat[0]!, 12));
    expect(raised[0]! - flat[0]!).toBeGreaterThan(0.3);
    const logged = drive(petrol, 0, ['speed_kmh'], 20).prior;
    expect(logged.toKnots(new Float64Array(logged.knotCount)).length).toBe(logged.knotCount);
  });

  it('people heat the cabin when it is cold', () => {
    const heater = (ambient_c: number) => drive(petrol, ambient_c, ['ambient_c'], 4).parameters.heater;
    expect(heater(-10)).toBeGreaterThan(2 * heater(22));
    const unknown = drive(petrol, 8, [], 4).parameters.heater;
    expect(unknown).toBeGreaterThan(heater(22));
    expect(unknown).toBeLessThan(heater(-10));
  });
});
