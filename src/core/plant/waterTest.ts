import { normalCdf } from '../signal';
import { seededRandom } from './random';

/** A valve in a pot, as it really is. */
export interface PotValve {
  /** First movement while warming very slowly, °C. */
  readonly opens_c: number;
  readonly full_c: number;
  readonly hysteresis_k: number;
  readonly lift_mm: number;
  /** Lag of the brass cup behind the water, and of the wax behind its cup, s. */
  readonly cupLag_s: number;
  readonly waxLag_s: number;
  /** How much slower wax warms while it melts, as a factor above 1. */
  readonly melting: number;
  /** Steps in which a dry stem slips, mm. */
  readonly stick_mm: number;
  /** Lift that is left when cold, mm. */
  readonly open_mm: number;
  readonly moves: boolean;
}

/** How a pot is heated and read. */
export interface PotCourse {
  readonly from_c: number;
  readonly to_c: number;
  readonly heating_kpmin: number;
  /** 0: the test ends hot. */
  readonly cooling_kpmin: number;
  readonly every_s: number;
  /** Scatter of the lift that is read, mm; null: by eye, as a state. */
  readonly liftSd_mm: number | null;
  /** Standard uncertainty of the thermometer: one error for the whole test, K. */
  readonly thermometerSd_k: number;
  readonly seed: number;
}

/** One reading of the pot. */
export interface PotReading {
  readonly t_s: number;
  readonly water_c: number;
  readonly lift_mm: number | null;
  readonly state: 'closed' | 'moving' | 'open' | null;
}

const DT_S = 0.5;
/** Minutes that the pot is held hot before it cools. */
const HELD_S = 120;

/** Share of the lift of wax whose melting is spread as a bell over the span: its first and last 2 % are lost in play. */
function melted(wax_c: number, from_c: number, to_c: number): number {
  const z = (4.107 * (wax_c - (from_c + to_c) / 2)) / (to_c - from_c);
  return Math.min(1, Math.max(0, (normalCdf(z) - 0.02) / 0.96));
}

/**
 * A valve in heated water, with more in it than a test's own correction knows: a cup and a wax that lag one after the
 * other, heat that melting takes, a closing curve of its own, a stem that sticks, a pot whose burner is turned.
 */
export function waterTest(valve: PotValve, course: PotCourse): PotReading[] {
  const random = seededRandom(course.seed);
  const error_k = course.thermometerSd_k * random.normal(0, 1);
  const wobble = 0.15 * random.normal(0, 1);
  let water = course.from_c;
  let cup = water;
  let wax = water;
  let lift = valve.open_mm;
  let phase: 'heat' | 'hold' | 'cool' = 'heat';
  let held = 0;
  const out: PotReading[] = [];
  const end_c = course.cooling_kpmin > 0 ? valve.opens_c - valve.hysteresis_k - 12 : Infinity;
  for (let i = 0; i * DT_S < 3 * 3600; i++) {
    const t = i * DT_S;
    if (phase === 'heat') {
      water += (course.heating_kpmin / 60) * (1 + wobble * Math.sin(t / 40)) * DT_S;
      if (water >= course.to_c) phase = 'hold';
    } else if (phase === 'hold') {
      held += DT_S;
      if (held >= HELD_S) phase = 'cool';
    } else water -= (course.cooling_kpmin / 60) * DT_S;
    cup += ((water - cup) * DT_S) / valve.cupLag_s;
    const share = melted(wax, valve.opens_c, valve.full_c);
    const slow = share > 0.01 && share < 0.99 ? valve.melting : 1;
    wax += ((cup - wax) * DT_S) / (valve.waxLag_s * slow);
    const up = valve.lift_mm * melted(wax, valve.opens_c, valve.full_c);
    const down = valve.lift_mm * melted(wax, valve.opens_c - valve.hysteresis_k, valve.full_c - valve.hysteresis_k);
    const wanted = valve.moves ? Math.max(valve.open_mm, up, Math.min(lift, down)) : valve.open_mm;
    // A sticking stem waits until enough has gathered, both ways; the last bit shuts with the spring.
    if (Math.abs(wanted - lift) >= valve.stick_mm || wanted <= valve.open_mm + 0.02) lift = wanted;
    if (t % course.every_s < DT_S) out.push(readingAt(t, water + error_k, lift));
    if (phase === 'cool' && (course.cooling_kpmin === 0 || water < end_c)) break;
  }
  return out;

  function readingAt(t: number, read_c: number, lift_mm: number): PotReading {
    const water_c = Math.round(read_c * 10) / 10;
    const { liftSd_mm } = course;
    if (liftSd_mm !== null) {
      const read = Math.max(0, lift_mm + liftSd_mm * random.normal(0, 1));
      return { t_s: Math.round(10 * t) / 10, water_c, lift_mm: Math.round(read * 10) / 10, state: null };
    }
    const state = lift_mm < 0.3 ? 'closed' : lift_mm > 0.95 * valve.lift_mm ? 'open' : 'moving';
    return { t_s: Math.round(10 * t) / 10, water_c, lift_mm: null, state };
  }
}
