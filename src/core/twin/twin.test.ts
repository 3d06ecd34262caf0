import { describe, expect, it } from 'vitest';
import type { Trace, Vehicle } from '../base';
import { startingVehicle } from '../planning';
import {
  NO_TWIN_FAULT,
  parameterIndex,
  prepareInputs,
  simulateTwin,
  twinPrior,
  twinTruth,
  twinWorkspace,
  VEHICLE_PARAMETER_COUNT,
  type TwinFault,
} from './index';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });

/** A steady drive: constant speed, engine speed and air flow. */
function steady(seconds: number, maf_gps: number, speed_kmh: number, ambient_c: number, every_s = 1): Trace {
  const n = Math.floor(seconds / every_s) + 1;
  const constant = (v: number) => new Float64Array(n).fill(v);
  return {
    time_s: Float64Array.from({ length: n }, (_, i) => i * every_s),
    channels: {
      ect_c: constant(ambient_c),
      ambient_c: constant(ambient_c),
      speed_kmh: constant(speed_kmh),
      rpm: constant(2200),
      maf_gps: constant(maf_gps),
      heater_pct: constant(0),
    },
  };
}

function run(trace: Trace, fault: Partial<TwinFault> = {}, on: Vehicle = vehicle, z = new Float64Array(64)) {
  const inputs = prepareInputs(trace, on);
  const prior = twinPrior(inputs);
  const truth = twinTruth(inputs);
  const knots = new Float64Array(prior.knotCount);
  const reading = simulateTwin(
    inputs,
    prior,
    prior.toParameters(z),
    knots,
    { ...NO_TWIN_FAULT, ...fault },
    twinWorkspace(inputs),
    truth,
  );
  return { reading: Float64Array.from(reading), truth, inputs, parameters: prior.toParameters(z) };
}

describe('twin', () => {
  const drive = steady(1800, 9, 70, 5);

  it('settles at the opening temperature', () => {
    const { reading, truth } = run(drive);
    expect(reading.at(-1)!).toBeGreaterThan(vehicle.thermostat.rated_c - 2);
    expect(reading.at(-1)!).toBeLessThan(vehicle.thermostat.rated_c + 8);
    expect(truth.lift.at(-1)!).toBeGreaterThan(0);
    expect(truth.lift[0]).toBe(0);
  });

  it('at rest it stays at outside air', () => {
    const still = steady(900, 0, 0, 12);
    const { reading } = run({ ...still, channels: { ...still.channels, rpm: new Float64Array(still.time_s.length) } });
    for (const t of reading) expect(t).toBeCloseTo(12, 0);
  });

  it('keeps its energy: heat in is stored, rejected or lost', () => {
    const { truth, inputs, parameters } = run(steady(300, 6, 0, 20));
    // Before opening, heat in over a short time is at least what the coolant stores.
    const q_kj = inputs.specificFuel.reduce(
      (sum, _, k) => sum + parameters.heatScale * Math.exp(parameters.heatTilt * inputs.logFuel[k]!) * inputs.step_s,
      0,
    );
    const stored = twinWorkspace(inputs).engineCapacity * (truth.coolant_c.at(-1)! - 20);
    expect(stored).toBeGreaterThan(0.1 * q_kj);
    expect(stored).toBeLessThan(q_kj);
  });

  it('is stable with the valve wide open at long steps', () => {
    const { reading } = run(steady(7200, 14, 120, -25, 5), { leak: 1 });
    const late = reading.slice(reading.length / 2);
    expect(Math.max(...late) - Math.min(...late)).toBeLessThan(0.5);
    expect(late.every(Number.isFinite)).toBe(true);
  });

  it('each fault leaves its signature', () => {
    const sound = run(drive).reading;
    const end = sound.at(-1)!;
    const early = Math.floor(sound.length * 0.2);
    const of = (fault: Partial<TwinFault>) => run(drive, fault).reading;
    expect(of({ leak: 0.7 }).at(-1)!).toBeLessThan(end - 20);
    expect(of({ leak: 0.12 })[early]!).toBeLessThan(sound[early]! - 1);
    expect(of({ openingShift_k: -20 })[early]!).toBeCloseTo(sound[early]!, 0);
    expect(of({ openingShift_k: -20 }).at(-1)!).toBeLessThan(end - 14);
    expect(of({ liftLimit: 0 }).at(-1)!).toBeGreaterThan(end + 15);
    expect(of({ senderLag_s: 100 })[early]!).toBeLessThan(sound[early]! - 5);
    expect(of({ air: 0.8 })[early]!).toBeLessThan(sound[early]!);
  });

  it('an inlet thermostat lets the outlet run hotter', () => {
    const inlet = { ...vehicle, thermostat: { ...vehicle.thermostat, location: 'inlet' as const } };
    expect(run(drive, {}, inlet).reading.at(-1)!).toBeGreaterThan(run(drive).reading.at(-1)!);
  });

  it('a heated thermostat runs high unheated and low heated', () => {
    const heated = {
      ...vehicle,
      thermostat: { ...vehicle.thermostat, rated_c: 103, full_open_c: 115, heated: true, heated_rated_c: 85 },
    };
    const dead = run(drive, { heatingElement: 'dead' }, heated).reading.at(-1)!;
    const always = run(drive, { heatingElement: 'always-on' }, heated).reading.at(-1)!;
    expect(dead).toBeGreaterThan(100);
    expect(always).toBeLessThan(dead - 10);
  });

  it('chooses the best heat source there is', () => {
    const source = (drop: string[]) => {
      const channels = Object.fromEntries(Object.entries(drive.channels).filter(([n]) => !drop.includes(n)));
      return prepareInputs({ ...drive, channels: channels as Trace['channels'] }, vehicle).heatSource;
    };
    expect(source([])).toBe('air-flow');
    expect(source(['maf_gps'])).toBe('road-load');
    expect(source(['maf_gps', 'speed_kmh'])).toBe('engine-speed');
    expect(source(['maf_gps', 'speed_kmh', 'rpm'])).toBe('unknown');
  });

  it('the prior moves with z and memory narrows it', () => {
    const inputs = prepareInputs(drive, vehicle);
    const z = new Float64Array(VEHICLE_PARAMETER_COUNT);
    z[parameterIndex('metal')] = 1;
    const wide =
      twinPrior(inputs).toParameters(z).metal / twinPrior(inputs).toParameters(new Float64Array(z.length)).metal;
    const memory = {
      mean: Array(z.length).fill(0) as number[],
      sd: Array(z.length).fill(0.25) as number[],
      heatSource: null,
    };
    const narrow =
      twinPrior(inputs, memory).toParameters(z).metal /
      twinPrior(inputs).toParameters(new Float64Array(z.length)).metal;
    expect(wide).toBeGreaterThan(narrow);
    expect(narrow).toBeGreaterThan(1);
  });
});
