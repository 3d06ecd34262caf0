/**
 * Four runs of the twin of `simulateTwin.ts` side by side, in AssemblyScript and single precision: the same drive with
 * four sets of constants and knots. A single run waits most of the time for its own divisions; four at once take hardly
 * longer. The TypeScript twin is the reference; a test holds both equal. Made by `npm run kernel`.
 */
import {
  FAST_COUPLING,
  FAST_HEAT,
  HEATER_AIR_RISE_K,
  HEATER_BRANCH,
  HEATING_LAG_S,
  HYBRID_COLD_C,
  INLET_MIX,
  RUNNING_C,
} from '../../figures';
import * as L from '../layout';
import {
  add,
  at,
  both,
  div,
  exponential,
  head,
  largest,
  lerp,
  mul,
  plus,
  pointer,
  rowOf,
  smallest,
  smoothStep,
  smoothSteps,
  sub,
} from './lanes';

/** Runs the four that lie in memory. */
export function runFour(): void {
  const steps = <i32>head(L.H_STEPS);
  const stepsPerBin = <i32>head(L.H_STEPS_PER_BIN);
  const step_s = head(L.H_STEP_S);
  const inlet = head(L.H_INLET) == 1;
  const heatedBy_k = head(L.H_HEATED_BY_K);
  const engineOn = head(L.H_ENGINE_ON);
  const hybrid = head(L.H_HYBRID) == 1;
  const fanKind = <i32>head(L.H_FAN_KIND);
  const fanState = <i32>head(L.H_FAN_STATE);
  const fanWidth_k = head(L.H_FAN_WIDTH_K);
  const heatingState = <i32>head(L.H_HEATING_STATE);
  const heatingLogged = head(L.H_HEATING_LOGGED) == 1;
  const knotCount = <i32>head(L.H_KNOTS);
  const rows = <i32>head(L.H_ROWS);
  const unknown = rows > 0;

  const specificFuel = pointer(L.P_SPECIFIC);
  const logFuel = pointer(L.P_LOG_FUEL);
  const speedRel = pointer(L.P_SPEED);
  const ramAir = pointer(L.P_RAM);
  const pumpRel = pointer(L.P_PUMP);
  const blower = pointer(L.P_BLOWER);
  const fanLog = pointer(L.P_FAN);
  const heatingLog = pointer(L.P_HEATING);
  const knotAt = pointer(L.P_KNOT_AT);
  const tableWarm = pointer(L.P_TABLE_WARM);
  const tables = pointer(L.P_FOUR_TABLES);
  const knots = pointer(L.P_FOUR_KNOTS);
  const out = pointer(L.P_FOUR_ELEMENT);
  const outOutlet = pointer(L.P_FOUR_OUTLET);
  const c = pointer(L.P_FOUR_CONSTANTS);

  const one = both(1);
  const none = both(0);
  const half = both(0.5);
  const dt = both(step_s);
  const cCell = both(head(L.H_CELL_CAPACITY));
  const coldPerK = both(head(L.H_COLD_HEAT) / 100);
  const lastRow = both(<f64>rows - 1.001);
  const perActivity = both(1 / head(L.H_ACTIVITY_STEP));
  const activityRange = both(head(L.H_ACTIVITY_RANGE));
  const heatingGain = both(step_s / (<f64>HEATING_LAG_S + step_s));
  const rated = both(head(L.H_RATED_C));
  const perFanWidth = both(1 / fanWidth_k);
  const leastFlow = both(engineOn);

  const heatScale = v128.load(c + (L.C_HEAT_SCALE << 4));
  const heatTilt = v128.load(c + (L.C_HEAT_TILT << 4));
  const slowCapacity = v128.load(c + (L.C_SLOW_CAPACITY << 4));
  const metalCapacity = v128.load(c + (L.C_METAL_CAPACITY << 4));
  const coolantCapacity = v128.load(c + (L.C_COOLANT_CAPACITY << 4));
  const missing = v128.load(c + (L.C_AIR << 4));
  const coupling = mul(v128.load(c + (L.C_COUPLING << 4)), v128.load(c + (L.C_LIQUID << 4)));
  const radiator = v128.load(c + (L.C_RADIATOR << 4));
  const heaterAirside = mul(v128.load(c + (L.C_HEATER << 4)), sub(one, mul(both(0.6), missing)));
  const lossPerAir = v128.load(c + (L.C_LOSS << 4));
  const flow = v128.load(c + (L.C_FLOW << 4));
  const pumpScale = v128.load(c + (L.C_PUMP_SCALE << 4));
  const ambient = v128.load(c + (L.C_AMBIENT << 4));
  const startExcess = v128.load(c + (L.C_START_EXCESS << 4));
  const leak = v128.load(c + (L.C_LEAK << 4));
  const openingAtRest = v128.load(c + (L.C_OPENING << 4));
  const spring = v128.load(c + (L.C_SPRING << 4));
  const perSpan = v128.load(c + (L.C_PER_SPAN << 4));
  const hysteresis = v128.load(c + (L.C_HYSTERESIS << 4));
  const liftLimit = v128.load(c + (L.C_LIFT_LIMIT << 4));
  const readingOffset = v128.load(c + (L.C_READING_OFFSET << 4));
  const senderGain = v128.load(c + (L.C_SENDER_GAIN << 4));
  const waxGain = v128.load(c + (L.C_WAX_GAIN << 4));
  const fanOn = v128.load(c + (L.C_FAN_ON << 4));
  const fanFlow = v128.load(c + (L.C_FAN_FLOW << 4));
  const heatingThreshold = v128.load(c + (L.C_HEATING_THRESHOLD << 4));
  const heatedBy = mul(both(heatedBy_k), v128.load(c + (L.C_HEATING_EFFECT << 4)));
  const heatingBase = v128.load(c + (L.C_HEATING_BASE << 4));

  const perFlow = div(one, flow);
  const fullFlow = mul(mul(flow, pumpScale), sub(one, mul(both(0.4), missing)));
  const valveOpens = sub(one, leak);
  const heaterInlet = add(ambient, both(HEATER_AIR_RISE_K));
  const lost = mul(both(0.2), missing);

  const start = add(ambient, startExcess);
  let slow = start;
  let metal = start;
  let coolant = start;
  let cell1 = add(ambient, mul(half, startExcess));
  let cell2 = cell1;
  let wax = start;
  let played = start;
  let element = start;
  let lift = none;
  let fan = none;
  let heating = none;
  let bin: usize = 0;
  let inBin: i32 = 0;
  let sum = none;

  for (let k: i32 = 0; k < steps; k++) {
    const place = at(knotAt, k);
    const knot = min<i32>(knotCount - 2, <i32>place);
    const knotPlace = knots + (<usize>knot << 4);
    const activity = lerp(v128.load(knotPlace), v128.load(knotPlace, 16), both(place - <f64>knot));
    let speed = none;
    let ram = none;
    let pump = none;
    let q = none;
    let specific = none;
    if (unknown) {
      const found = smallest(largest(mul(add(activity, activityRange), perActivity), none), lastRow);
      const row = i32x4.trunc_sat_f32x4_s(found);
      const part = sub(found, f32x4.convert_i32x4_s(row));
      // Four rows of four figures each become four figures of four runs each.
      const a = rowOf(tables, i32x4.extract_lane(row, 0), f32x4.extract_lane(part, 0));
      const b = rowOf(tables, i32x4.extract_lane(row, 1), f32x4.extract_lane(part, 1));
      const d = rowOf(tables, i32x4.extract_lane(row, 2), f32x4.extract_lane(part, 2));
      const e = rowOf(tables, i32x4.extract_lane(row, 3), f32x4.extract_lane(part, 3));
      const abFirst = v128.shuffle<f32>(a, b, 0, 4, 1, 5);
      const abLast = v128.shuffle<f32>(a, b, 2, 6, 3, 7);
      const deFirst = v128.shuffle<f32>(d, e, 0, 4, 1, 5);
      const deLast = v128.shuffle<f32>(d, e, 2, 6, 3, 7);
      speed = v128.shuffle<f32>(abFirst, deFirst, 0, 1, 4, 5);
      ram = v128.shuffle<f32>(abFirst, deFirst, 2, 3, 6, 7);
      pump = v128.shuffle<f32>(abLast, deLast, 0, 1, 4, 5);
      const log = v128.shuffle<f32>(abLast, deLast, 2, 3, 6, 7);
      if (heatedBy_k > 0) specific = exponential(log);
      q = mul(heatScale, exponential(mul(heatTilt, log)));
      if (hybrid) {
        const warm = f32x4(
          <f32>at(tableWarm, i32x4.extract_lane(row, 0)),
          <f32>at(tableWarm, i32x4.extract_lane(row, 1)),
          <f32>at(tableWarm, i32x4.extract_lane(row, 2)),
          <f32>at(tableWarm, i32x4.extract_lane(row, 3)),
        );
        const stops = smoothSteps(mul(sub(coolant, both(HYBRID_COLD_C)), both(0.1)));
        const running = sub(one, mul(sub(one, warm), stops));
        q = mul(q, running);
        pump = mul(pump, running);
      }
    } else {
      speed = both(at(speedRel, k));
      ram = both(at(ramAir, k));
      pump = both(at(pumpRel, k));
      const burnt = at(specificFuel, k);
      specific = both(burnt);
      if (burnt != 0) q = mul(heatScale, exponential(plus(activity, heatTilt, both(at(logFuel, k)))));
    }
    q = mul(q, plus(one, coldPerK, largest(sub(both(RUNNING_C), slow), none)));

    const turning = largest(pump, leastFlow);
    const wFull = mul(fullFlow, turning);
    const share = plus(leak, valveOpens, lift);
    const w = mul(both(0.72), mul(wFull, share));
    const stirred = mul(coupling, plus(half, half, smallest(mul(turning, pumpScale), both(1.5))));
    const ua = mul(both(FAST_COUPLING), stirred);
    const uaSlow = mul(both(1 - FAST_COUPLING), stirred);
    const loss = mul(lossPerAir, plus(both(0.4), both(1.1), speed));
    const heaterAir = mul(heaterAirside, both(at(blower, k)));
    const heaterFlow = mul(both(HEATER_BRANCH), wFull);
    const heaterUa = div(mul(heaterAir, heaterFlow), add(heaterAir, heaterFlow));
    const airUa = mul(radiator, plus(ram, fan, fanFlow));
    const coolantUa = mul(mul(radiator, both(3)), f32x4.sqrt(largest(mul(w, perFlow), both(0.01))));
    const cellUa = div(mul(both(0.65), mul(airUa, coolantUa)), add(airUa, coolantUa));

    const dtUa = mul(dt, ua);
    const perMetal = div(one, add(metalCapacity, dtUa));
    const mA = mul(plus(mul(metalCapacity, metal), both(step_s * FAST_HEAT), q), perMetal);
    const mB = mul(dtUa, perMetal);
    const dtUaSlow = mul(dt, uaSlow);
    const dtLoss = mul(dt, loss);
    const perSlow = div(one, add(slowCapacity, add(dtUaSlow, dtLoss)));
    const sA = mul(
      plus(plus(mul(slowCapacity, slow), both(step_s * (1 - FAST_HEAT)), q), dtLoss, ambient),
      perSlow,
    );
    const sB = mul(dtUaSlow, perSlow);
    const dtW = mul(dt, w);
    const dtCell = mul(dt, cellUa);
    const perCell = div(one, add(cCell, add(dtW, dtCell)));
    const fromAir = mul(dtCell, ambient);
    const r1A = mul(plus(fromAir, cCell, cell1), perCell);
    const r1B = mul(dtW, perCell);
    const r2A = mul(plus(plus(fromAir, cCell, cell2), dtW, r1A), perCell);
    const r2B = mul(r1B, r1B);
    const dtHeater = mul(dt, heaterUa);
    const held = plus(
      plus(plus(add(coolantCapacity, dtHeater), dtUa, sub(one, mB)), dtUaSlow, sub(one, sB)),
      dtW,
      sub(one, r2B),
    );
    const brought = plus(
      plus(plus(plus(mul(coolantCapacity, coolant), dtUa, mA), dtUaSlow, sA), dtW, r2A),
      dtHeater,
      heaterInlet,
    );
    coolant = div(brought, held);
    metal = plus(mA, mB, coolant);
    slow = plus(sA, sB, coolant);
    cell1 = plus(r1A, r1B, coolant);
    cell2 = plus(r2A, r2B, coolant);

    const apart = sub(coolant, cell2);
    const opening = sub(openingAtRest, mul(spring, pump));
    const travelBefore = mul(sub(played, opening), perSpan);
    const within = smallest(largest(travelBefore, none), one);
    // Zero where the valve stands at an end of its travel, or is held.
    const bend = v128.and(
      mul(mul(both(6), mul(within, sub(one, within))), perSpan),
      f32x4.lt(lift, liftLimit),
    );
    const cools = mul(mul(bend, mul(both(0.72), valveOpens)), apart);
    let sensed = coolant;
    let answer: v128;
    if (inlet) {
      const returned = plus(mul(w, apart), heaterUa, sub(coolant, heaterInlet));
      const mixed = div(both(INLET_MIX), largest(wFull, both(0.2)));
      sensed = sub(coolant, mul(mixed, returned));
      answer = mul(cools, mul(mixed, wFull));
    } else {
      answer = div(mul(cools, mul(dt, wFull)), add(coolantCapacity, add(dtW, add(dtUa, dtHeater))));
    }
    wax = add(wax, div(mul(waxGain, sub(sensed, wax)), plus(one, waxGain, largest(answer, none))));
    const reading = add(element, readingOffset);
    let felt = wax;
    if (heatedBy_k > 0) {
      let duty = none;
      if (heatingState == 2) duty = one;
      else if (heatingState == 0) {
        if (heatingLogged) duty = both(at(heatingLog, k));
        else {
          const byLoad = smoothSteps(mul(sub(div(specific, heatingThreshold), both(0.7)), both(1 / 0.6)));
          const byReading = smoothSteps(mul(sub(reading, add(rated, both(2))), both(0.25)));
          duty = largest(largest(byLoad, byReading), heatingBase);
        }
      }
      heating = plus(heating, heatingGain, sub(duty, heating));
      felt = plus(felt, heatedBy, heating);
    }
    played = smallest(largest(played, felt), add(felt, hysteresis));
    lift = smallest(smoothSteps(mul(sub(played, opening), perSpan)), liftLimit);
    if (fanState == 1) fan = none;
    else if (fanState == 2) fan = one;
    else if (fanKind == 2) fan = smallest(pump, both(1.3));
    else if (fanKind == 1) {
      const grip = smoothSteps(mul(add(sub(cell1, fanOn), both(14)), both(0.1)));
      fan = mul(plus(both(0.15), both(0.85), grip), smallest(pump, both(1.3)));
    } else if (fanKind == 3) fan = both(at(fanLog, k));
    else fan = smoothSteps(mul(add(sub(reading, fanOn), both(fanWidth_k)), perFanWidth));

    const wetted = sub(coolant, mul(lost, sub(coolant, ambient)));
    element = plus(element, senderGain, sub(wetted, element));
    sum = add(sum, element);
    if (++inBin == stepsPerBin) {
      v128.store(out + bin, mul(sum, both(1 / <f64>stepsPerBin)));
      v128.store(outOutlet + bin, cell2);
      bin += 16;
      inBin = 0;
      sum = none;
    }
  }
}
