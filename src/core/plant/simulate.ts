import { COMMON_SENDER, readingWithFault } from '../sender';
import type { PlantBody } from './body';
import { soakedLoop, stepLoop, type LoopState } from './coolantLoop';
import { DRIVE_STEP_S, type DriveDemand } from './drive';
import type { PlantFault } from './fault';
import { enginePoint } from './powertrain';
import type { Random } from './random';
import type { World } from './worlds/world';
import { controlUnitReading_c, disturbedReading_c, soakedSender, stepSender } from './senderChain';

/** Weather and soak of a simulated drive. */
export interface PlantConditions {
  readonly ambient_c: number;
  /** Engine temperature at key-on, °C. */
  readonly engineStart_c: number;
  /** Share of the radiator face that is covered. */
  readonly coverFraction: number;
}

/** Everything a simulated drive produced, every {@link RECORD_STEP_S}; truth beside readings. */
export interface PlantRun {
  readonly time_s: Float64Array;
  readonly coolant_c: Float64Array;
  readonly ect_c: Float64Array;
  readonly ect2_c: Float64Array;
  readonly gauge_c: Float64Array;
  readonly iat_c: Float64Array;
  readonly ambient_c: Float64Array;
  readonly speed_kmh: Float64Array;
  readonly rpm: Float64Array;
  readonly load_pct: Float64Array;
  readonly maf_gps: Float64Array;
  readonly fan_pct: Float64Array;
  readonly heater_pct: Float64Array;
  readonly thermostat_heater_pct: Float64Array;
  readonly oil_c: Float64Array;
  readonly rad_out_c: Float64Array;
  readonly rad_in_c: Float64Array;
  readonly lift: Float64Array;
}

/** Step at which a run is kept, s. */
export const RECORD_STEP_S = 1;

/** Command of a heated thermostat: heat when the engine works hard, is too hot already, or the day is hot; by other maps. */
function heatingCommand(
  body: PlantBody,
  fuel_kw: number,
  speed_mps: number,
  reading_c: number,
  ambient_c: number,
  time_s: number,
): number {
  if (!body.vehicle.thermostat.heated) return 0;
  const rated = body.vehicle.thermostat.rated_c;
  const hard = fuel_kw / body.vehicle.engine.displacement_l > 28 || speed_mps > 30;
  const lower = body.vehicle.thermostat.heated_rated_c ?? rated - 18;
  if (reading_c < lower - 8) return 0;
  const specific = fuel_kw / (15 * body.vehicle.engine.displacement_l);
  switch (body.world.heatingMap) {
    case 'load':
      return Math.min(1, Math.max(0, (specific - 0.9) / 1.2));
    case 'speed':
      return speed_mps > 22 ? 1 : reading_c > rated + 3 ? 1 : 0;
    case 'intake':
      return ambient_c > 22 || specific > 2.2 || reading_c > rated + 3 ? 1 : 0;
    case 'target': {
      // The map names a level by load; the command closes the gap to it.
      const target = specific > 1.3 ? lower + 3 : rated - 4;
      return Math.min(1, Math.max(0, (reading_c - target) / 6));
    }
    case 'late':
      return time_s > 900 && specific > 1.1 ? 0.8 : reading_c > rated + 4 ? 1 : 0;
    case 'hard-work':
  }
  return hard || reading_c > rated + 4 || ambient_c > 32 ? 1 : 0;
}

/** Coolant at the control unit's sender. */
const atSender = (loop: LoopState, world: World): number =>
  world.senderPlace === 'head'
    ? loop.headCoolant_c
    : world.senderPlace === 'outlet'
      ? loop.outlet_c
      : 0.5 * (loop.headCoolant_c + loop.blockCoolant_c);

/** Coolant at the second sensor. */
const atSecond = (loop: LoopState, world: World): number =>
  world.secondPlace === 'engine'
    ? loop.headCoolant_c
    : world.secondPlace === 'pump-inlet'
      ? loop.pumpInlet_c
      : loop.lowerHose_c[0]!;

/** Command of the fan by the reading, and by air conditioning on a warm day. */
function fanCommandOf(body: PlantBody, { ambient_c }: PlantConditions, reading_c: number, before: number): number {
  const { fanControl, fanWithCooling } = body.world;
  const cooling = ambient_c > 22 ? fanWithCooling : 0;
  if (fanControl === 'proportional') {
    return Math.max(cooling, Math.min(1, Math.max(0, (reading_c - body.fanOff_c) / (body.fanOn_c - body.fanOff_c))));
  }
  if (fanControl === 'two-speed' && reading_c < body.fanOn_c + 4 && reading_c >= body.fanOn_c) {
    return Math.max(before === 1 ? 1 : 0.5, cooling);
  }
  if (reading_c >= body.fanOn_c) return 1;
  if (reading_c <= body.fanOff_c) return cooling;
  return before;
}

/**
 * Simulates one drive.
 *
 * @param random draws for traffic-independent noise: spikes, air pockets
 * @returns arrays of one entry per {@link RECORD_STEP_S}
 */
