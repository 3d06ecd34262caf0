/**
 * The twin of `simulateTwin.ts` with its derivatives, in AssemblyScript: the same steps, and beside each of them the
 * derivatives along any number of directions, four at a time and in single precision: a search needs no more. A step
 * carries all directions on by the same few numbers; what differs is what feeds each of them, and that is little: a
 * coordinate moves one to three constants of a run, or the heat at two knots. Each balance of a step is linear in what it
 * solves for, so its derivative solves the same system with other right-hand sides. Where one thing takes over from
 * another (valve at its stop, play taken up, fan at its end) the derivative is that of the branch taken.
 * Source: Griewank & Walther, Evaluating Derivatives, ch. 3 (forward mode).
 *
 * The TypeScript twin is the reference; a test holds both equal. Made by `npm run kernel`.
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
  entry,
  feed,
  feed2,
  feed4,
  head,
  mul,
  pair,
  plus,
  pointer,
  put,
  smoothStep,
  stepSlope,
  table,
  tableSlope,
  vector,
} from './lanes';

/** What the directions at `d` begin with: all temperatures `v`, the radiator's `share` of it. */
function begin(state: usize, width: usize, d: usize, v: v128, share: f64): void {
  for (let row: usize = 0; row < 8; row++) feed(state + width * row, d, v, row == 3 || row == 4 ? share : 1);
}

/**
 * Runs the twin, with derivatives along `directions`: a multiple of four, or 0 for the run alone.
 */
