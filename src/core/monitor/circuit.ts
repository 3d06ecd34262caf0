import type { MonitorInput } from './drive';
import { notMet, type CodeResult, type WhyNot } from './result';
import type { MonitorSettings } from './settings';

/** First time at which a condition has held for so long; null when it never did. */
function heldFor(input: MonitorInput, holds: (value: number) => boolean, for_s: number): number | null {
  let since: number | null = null;
  for (let i = 0; i < input.time_s.length; i++) {
    const v = input.reading_c[i]!;
    if (!Number.isFinite(v)) continue;
    if (!holds(v)) since = null;
    else {
      since ??= input.time_s[i]!;
      if (input.time_s[i]! - since >= for_s) return input.time_s[i]!;
    }
  }
  return null;
}

const lastTime = (input: MonitorInput): number => Math.round(input.time_s[input.time_s.length - 1] ?? 0);
const present = (input: MonitorInput): number[] => Array.from(input.reading_c).filter(Number.isFinite);

function ran(code: string, drivesToLamp: number, input: MonitorInput, at_s: number | null, margin_k: number | null) {
  return {
    ...{ code, ran: true, whyNot: [], wouldSet: at_s !== null, margin_k, drivesToLamp },
    at_s: Math.round(at_s ?? lastTime(input)),
  } satisfies CodeResult;
}

/** A monitor that did not run. */
export function notRun(code: string, drivesToLamp: number, whyNot: readonly WhyNot[]): CodeResult {
  return { code, ran: false, whyNot, wouldSet: null, at_s: null, margin_k: null, drivesToLamp };
}

/** P0117, P0118, P0119, P0217: rails that last, drop-outs that come back, too hot for too long. */
export function continuous(input: MonitorInput, settings: MonitorSettings): CodeResult[] {
  const values = present(input);
  const { hotRail_c, coldRail_c, railFor_s, overTemperature_c, overTemperatureFor_s } = settings;
  const lamp = settings.drivesToLampCircuit;
  if (values.length === 0) {
    const why = [notMet('channel', 0, { what: 'any coolant reading' })];
    return ['P0117', 'P0118', 'P0119', 'P0217'].map((code) => notRun(code, lamp, why));
  }
  const top = values.reduce((a, b) => Math.max(a, b));
  const bottom = values.reduce((a, b) => Math.min(a, b));
  const believable = values.filter((v) => v < hotRail_c);
  const hottest = believable.length === 0 ? null : believable.reduce((a, b) => Math.max(a, b));
  const hot_s = heldFor(input, (v) => v >= overTemperature_c && v < hotRail_c, overTemperatureFor_s);
  return [
    ran(
      'P0117',
      lamp,
      input,
      heldFor(input, (v) => v >= hotRail_c, railFor_s),
      hotRail_c - top,
    ),
    ran(
      'P0118',
      lamp,
      input,
      heldFor(input, (v) => v <= coldRail_c, railFor_s),
      bottom - coldRail_c,
    ),
    ran('P0119', lamp, input, input.dropouts_s[1] ?? null, null),
    ran('P0217', 1, input, hot_s, hottest === null ? null : overTemperature_c - hottest),
  ];
}

/**
 * P0116: after a soak the coolant must agree with the other cold temperatures. Runs only where two others prove the
 * soak by agreeing with each other.
 */
export function afterSoak(input: MonitorInput, settings: MonitorSettings): CodeResult {
  const code = 'P0116';
  const others = [input.intake_c, input.ambient_c, input.oil_c].filter((v): v is number => v !== null);
  const { soakAgree_k, soakSpread_k, drivesToLamp } = settings;
  if (!Number.isFinite(input.start_c)) {
    return notRun(code, drivesToLamp, [notMet('channel', 0, { what: 'a coolant reading at the start' })]);
  }
  if (others.length < 2) {
    const what = 'two other cold temperatures (intake air, outside air, oil)';
    return notRun(code, drivesToLamp, [notMet('channel', 0, { what })]);
  }
  const spread_k = Math.max(...others) - Math.min(...others);
  if (spread_k > soakAgree_k) {
    return notRun(code, drivesToLamp, [notMet('soak', 0, { to: soakAgree_k, was: spread_k, unit: 'K' })]);
  }
  const off_k = Math.abs(input.start_c - others.reduce((a, b) => a + b, 0) / others.length);
  const wouldSet = off_k > soakSpread_k;
  return { ...{ code, ran: true, whyNot: [], wouldSet, at_s: 0, drivesToLamp }, margin_k: soakSpread_k - off_k };
}

/** P0597, P0598, P0599: a log carries the command of the thermostat's heating, not its circuit. */
export function heatingCircuit(settings: MonitorSettings): CodeResult[] {
  return ['P0597', 'P0598', 'P0599'].map((code) =>
    notRun(code, settings.drivesToLampCircuit, [notMet('circuit-not-logged', 0)]),
  );
}
