import { seededRandom, waterTest, type PotValve } from '../../src/core/plant';
import { explainSender, judgeThermostat, type SenderFault, type SenderReading } from '../../src/core/bench';
import { buildCurve, pinVolts, SENDER_FAMILIES, senderCelsius, senderOhms } from '../../src/core/sender';

/** One figure of a thermostat test against the truth. */
export interface ThermostatError {
  readonly figure: 'opens' | 'full' | 'closes' | 'hysteresis' | 'lift';
  readonly error: number;
  readonly sd: number;
}

/** A thermostat test: what it was, what was said of it. */
export interface ThermostatCase {
  readonly truth: string;
  readonly said: string;
  readonly heating_kpmin: number;
  readonly byEye: boolean;
  readonly errors: readonly ThermostatError[];
}

/** Valves tested in a pot that the correction was not written for (two lags, melting, a sticking stem). */
export function thermostatExam(seeds: readonly number[]): ThermostatCase[] {
  return seeds.map((seed) => {
    const random = seededRandom(seed);
    const between = (a: number, b: number) => a + (b - a) * random.uniform(0, 1);
    const rated_c = [78, 82, 85, 88, 92][Math.floor(5 * random.uniform(0, 1))]!;
    const kinds = ['good', 'good', 'opens-early', 'opens-late', 'stuck-open', 'stuck-closed', 'leaks'] as const;
    const truth = kinds[Math.floor(kinds.length * random.uniform(0, 1))]!;
    const off = truth === 'opens-early' ? -between(6, 18) : truth === 'opens-late' ? between(6, 9) : between(-2, 2);
    const opens_c = rated_c + off;
    const valve: PotValve = {
      opens_c,
      full_c: opens_c + between(8, 15),
      hysteresis_k: between(2, 5),
      lift_mm: between(7, 10),
      cupLag_s: between(3, 8),
      waxLag_s: between(5, 14),
      melting: between(1, 1.6),
      stick_mm: between(0, 0.3),
      open_mm: truth === 'stuck-open' ? between(4, 8) : 0,
      moves: truth !== 'stuck-open' && truth !== 'stuck-closed',
    };
    const heating_kpmin = between(1.5, 10);
    const byEye = random.uniform(0, 1) < 0.4;
    const thermometerSd_k = between(0.3, 1);
    const readings = waterTest(valve, {
      from_c: between(20, 55),
      to_c: Math.min(99.5, rated_c + 16),
      heating_kpmin,
      cooling_kpmin: random.uniform(0, 1) < 0.75 ? between(1, 4) : 0,
      every_s: byEye ? between(8, 15) : between(5, 20),
      liftSd_mm: byEye ? null : between(0.05, 0.25),
      thermometerSd_k,
      seed: seed + 1,
    });
    const judged = judgeThermostat({
      ...{ rated_c, readings, thermometerSd_k, altitude_m: 0 },
      fullOpen_c: null,
      lightWhenCold: truth === 'leaks' || truth === 'stuck-open' ? true : random.uniform(0, 1) < 0.5 ? false : null,
    });
    if (!judged.ok) throw new Error(`seed ${seed}: ${judged.error.path}: ${judged.error.message}`);
    const found = judged.value;
    const errors = (
      [
        ['opens', found.opens_c, valve.opens_c],
        ['full', found.full_c, valve.full_c],
        ['closes', found.closes_c, valve.opens_c - valve.hysteresis_k],
        ['hysteresis', found.hysteresis_k, valve.hysteresis_k],
        ['lift', found.lift_mm, valve.lift_mm],
      ] as const
    ).flatMap(([figure, told, true_]) => (told ? [{ figure, error: told.value - true_, sd: told.sd }] : []));
    return { truth, said: found.verdict, heating_kpmin, byEye, errors: valve.moves ? errors : [] };
  });
}

/** Senders measured at two hot temperatures only: a plug and a shifted element err alike there. */
export function alikeExam(
  seeds: readonly number[],
): { readonly said: SenderFault | null; readonly truth: SenderFault }[] {
  const built = buildCurve({ kind: 'family', family: 'generic-2k5' });
  if (!built.ok) throw new Error(built.error.message);
  const { curve } = built.value;
  return seeds.map((seed) => {
    const random = seededRandom(seed);
    const truth = random.chance(0.5) ? 'offset' : 'series-resistance';
    const size_k = random.uniform(4, 9);
    const plug = senderOhms(curve, 92 - size_k) - senderOhms(curve, 92);
    const readings = [88, 96].map((c): SenderReading => {
      const ohm = truth === 'offset' ? senderOhms(curve, c - size_k) : senderOhms(curve, c) + plug;
      const value = ohm * (1 + 0.01 * random.normal(0, 1));
      return { true_c: c + random.normal(0, 1), trueSd_k: 1, of: 'ohm', value, sd_pct: 1 };
    });
    return { truth, said: explainSender(readings, { curve, circuit: null }).named };
  });
}