export function run(directions: i32): void {
  const steps = <i32>head(L.H_STEPS);
  const bins = <i32>head(L.H_BINS);
  const stepsPerBin = <i32>head(L.H_STEPS_PER_BIN);
  const dt = head(L.H_STEP_S);
  const inlet = head(L.H_INLET) == 1;
  const heatedBy_k = head(L.H_HEATED_BY_K);
  const rated = head(L.H_RATED_C);
  const engineOn = head(L.H_ENGINE_ON);
  const hybrid = head(L.H_HYBRID) == 1;
  const fanKind = <i32>head(L.H_FAN_KIND);
  const fanState = <i32>head(L.H_FAN_STATE);
  const fanWidth_k = head(L.H_FAN_WIDTH_K);
  const heatingState = <i32>head(L.H_HEATING_STATE);
  const heatingLogged = head(L.H_HEATING_LOGGED) == 1;
  const coldHeat = head(L.H_COLD_HEAT);
  const cCell = head(L.H_CELL_CAPACITY);
  const knotCount = <i32>head(L.H_KNOTS);
  const rows = <i32>head(L.H_ROWS);
  const unknown = rows > 0;
  const lastRow = <f64>rows - 1.001;
  const activityRange = head(L.H_ACTIVITY_RANGE);
  const activityStep = head(L.H_ACTIVITY_STEP);
  const wantsOutlet = head(L.H_WANTS_OUTLET) == 1;
  const stops = unknown && hybrid;

  const specificFuel = pointer(L.P_SPECIFIC);
  const logFuel = pointer(L.P_LOG_FUEL);
  const speedRel = pointer(L.P_SPEED);
  const ramAir = pointer(L.P_RAM);
  const pumpRel = pointer(L.P_PUMP);
  const blower = pointer(L.P_BLOWER);
  const fanLog = pointer(L.P_FAN);
  const heatingLog = pointer(L.P_HEATING);
  const knotAt = pointer(L.P_KNOT_AT);
  const tableSpeed = pointer(L.P_TABLE_SPEED);
  const tableRam = pointer(L.P_TABLE_RAM);
  const tablePump = pointer(L.P_TABLE_PUMP);
  const tableLog = pointer(L.P_TABLE_LOG);
  const tableWarm = pointer(L.P_TABLE_WARM);
  const c = pointer(L.P_CONSTANTS);
  const first = pointer(L.P_FEEDS_FIRST);
  const where = pointer(L.P_FEEDS_WHERE);
  const howMuch = pointer(L.P_FEEDS_VALUE);
  const knots = pointer(L.P_KNOTS);
  const state = pointer(L.P_STATE);
  const out = pointer(L.P_ELEMENT);
  const outOutlet = pointer(L.P_OUTLET);
  const outAlong = pointer(L.P_ELEMENT_ALONG);
  const outletAlong = pointer(L.P_OUTLET_ALONG);

  const heatScale = at(c, L.C_HEAT_SCALE);
  const heatTilt = at(c, L.C_HEAT_TILT);
  const slowCapacity = at(c, L.C_SLOW_CAPACITY);
  const metalCapacity = at(c, L.C_METAL_CAPACITY);
  const coolantCapacity = at(c, L.C_COOLANT_CAPACITY);
  const liquid = at(c, L.C_LIQUID);
  const missing = at(c, L.C_AIR);
  const coupling = at(c, L.C_COUPLING);
  const radiator = at(c, L.C_RADIATOR);
  const heater = at(c, L.C_HEATER);
  const lossPerAir = at(c, L.C_LOSS);
  const flow = at(c, L.C_FLOW);
  const pumpScale = at(c, L.C_PUMP_SCALE);
  const ambient = at(c, L.C_AMBIENT);
  const startExcess = at(c, L.C_START_EXCESS);
  const leak = at(c, L.C_LEAK);
  const openingAtRest = at(c, L.C_OPENING);
  const spring = at(c, L.C_SPRING);
  const perSpan = at(c, L.C_PER_SPAN);
  const hysteresis = at(c, L.C_HYSTERESIS);
  const liftLimit = at(c, L.C_LIFT_LIMIT);
  const readingOffset = at(c, L.C_READING_OFFSET);
  const senderGain = at(c, L.C_SENDER_GAIN);
  const waxGain = at(c, L.C_WAX_GAIN);
  const fanOn = at(c, L.C_FAN_ON);
  const fanFlow = at(c, L.C_FAN_FLOW);
  const heatingThreshold = at(c, L.C_HEATING_THRESHOLD);
  const heatingEffect = at(c, L.C_HEATING_EFFECT);
  const heatingBase = at(c, L.C_HEATING_BASE);
  const heatingGain = dt / (<f64>HEATING_LAG_S + dt);
  const perFlow = 1 / flow;
  const perFanWidth = 1 / fanWidth_k;

  // One row of all directions for each state, then one for what feeds each state within a step.
  const width = <usize>directions << 2;
  const tSlow = state;
  const tMetal = state + width;
  const tCoolant = state + width * 2;
  const tCell1 = state + width * 3;
  const tCell2 = state + width * 4;
  const tWax = state + width * 5;
  const tPlayed = state + width * 6;
  const tElement = state + width * 7;
  const tHeating = state + width * 8;
  const tLift = state + width * 9;
  const tFan = state + width * 10;
  const tSum = state + width * 11;
  const fMetal = state + width * 12;
  const fSlow = state + width * 13;
  const fCell1 = state + width * 14;
  const fCell2 = state + width * 15;
  const fCoolant = state + width * 16;
  const fWax = state + width * 17;
  const fDuty = state + width * 18;
  const fPlayed = state + width * 19;
  const fLift = state + width * 20;
  const fFan = state + width * 21;
  const fElement = state + width * 22;
  const none = both(0);
  if (directions > 0) {
    memory.fill(state, 0, width * L.STATES);
    for (let e = entry(first, L.C_AMBIENT); e < entry(first, L.C_AMBIENT + 1); e++)
      begin(state, width, <usize>entry(where, e), vector(howMuch, e), 1);
    for (let e = entry(first, L.C_START_EXCESS); e < entry(first, L.C_START_EXCESS + 1); e++)
      begin(state, width, <usize>entry(where, e), vector(howMuch, e), 0.5);
  }

  const start = ambient + startExcess;
  let slow = start;
  let metal = start;
  let coolant = start;
  let cell1 = ambient + 0.5 * startExcess;
  let cell2 = cell1;
  let wax = start;
  let played = start;
  let element = start;
  let lift: f64 = 0;
  let fan: f64 = 0;
  let heating: f64 = 0;
  let bin: i32 = 0;
  let inBin: i32 = 0;
  let sum: f64 = 0;

  for (let k: i32 = 0; k < steps; k++) {
    const place = at(knotAt, k);
    const knot = min<i32>(knotCount - 2, <i32>place);
    const knotPart = place - <f64>knot;
    const activity = at(knots, knot) + (at(knots, knot + 1) - at(knots, knot)) * knotPart;
    let speed = at(speedRel, k);
    let ram = at(ramAir, k);
    let pump = at(pumpRel, k);
    let specific = at(specificFuel, k);
    let log: f64 = 0;
    let running: f64 = 1;
    let warmStop: f64 = 0;
    let drawn: f64 = 0;
    let row: i32 = 0;
    if (unknown) {
      const found = min<f64>(lastRow, max<f64>(0, (activity + activityRange) / activityStep));
      row = <i32>found;
      const part = found - <f64>row;
      speed = table(tableSpeed, row, part);
      ram = table(tableRam, row, part);
      pump = table(tablePump, row, part);
      log = table(tableLog, row, part);
      if (heatedBy_k > 0) specific = Math.exp(log);
      drawn = heatScale * Math.exp(heatTilt * log);
      if (hybrid) {
        warmStop = smoothStep((coolant - <f64>HYBRID_COLD_C) / 10);
        running = 1 - (1 - at(tableWarm, row)) * warmStop;
        drawn *= running;
        pump *= running;
      }
    } else if (specific != 0) {
      log = at(logFuel, k);
      drawn = heatScale * Math.exp(activity + heatTilt * log);
    }
    const coldFactor = 1 + (coldHeat * max<f64>(0, <f64>RUNNING_C - slow)) / 100;
    const q = drawn * coldFactor;

    const turning = max<f64>(engineOn, pump);
    const wFull = flow * turning * pumpScale * (1 - 0.4 * missing);
    const share = leak + (1 - leak) * lift;
    const w = 0.72 * wFull * share;
    const stirredHalf = 0.5 + 0.5 * min<f64>(1.5, turning * pumpScale);
    const stirred = stirredHalf * liquid;
    const ua = FAST_COUPLING * coupling * stirred;
    const uaSlow = (1 - FAST_COUPLING) * coupling * stirred;
    const lossPer = 0.4 + 1.1 * speed;
    const loss = lossPerAir * lossPer;
    const blows = at(blower, k);
    const heaterAir = heater * blows * (1 - 0.6 * missing);
    const heaterFlow = HEATER_BRANCH * wFull;
    const perHeater = 1 / (heaterAir + heaterFlow);
    const heaterUa = heaterAir * heaterFlow * perHeater;
    const air = ram + fan * fanFlow;
    const airUa = radiator * air;
    const relative = w * perFlow;
    const coolantUa = radiator * 3 * Math.sqrt(max<f64>(0.01, relative));
    const perUa = 1 / (airUa + coolantUa);
    const cellUa = 0.5 * 1.3 * airUa * coolantUa * perUa;

    const perMetal = 1 / (metalCapacity + dt * ua);
    const mA = (metalCapacity * metal + dt * FAST_HEAT * q) * perMetal;
    const mB = dt * ua * perMetal;
    const perSlow = 1 / (slowCapacity + dt * (uaSlow + loss));
    const sA = (slowCapacity * slow + dt * ((1 - FAST_HEAT) * q + loss * ambient)) * perSlow;
    const sB = dt * uaSlow * perSlow;
    const perCell = 1 / (cCell + dt * (w + cellUa));
    const r1A = (cCell * cell1 + dt * cellUa * ambient) * perCell;
    const carried = dt * w * perCell;
    const r2A = (cCell * cell2 + dt * (cellUa * ambient + w * r1A)) * perCell;
    const r2B = carried * carried;
    const perCoolant = 1 / (coolantCapacity + dt * (ua * (1 - mB) + uaSlow * (1 - sB) + w * (1 - r2B) + heaterUa));
    const metal0 = metal;
    const slow0 = slow;
    const coolant0 = coolant;
    coolant =
      perCoolant *
      (coolantCapacity * coolant +
        dt * (ua * mA + uaSlow * sA + w * r2A + heaterUa * (ambient + <f64>HEATER_AIR_RISE_K)));
    metal = mA + mB * coolant;
    slow = sA + sB * coolant;
    cell1 = r1A + carried * coolant;
    cell2 = r2A + r2B * coolant;

    const heaterRise = ambient + <f64>HEATER_AIR_RISE_K - coolant;
    const returned = w * (coolant - cell2) - heaterUa * heaterRise;
    const mixed = INLET_MIX / max<f64>(wFull, 0.2);
    const sensed = inlet ? coolant - mixed * returned : coolant;
    const opening = openingAtRest - spring * pump;
    const travelBefore = (played - opening) * perSpan;
    const acts = travelBefore > 0 && travelBefore < 1 && lift < liftLimit;
    const bend = acts ? 6 * travelBefore * (1 - travelBefore) : 0;
    const cools = bend * perSpan * 0.72 * (1 - leak) * (coolant - cell2);
    const body = coolantCapacity + dt * (w + ua + heaterUa);
    const answerPer = inlet ? mixed * wFull : (dt * wFull) / body;
    const answer = max<f64>(0, cools * answerPer);
    const waxStep = 1 / (1 + waxGain * answer);
    const waxGap = sensed - wax;
    wax += waxGain * waxGap * waxStep;
    const reading = element + readingOffset;
    let felt = wax;
    let loadSlope: f64 = 0;
    let readSlope: f64 = 0;
    let baseSlope: f64 = 0;
    const loadAt = specific / heatingThreshold;
    if (heatedBy_k > 0) {
      let duty: f64 = 0;
      if (heatingState == 1) duty = 0;
      else if (heatingState == 2) duty = 1;
      else if (heatingLogged) duty = at(heatingLog, k);
      else {
        const loadPart = (loadAt - 0.7) / 0.6;
        const readPart = (reading - rated - 2) / 4;
        const byLoad = smoothStep(loadPart);
        const byReading = smoothStep(readPart);
        duty = max<f64>(max<f64>(byLoad, byReading), heatingBase);
        if (duty == heatingBase) baseSlope = 1;
        else if (duty == byLoad) loadSlope = stepSlope(loadPart) / 0.6;
        else readSlope = stepSlope(readPart) / 4;
      }
      heating += heatingGain * (duty - heating);
      felt += heatedBy_k * heatingEffect * heating;
    }
    const moves = felt > played ? 1 : felt < played - hysteresis ? -1 : 0;
    if (moves != 0) played = moves > 0 ? felt : felt + hysteresis;
    const travel = (played - opening) * perSpan;
    const lift0 = lift;
    const free = smoothStep(travel);
    lift = min<f64>(liftLimit, free);
    const fan0 = fan;
    const turned = min<f64>(1.3, pump);
    const viscousAt = (cell1 - fanOn + 14) / 10;
    const grip = 0.15 + 0.85 * smoothStep(viscousAt);
    const fanAt = (reading - fanOn + fanWidth_k) * perFanWidth;
    if (fanState == 1) fan = 0;
    else if (fanState == 2) fan = 1;
    else if (fanKind == 2) fan = turned;
    else if (fanKind == 1) fan = grip * turned;
    else if (fanKind == 3) fan = at(fanLog, k);
    else fan = smoothStep(fanAt);
    const wetted = coolant - 0.2 * missing * (coolant - ambient);
    const senderGap = wetted - element;
    element += senderGain * senderGap;
    sum += element;

    if (directions > 0) {
      // What a change of each thing within the step does to each balance; "by" reads as "for one unit of".
      const metalByHeat = dt * FAST_HEAT * perMetal;
      const slowByHeat = dt * (1 - FAST_HEAT) * perSlow;
      const slowByLoss = dt * (ambient - slow) * perSlow;
      const step = dt * perCoolant;
      const apart = coolant - cell2;
      const answers = answer > 0;
      const waxFollows = waxGain * waxStep;
      const waxByAnswer = answers ? -waxGain * waxGain * waxStep * waxStep * waxGap : 0;
      const waxBySensed = inlet ? waxFollows : 0;
      const rest = inlet ? 0 : (-cools * answerPer * dt) / body;
      const waxByRest = waxByAnswer * rest;

      const cell1ByUa = dt * (ambient - cell1) * perCell;
      const cell2ByUa = dt * (ambient - cell2) * perCell;
      const byAirShare = coolantUa * perUa;
      const byCoolantShare = airUa * perUa;
      const cellByAir = 0.65 * byAirShare * byAirShare;
      const cellByCoolant = 0.65 * byCoolantShare * byCoolantShare;
      const coolantUaPer = relative > 0.01 ? ((1.5 * radiator) / Math.sqrt(relative)) * perFlow : 0;
      const cellByW = cellByCoolant * coolantUaPer;
      const cellByAirFlow = cellByAir * radiator;

      // Flow through the radiator.
      const cell1ByW = cell1ByUa * cellByW + dt * (coolant - cell1) * perCell;
      const cell2ByW = cell2ByUa * cellByW + dt * (cell1 - cell2) * perCell;
      const coolantByW = step * (cell2 - coolant);
      const waxByW = -waxBySensed * mixed * apart + waxByRest;
      // Metal to coolant.
      const slowPart = (1 - FAST_COUPLING) / FAST_COUPLING;
      const metalByUa = dt * (coolant - metal) * perMetal;
      const slowByUa = dt * (coolant - slow) * perSlow * slowPart;
      const coolantByUa = step * (metal - coolant + (slow - coolant) * slowPart);
      // Cabin heater.
      const coolantByHeater = step * heaterRise;
      const waxByHeater = waxBySensed * mixed * heaterRise + waxByRest;
      const byAirSide = heaterFlow * perHeater * (heaterFlow * perHeater);
      const byFlowSide = heaterAir * perHeater * (heaterAir * perHeater) * HEATER_BRANCH;
      // The whole flow of the pump.
      const wByFull = 0.72 * share;
      const cell1ByFull = cell1ByW * wByFull;
      const cell2ByFull = cell2ByW * wByFull;
      const coolantByFull = coolantByW * wByFull + coolantByHeater * byFlowSide;
      const flows = wFull > 0.2;
      const waxByFull =
        waxByW * wByFull +
        waxByHeater * byFlowSide +
        (flows ? (waxBySensed * mixed * returned) / wFull : 0) +
        waxByAnswer * (inlet ? (flows ? 0 : cools * mixed) : (cools * dt) / body);
      // The valve: where it begins to open, its span, its flow when shut.
      const coolsBySlope = 0.72 * (1 - leak) * apart * answerPer;
      const slopeByTravel = 6 * (1 - 2 * travelBefore) * perSpan;
      const waxByPlayed = waxByAnswer * coolsBySlope * slopeByTravel * perSpan;
      const waxBySpan = waxByAnswer * coolsBySlope * ((slopeByTravel * travelBefore) / perSpan + bend);
      const waxByApart = waxByAnswer * bend * perSpan * 0.72 * (1 - leak) * answerPer - waxBySensed * mixed * w;
      const limited = free > liftLimit;
      const liftSlope = limited ? 0 : stepSlope(travel);
      const liftByPlayed = liftSlope * perSpan;
      // Engine speed.
      const works = fanState == 0;
      const turns: f64 = pump > engineOn ? 1 : 0;
      const fullByPump = (wFull / turning) * turns;
      const stirs: f64 = turning * pumpScale < 1.5 ? 0.5 * liquid * FAST_COUPLING * coupling : 0;
      const uaByPump = stirs * pumpScale * turns;
      const fanByPump = works && pump < 1.3 ? (fanKind == 2 ? 1 : fanKind == 1 ? grip : 0) : 0;
      const fanByCell = works && fanKind == 1 ? ((0.85 * stepSlope(viscousAt)) / 10) * turned : 0;
      const fanByReading = works && fanKind == 0 ? stepSlope(fanAt) * perFanWidth : 0;
      const cold = drawn * coldFactor;

      // What each constant of the run feeds.
      const perScale = cold / heatScale;
      for (let e = entry(first, L.C_HEAT_SCALE), to = entry(first, L.C_HEAT_SCALE + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, perScale, fMetal, metalByHeat, fSlow, slowByHeat);
      }
      const byTilt = cold * log;
      for (let e = entry(first, L.C_HEAT_TILT), to = entry(first, L.C_HEAT_TILT + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, byTilt, fMetal, metalByHeat, fSlow, slowByHeat);
      }
      for (let e = entry(first, L.C_SLOW_CAPACITY), to = entry(first, L.C_SLOW_CAPACITY + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fSlow, d, v, (slow0 - slow) * perSlow);
      }
      for (let e = entry(first, L.C_METAL_CAPACITY), to = entry(first, L.C_METAL_CAPACITY + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fMetal, d, v, (metal0 - metal) * perMetal);
      }
      for (let e = entry(first, L.C_COOLANT_CAPACITY), to = entry(first, L.C_COOLANT_CAPACITY + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fCoolant, d, v, (coolant0 - coolant) * perCoolant);
        if (!inlet) feed(fWax, d, v, (-waxByAnswer * cools * answerPer) / body);
      }
      const byLiquid = stirredHalf * FAST_COUPLING * coupling;
      for (let e = entry(first, L.C_LIQUID), to = entry(first, L.C_LIQUID + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed4(d, v, byLiquid, fMetal, metalByUa, fSlow, slowByUa, fCoolant, coolantByUa, fWax, waxByRest);
      }
      const fullByAir = (-0.4 * wFull) / (1 - 0.4 * missing);
      const heaterByAir = -0.6 * byAirSide * heater * blows;
      for (let e = entry(first, L.C_AIR), to = entry(first, L.C_AIR + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, fullByAir, fCell1, cell1ByFull, fCell2, cell2ByFull);
        feed(fCoolant, d, v, fullByAir * coolantByFull + heaterByAir * coolantByHeater);
        feed(fWax, d, v, fullByAir * waxByFull + heaterByAir * waxByHeater);
        feed(fElement, d, v, -0.2 * senderGain * (coolant - ambient));
      }
      const byCoupling = ua / coupling;
      for (let e = entry(first, L.C_COUPLING), to = entry(first, L.C_COUPLING + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed4(d, v, byCoupling, fMetal, metalByUa, fSlow, slowByUa, fCoolant, coolantByUa, fWax, waxByRest);
      }
      const byRadiator = cellByAir * air + (cellByCoolant * coolantUa) / radiator;
      for (let e = entry(first, L.C_RADIATOR), to = entry(first, L.C_RADIATOR + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, byRadiator, fCell1, cell1ByUa, fCell2, cell2ByUa);
      }
      const byHeater = byAirSide * blows * (1 - 0.6 * missing);
      for (let e = entry(first, L.C_HEATER), to = entry(first, L.C_HEATER + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, byHeater, fCoolant, coolantByHeater, fWax, waxByHeater);
      }
      for (let e = entry(first, L.C_LOSS), to = entry(first, L.C_LOSS + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fSlow, d, v, lossPer * slowByLoss);
      }
      const fullByFlow = wFull * perFlow;
      const cellByFlow = cellByW * relative;
      for (let e = entry(first, L.C_FLOW), to = entry(first, L.C_FLOW + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fCell1, d, v, fullByFlow * cell1ByFull - cellByFlow * cell1ByUa);
        feed(fCell2, d, v, fullByFlow * cell2ByFull - cellByFlow * cell2ByUa);
        feed2(d, v, fullByFlow, fCoolant, coolantByFull, fWax, waxByFull);
      }
      const fullByScale = wFull / pumpScale;
      const byStirring = stirs * turning;
      for (let e = entry(first, L.C_PUMP_SCALE), to = entry(first, L.C_PUMP_SCALE + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, byStirring, fMetal, metalByUa, fSlow, slowByUa);
        feed2(d, v, fullByScale, fCell1, cell1ByFull, fCell2, cell2ByFull);
        feed(fCoolant, d, v, fullByScale * coolantByFull + byStirring * coolantByUa);
        feed(fWax, d, v, fullByScale * waxByFull + byStirring * waxByRest);
      }
      for (let e = entry(first, L.C_AMBIENT), to = entry(first, L.C_AMBIENT + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fSlow, d, v, dt * loss * perSlow);
        feed2(d, v, dt * cellUa * perCell, fCell1, 1, fCell2, 1);
        feed(fCoolant, d, v, step * heaterUa);
        feed(fWax, d, v, waxBySensed * mixed * heaterUa);
        feed(fElement, d, v, 0.2 * senderGain * missing);
      }
      const byLeak = 0.72 * wFull * (1 - lift0);
      for (let e = entry(first, L.C_LEAK), to = entry(first, L.C_LEAK + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, byLeak, fCell1, cell1ByW, fCell2, cell2ByW);
        feed(fCoolant, d, v, byLeak * coolantByW);
        feed(fWax, d, v, byLeak * waxByW - waxByAnswer * bend * perSpan * 0.72 * apart * answerPer);
      }
      for (let e = entry(first, L.C_OPENING), to = entry(first, L.C_OPENING + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, -1, fWax, waxByPlayed, fLift, liftByPlayed);
      }
      for (let e = entry(first, L.C_SPRING), to = entry(first, L.C_SPRING + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, pump, fWax, waxByPlayed, fLift, liftByPlayed);
      }
      for (let e = entry(first, L.C_PER_SPAN), to = entry(first, L.C_PER_SPAN + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, 1, fWax, waxBySpan, fLift, (liftSlope * travel) / perSpan);
      }
      if (moves < 0) {
        for (let e = entry(first, L.C_HYSTERESIS), to = entry(first, L.C_HYSTERESIS + 1); e < to; e++) {
          const d = <usize>entry(where, e);
          const v = vector(howMuch, e);
          feed(fPlayed, d, v, 1);
        }
      }
      if (limited) {
        for (let e = entry(first, L.C_LIFT_LIMIT), to = entry(first, L.C_LIFT_LIMIT + 1); e < to; e++) {
          const d = <usize>entry(where, e);
          const v = vector(howMuch, e);
          feed(fLift, d, v, 1);
        }
      }
      for (let e = entry(first, L.C_READING_OFFSET), to = entry(first, L.C_READING_OFFSET + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, 1, fDuty, heatingGain * readSlope, fFan, fanByReading);
      }
      for (let e = entry(first, L.C_SENDER_GAIN), to = entry(first, L.C_SENDER_GAIN + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fElement, d, v, senderGap);
      }
      for (let e = entry(first, L.C_WAX_GAIN), to = entry(first, L.C_WAX_GAIN + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fWax, d, v, waxGap * waxStep * waxStep);
      }
      for (let e = entry(first, L.C_FAN_ON), to = entry(first, L.C_FAN_ON + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed(fFan, d, v, -(fanByCell + fanByReading));
      }
      for (let e = entry(first, L.C_FAN_FLOW), to = entry(first, L.C_FAN_FLOW + 1); e < to; e++) {
        const d = <usize>entry(where, e);
        const v = vector(howMuch, e);
        feed2(d, v, fan0 * cellByAirFlow, fCell1, cell1ByUa, fCell2, cell2ByUa);
      }
      if (heatedBy_k > 0) {
        for (let e = entry(first, L.C_HEATING_THRESHOLD), to = entry(first, L.C_HEATING_THRESHOLD + 1); e < to; e++) {
          const d = <usize>entry(where, e);
          const v = vector(howMuch, e);
          feed(fDuty, d, v, (-heatingGain * loadSlope * loadAt) / heatingThreshold);
        }
        if (moves != 0) {
          for (let e = entry(first, L.C_HEATING_EFFECT), to = entry(first, L.C_HEATING_EFFECT + 1); e < to; e++) {
            const d = <usize>entry(where, e);
            const v = vector(howMuch, e);
            feed(fPlayed, d, v, heatedBy_k * heating);
          }
        }
        for (let e = entry(first, L.C_HEATING_BASE), to = entry(first, L.C_HEATING_BASE + 1); e < to; e++) {
          const d = <usize>entry(where, e);
          const v = vector(howMuch, e);
          feed(fDuty, d, v, heatingGain * baseSlope);
        }
      }

      // What a knot feeds: heat, and where the drive itself is guessed, all that the driver's foot moves.
      const ramSlope = unknown ? tableSlope(tableRam, row, activityStep) : 0;
      const pumpByActivity = unknown ? tableSlope(tablePump, row, activityStep) * running : 0;
      const logSlope = unknown ? tableSlope(tableLog, row, activityStep) : 0;
      const lossByActivity = unknown ? lossPerAir * 1.1 * tableSlope(tableSpeed, row, activityStep) : 0;
      const heatByActivity = cold * (unknown ? heatTilt * logSlope : 1);
      const full = pumpByActivity * fullByPump;
      const ramCell = ramSlope * cellByAirFlow;
      const stirring = pumpByActivity * uaByPump;
      const opens = spring * pumpByActivity;
      const metalByKnot = heatByActivity * metalByHeat + stirring * metalByUa;
      const slowByKnot = heatByActivity * slowByHeat + stirring * slowByUa + lossByActivity * slowByLoss;
      for (let n: i32 = 0; n < 2; n++) {
        const knotHere = L.CONSTANTS + knot + n;
        const weight = n == 0 ? 1 - knotPart : knotPart;
        for (let e = entry(first, knotHere), to = entry(first, knotHere + 1); e < to; e++) {
          const d = <usize>entry(where, e);
          const v = mul(vector(howMuch, e), both(weight));
          feed2(d, v, 1, fMetal, metalByKnot, fSlow, slowByKnot);
          if (unknown) {
            feed(fCell1, d, v, full * cell1ByFull + ramCell * cell1ByUa);
            feed(fCell2, d, v, full * cell2ByFull + ramCell * cell2ByUa);
            feed(fCoolant, d, v, full * coolantByFull + stirring * coolantByUa);
            feed(fWax, d, v, full * waxByFull + stirring * waxByRest + opens * waxByPlayed);
            feed(fLift, d, v, opens * liftByPlayed);
            feed(fFan, d, v, pumpByActivity * fanByPump);
            feed(fDuty, d, v, (heatingGain * loadSlope * specific * logSlope) / heatingThreshold);
          }
        }
      }

      // A hybrid that stops once warm.
      const warm = stops ? 1 - at(tableWarm, row) : 0;
      const runs = stops && running > 0 ? (-warm * stepSlope((coolant0 - <f64>HYBRID_COLD_C) / 10)) / 10 / running : 0;
      const pumpByCoolant = runs * pump;
      const heatByCoolant = runs * cold;

      // What carries all directions on.
      const throughValve = 0.72 * wFull * (1 - leak);
      const fanAir = fanFlow * cellByAirFlow;
      const heatBySlow = slow0 < <f64>RUNNING_C ? (-coldHeat / 100) * drawn : 0;
      const metalKeeps = both(metalCapacity * perMetal);
      const metalBySlow = both(heatBySlow * metalByHeat);
      const slowKeeps = both(slowCapacity * perSlow + heatBySlow * slowByHeat);
      const cellKeeps = both(cCell * perCell);
      const cell1ByLift = both(throughValve * cell1ByW);
      const cell2ByLift = both(throughValve * cell2ByW);
      const cell1ByFan = both(fanAir * cell1ByUa);
      const cell2ByFan = both(fanAir * cell2ByUa);
      const passes = both(carried);
      const passesBoth = both(r2B);
      const coolantKeeps = both(
        coolantCapacity * perCoolant + pumpByCoolant * (fullByPump * coolantByFull + uaByPump * coolantByUa),
      );
      const coolantByLift = both(throughValve * coolantByW);
      const coolantByMetal = both(step * ua);
      const coolantBySlow = both(step * uaSlow);
      const coolantByCell = both(step * w);
      const metalFollows = both(mB);
      const slowFollows = both(sB);
      const waxKeeps = both(1 - waxFollows);
      const waxByCoolant = both(waxFollows - waxBySensed * mixed * heaterUa + waxByApart);
      const waxByCell = both(-waxByApart);
      const waxByLift = both(throughValve * waxByW);
      const waxByPlay = both(waxByPlayed);
      const heatingKeeps = both(1 - heatingGain);
      const heatingByElement = both(heatingGain * readSlope);
      const feltByHeating = both(heatedBy_k * heatingEffect);
      const liftFollows = both(liftByPlayed);
      const fanFollowsCell = both(fanByCell);
      const fanFollowsReading = both(fanByReading);
      const elementKeeps = both(1 - senderGain);
      const elementFollows = both(senderGain * (1 - 0.2 * missing));
      const metalByCoolant = both(heatByCoolant * metalByHeat + pumpByCoolant * uaByPump * metalByUa);
      const slowByCoolant = both(heatByCoolant * slowByHeat + pumpByCoolant * uaByPump * slowByUa);
      const cell1ByCoolant = both(pumpByCoolant * fullByPump * cell1ByFull);
      const cell2ByCoolant = both(pumpByCoolant * fullByPump * cell2ByFull);
      const waxByCoolantWas = both(
        pumpByCoolant * (fullByPump * waxByFull + uaByPump * waxByRest + spring * waxByPlayed),
      );
      const liftByCoolantWas = both(pumpByCoolant * spring * liftByPlayed);
      const fanByCoolantWas = both(pumpByCoolant * fanByPump);
      const warmStops = runs != 0;
      for (let j: usize = 0; j < width; j += 16) {
        const coolantWas = pair(tCoolant, j);
        const slowWas = pair(tSlow, j);
        const liftWas = pair(tLift, j);
        const fanWas = pair(tFan, j);
        const playedWas = pair(tPlayed, j);
        const elementWas = pair(tElement, j);
        let aMetal = plus(plus(pair(fMetal, j), metalKeeps, pair(tMetal, j)), metalBySlow, slowWas);
        let aSlow = plus(pair(fSlow, j), slowKeeps, slowWas);
        let a1 = plus(plus(pair(fCell1, j), cellKeeps, pair(tCell1, j)), cell1ByFan, fanWas);
        a1 = plus(a1, cell1ByLift, liftWas);
        let a2 = plus(plus(pair(fCell2, j), cellKeeps, pair(tCell2, j)), cell2ByFan, fanWas);
        a2 = plus(a2, cell2ByLift, liftWas);
        let dWax = plus(plus(pair(fWax, j), waxKeeps, pair(tWax, j)), waxByLift, liftWas);
        dWax = plus(dWax, waxByPlay, playedWas);
        let dLift = pair(fLift, j);
        let dFan = plus(pair(fFan, j), fanFollowsReading, elementWas);
        if (warmStops) {
          aMetal = plus(aMetal, metalByCoolant, coolantWas);
          aSlow = plus(aSlow, slowByCoolant, coolantWas);
          a1 = plus(a1, cell1ByCoolant, coolantWas);
          a2 = plus(a2, cell2ByCoolant, coolantWas);
          dWax = plus(dWax, waxByCoolantWas, coolantWas);
          dLift = plus(dLift, liftByCoolantWas, coolantWas);
          dFan = plus(dFan, fanByCoolantWas, coolantWas);
        }
        a2 = plus(a2, passes, a1);
        let dCoolant = plus(plus(pair(fCoolant, j), coolantKeeps, coolantWas), coolantByLift, liftWas);
        dCoolant = plus(plus(dCoolant, coolantByMetal, aMetal), coolantBySlow, aSlow);
        dCoolant = plus(dCoolant, coolantByCell, a2);
        const d1 = plus(a1, passes, dCoolant);
        const d2 = plus(a2, passesBoth, dCoolant);
        dWax = plus(plus(dWax, waxByCoolant, dCoolant), waxByCell, d2);
        let dPlayed = playedWas;
        if (heatedBy_k > 0) {
          const dHeating = plus(
            plus(pair(fDuty, j), heatingKeeps, pair(tHeating, j)),
            heatingByElement,
            elementWas,
          );
          v128.store(tHeating + j, dHeating);
          if (moves != 0) dPlayed = plus(add(dWax, pair(fPlayed, j)), feltByHeating, dHeating);
        } else if (moves != 0) dPlayed = add(dWax, pair(fPlayed, j));
        const dElement = plus(plus(pair(fElement, j), elementKeeps, elementWas), elementFollows, dCoolant);
        v128.store(tCoolant + j, dCoolant);
        v128.store(tMetal + j, plus(aMetal, metalFollows, dCoolant));
        v128.store(tSlow + j, plus(aSlow, slowFollows, dCoolant));
        v128.store(tCell1 + j, d1);
        v128.store(tCell2 + j, d2);
        v128.store(tWax + j, dWax);
        v128.store(tPlayed + j, dPlayed);
        v128.store(tLift + j, plus(dLift, liftFollows, dPlayed));
        v128.store(tFan + j, plus(dFan, fanFollowsCell, d1));
        v128.store(tElement + j, dElement);
        v128.store(tSum + j, add(pair(tSum, j), dElement));
      }
      memory.fill(fMetal, 0, width * 11);
    }

    if (++inBin == stepsPerBin) {
      put(out, bin, sum / <f64>stepsPerBin);
      put(outOutlet, bin, cell2);
      for (let d: i32 = 0; d < directions; d++) {
        const place = <usize>d << 2;
        put(outAlong, d * bins + bin, <f64>load<f32>(tSum + place) / <f64>stepsPerBin);
        store<f32>(tSum + place, 0);
        if (wantsOutlet) put(outletAlong, d * bins + bin, <f64>load<f32>(tCell2 + place));
      }
      bin++;
      inBin = 0;
      sum = 0;
    }
  }
}