export function simulateDrive(
  body: PlantBody,
  fault: PlantFault,
  demand: DriveDemand,
  conditions: PlantConditions,
  random: Random,
): PlantRun {
  const steps = demand.speed_mps.length;
  const every = Math.round(RECORD_STEP_S / DRIVE_STEP_S);
  const n = Math.floor((steps - 1) / every) + 1;
  const column = () => new Float64Array(n);
  const run: PlantRun = {
    time_s: column(),
    coolant_c: column(),
    ect_c: column(),
    ect2_c: column(),
    gauge_c: column(),
    iat_c: column(),
    ambient_c: column(),
    speed_kmh: column(),
    rpm: column(),
    load_pct: column(),
    maf_gps: column(),
    fan_pct: column(),
    heater_pct: column(),
    thermostat_heater_pct: column(),
    oil_c: column(),
    rad_out_c: column(),
    rad_in_c: column(),
    lift: column(),
  };
  const { ambient_c, engineStart_c, coverFraction } = conditions;
  const loop = soakedLoop(engineStart_c, ambient_c);
  const sender = soakedSender(engineStart_c, random, fault);
  const wiring = {
    series_ohm: fault.senderSeries_ohm,
    parallel_ohm: fault.senderParallel_ohm,
    offset_k: body.senderOffset_k + fault.senderOffset_k,
    drift: fault.senderDrift,
    gain: fault.senderGain,
    rest_c: fault.senderRest_c,
  };
  let gauge_c = engineStart_c;
  let second_c = engineStart_c;
  let fanCommand = 0;
  let gurgle = 1;
  let before = 0;
  const dt = DRIVE_STEP_S;
  const { world } = body;
  const diesel = body.vehicle.engine.fuel === 'diesel';
  let shown = controlUnitReading_c(engineStart_c, wiring);
  for (let k = 0; k < steps; k++) {
    const speed = demand.speed_mps[k]!;
    const engine = enginePoint(
      body,
      {
        speed_mps: speed,
        acceleration_mps2: (speed - before) / dt,
        grade: demand.grade[k]!,
        towed_kg: demand.towed_kg[k]!,
        hold_rpm: demand.hold_rpm[k]!,
      },
      { oil_c: loop.oil_c, coolant_c: loop.headCoolant_c, reading_c: shown },
    );
    before = speed;
    const time_s = k * dt;
    const undisturbed = controlUnitReading_c(sender.element_c, wiring);
    const wired = disturbedReading_c(sender, fault, random, undisturbed, { time_s }, dt);
    shown = world.readingFilter_s > 0 ? shown + ((wired - shown) * dt) / (world.readingFilter_s + dt) : wired;
    const reading = shown;
    fanCommand = fanCommandOf(body, conditions, reading, fanCommand);
    const heatingDuty = heatingCommand(body, engine.fuel_kw, speed, reading, ambient_c, time_s);
    const blower_pct = world.blowerWaits
      ? demand.heater_pct[k]! * Math.min(1, Math.max(0.1, (loop.heaterCore_c - 20) / 35))
      : demand.heater_pct[k]!;
    const starting = time_s < 60 ? 1 + world.catalystHeating : 1;
    const specific = Math.max(0.05, engine.fuel_kw / (body.vehicle.engine.displacement_l * 15));
    const wallHeat_kw = starting * engine.fuel_kw * body.heatShare * specific ** body.heatShareLoadSlope;
    if (fault.airFraction > 0) gurgle += ((random.uniform(0.3, 1.5) - gurgle) * dt) / 3;
    if (k % every === 0) {
      const i = k / every;
      run.time_s[i] = time_s;
      run.coolant_c[i] = loop.headCoolant_c;
      run.ect_c[i] = reading;
      run.ect2_c[i] = second_c + 0.4;
      run.gauge_c[i] =
        (fault.gaugeSeries_ohm > 0
          ? readingWithFault(
              gauge_c,
              { series_ohm: fault.gaugeSeries_ohm, parallel_ohm: Infinity },
              COMMON_SENDER.curve,
            )
          : gauge_c) +
        body.gaugeOffset_k +
        fault.gaugeOffset_k;
      run.iat_c[i] = ambient_c + 2 * Math.min(1, time_s / 60) + 0.45 * (loop.bonnetAir_c - ambient_c);
      run.ambient_c[i] = ambient_c + 0.1 * (loop.bonnetAir_c - ambient_c) * (speed < 3 ? 1 : 0.3);
      run.speed_kmh[i] = speed * 3.6;
      run.rpm[i] = engine.rpm;
      run.load_pct[i] = engine.load_pct;
      run.maf_gps[i] = engine.maf_gps;
      run.fan_pct[i] = 100 * fanCommand;
      run.heater_pct[i] = blower_pct;
      run.thermostat_heater_pct[i] = 100 * heatingDuty;
      run.oil_c[i] = loop.oil_c;
      run.rad_in_c[i] = loop.upperHose_c[loop.upperHose_c.length - 1]!;
      run.rad_out_c[i] = loop.lowerHose_c[0]!;
      run.lift[i] = loop.lift;
    }
    stepLoop(
      body,
      fault,
      loop,
      {
        rpm: engine.rpm,
        speed_mps: speed,
        wallHeat_kw,
        friction_kw: engine.friction_kw,
        ambient_c,
        heater_pct: blower_pct,
        reading_c: reading,
        thermostatHeater: heatingDuty,
        gurgle,
        fanCommand,
        coverFraction: world.shutters > 0 && reading < 82 ? Math.max(coverFraction, world.shutters) : coverFraction,
        coolantHeater_kw: diesel && reading < 70 && engine.rpm > 300 ? world.coolantHeater_kw : 0,
      },
      dt,
    );
    const wetting_c = atSender(loop, world);
    stepSender(
      sender,
      fault,
      random,
      { coolant_c: wetting_c, ambient_c, rpm: engine.rpm, lag_s: body.senderLag_s },
      dt,
    );
    second_c += ((atSecond(loop, world) - second_c) * dt) / (body.senderLag_s + 1);
    if (!fault.gaugeFrozen || time_s < 90) gauge_c += ((loop.headCoolant_c - gauge_c) * dt) / 12;
  }
  return run;
}