/** A sender on the bench: what was wrong, what was said. */
export interface SenderCase {
  readonly truth: SenderFault;
  readonly said: SenderFault | null;
  readonly probability: number;
  /** Largest error at a point over that point's tolerance. */
  readonly over: number;
  /** Points at which the error is more than three times the tolerance. */
  readonly clear: number;
  /** Error said minus true at 90 °C, and half the stated band, K. */
  readonly error90_k: number;
  readonly band90_k: number;
}

/** Senders with one fault each, measured in ohms, volts or scan readings, with instruments that err as they say. */
export function senderExam(seeds: readonly number[]): SenderCase[] {
  return seeds.map((seed) => {
    const random = seededRandom(seed);
    const between = (a: number, b: number) => a + (b - a) * random.uniform(0, 1);
    const logBetween = (a: number, b: number) => a * (b / a) ** random.uniform(0, 1);
    const families = SENDER_FAMILIES.filter((f) => f.feeds === 'control-unit');
    const family = families[Math.floor(families.length * random.uniform(0, 1))]!;
    const built = buildCurve({ kind: 'points', points: family.points });
    if (!built.ok) throw new Error(built.error.message);
    const { curve } = built.value;
    const ohms = (c: number) => senderOhms(curve, c);
    const faults: readonly SenderFault[] = [
      'good',
      'offset',
      'series-resistance',
      'parallel-leak',
      'pull-up-drift',
      'wrong-curve',
      'open',
      'short',
    ];
    const truth = faults[Math.floor(faults.length * random.uniform(0, 1))]!;
    const of =
      truth === 'pull-up-drift'
        ? random.uniform(0, 1) < 0.5
          ? 'volt'
          : 'shown_c'
        : (['ohm', 'volt', 'shown_c'] as const)[Math.floor(3 * random.uniform(0, 1))]!;
    const circuit = { reference_v: 5, pullUp_ohm: logBetween(0.5, 2) * ohms(30), second: null, bits: 10 };
    const sign = random.uniform(0, 1) < 0.5 ? -1 : 1;
    const offset = sign * logBetween(2, 20);
    const series = logBetween(0.05, 3) * ohms(90);
    const leak = logBetween(0.5, 10) * ohms(20);
    const drift = sign * logBetween(0.1, 0.7);
    const other = { scale: Math.exp(sign * between(0.4, 1.8)), steep: sign * between(150, 500) };
    const sensor = (c: number): number => {
      if (truth === 'offset') return ohms(c + offset);
      if (truth === 'series-resistance') return ohms(c) + series;
      if (truth === 'parallel-leak') return 1 / (1 / ohms(c) + 1 / leak);
      if (truth === 'wrong-curve')
        return ohms(c) * other.scale * Math.exp(other.steep * (1 / (c + 273.15) - 1 / 298.15));
      if (truth === 'open') return 1e8;
      return truth === 'short' ? 0.3 : ohms(c);
    };
    const pullUp = circuit.pullUp_ohm * (truth === 'pull-up-drift' ? Math.exp(drift) : 1);
    const unit = (c: number): number => {
      const volts = pinVolts(sensor(c), circuit, pullUp);
      const back = (circuit.pullUp_ohm * volts) / Math.max(1e-6, circuit.reference_v - volts);
      return Math.min(215, Math.max(-40, senderCelsius(curve, Math.max(1e-3, back))));
    };
    const trueSd_k = between(0.3, 1.2);
    const sd_pct = of === 'volt' ? between(0.2, 0.6) : between(0.5, 1.5);
    const count = 4 + Math.floor(3 * random.uniform(0, 1));
    const temps = Array.from({ length: count }, (_, i) => (i * 98) / (count - 1) + between(-3, 1.5)).map((t) =>
      Math.max(0.5, t),
    );
    const readings = temps.map((c): SenderReading => {
      const value =
        of === 'ohm'
          ? sensor(c) * (1 + (sd_pct / 100) * random.normal(0, 1))
          : of === 'volt'
            ? Math.min(5, pinVolts(sensor(c), circuit, pullUp) * (1 + (sd_pct / 100) * random.normal(0, 1)))
            : Math.round(unit(c));
      return { true_c: c + trueSd_k * random.normal(0, 1), trueSd_k, of, value, sd_pct };
    });
    const found = explainSender(readings, { curve, circuit: of === 'ohm' ? null : circuit });
    const errorAt = (c: number) => (of === 'ohm' ? senderCelsius(curve, Math.max(1e-3, sensor(c))) : unit(c)) - c;
    const ratios = temps.map((c, i) => Math.abs(errorAt(c)) / found.points[i]!.sd_k);
    const at90 = found.error.find((e) => e.at_c === 90)!;
    return {
      truth,
      said: found.named,
      probability: found.faults[0]!.probability,
      over: Math.max(...ratios),
      clear: ratios.filter((r) => r > 3).length,
      error90_k: at90.error_k - errorAt(90),
      band90_k: (at90.high_k - at90.low_k) / 2,
    };
  });
}
