import { CAUSES, differenceText, perCause, temperatureText, type Cause, type PerCause } from '../../base';
import {
  apparent,
  badContact,
  checkSenderReadings,
  judgeThermostat,
  VERDICT_RATE,
  wiggleVerdict,
  type SenderBench,
  type ThermostatBench,
  type ThermostatFinding,
  type WiggleBench,
} from '../../bench';
import type { ItemId } from '../../evidence';
import {
  buildCurve,
  FAMILY_SD_K,
  OWN_CURVE_SD_K,
  senderErrorLikelihood,
  senderOhms,
  type CurvePoint,
} from '../../sender';
import { sharedGaussian } from '../../signal';
import type { LineContext } from '../context';
import type { BenchEntry } from '../entry';
import { measuredLine, softAnswer, type LineDraft } from './draft';

/** Three points of a curve, for the shapes that wiring gives an error. */
const pointsOf = (curve: Parameters<typeof senderOhms>[0]): CurvePoint[] =>
  [0, 50, 100].map((temp_c) => ({ temp_c, ohm: senderOhms(curve, temp_c) }));

/** A gauge's own fault puts its sender this far off, K, one standard deviation. */
const GAUGE_OFF_SD_K = 25;

const benchLine = (
  context: LineContext,
  { id, also = [] }: { readonly id: ItemId; readonly also?: readonly ItemId[] },
  seen: string,
  likelihood: PerCause<number>,
): LineDraft => ({ ...measuredLine(context, id, seen, likelihood), source: 'bench', answers: [id, ...also] });

/** Readings of a sender against its curve, all of them with their tolerances. */
function sender(test: SenderBench, context: LineContext): LineDraft[] {
  const built = buildCurve(test.curve);
  if (!built.ok || test.readings.length === 0 || !checkSenderReadings(test.readings, test.circuit).ok) return [];
  const { curve, generic } = built.value;
  const points = test.readings.map((r) => apparent(r, { curve, circuit: test.circuit }));
  const read = {
    at_c: points.map((p) => p.true_c),
    errors_k: points.map((p) => p.error_k),
    sds_k: points.map((p) => p.noise_k),
    // What the instruments are off by, and how parts scatter about their curve, stands in every reading alike.
    shared_k: [points.map((p) => p.bias_k), points.map(() => OWN_CURVE_SD_K)],
  };
  const widest = points.reduce((a, b) => (Math.abs(b.error_k) > Math.abs(a.error_k) ? b : a));
  const off = `${differenceText(widest.error_k, 1)} ${widest.error_k < 0 ? 'low' : 'high'} at ${temperatureText(widest.true_c)}`;
  const count = points.length === 1 ? 'one reading' : `${points.length} readings`;
  if (test.which === 'gauge') {
    const sound = Math.exp(sharedGaussian(read.sds_k, read.shared_k)(read.errors_k));
    const off_k = read.sds_k.map((sd) => Math.hypot(sd, GAUGE_OFF_SD_K));
    const wrong = Math.max(sound * 1e-6, Math.exp(sharedGaussian(off_k, read.shared_k)(read.errors_k)));
    const likelihood = perCause((c) => (c === 'gauge-sender-fault' ? 0.2 * sound + 0.8 * wrong : sound));
    const seen = `Gauge sender, ${count}: ${off}${generic ? ', against a generic curve' : ''}`;
    // Against a generic curve an offset proves nothing: the family is not known.
    return generic ? [] : [benchLine(context, { id: 'gauge-against-scan' }, seen, likelihood)];
  }
  // A scan reading beside a thermometer needs no curve; ohms and volts of an unknown family say next to nothing.
  const scanOnly = test.readings.every((r) => r.of === 'shown_c');
  const common = generic && !scanOnly ? { sd_k: FAMILY_SD_K } : null;
  const where = points.every((p) => !p.electric) ? 'element' : 'reading';
  const likelihood = senderErrorLikelihood(read, pointsOf(curve), { where, common });
  const against = scanOnly ? 'against a thermometer' : generic ? 'against a generic curve' : 'against its own curve';
  const also: ItemId[] = scanOnly ? ['housing-infrared'] : [];
  return [
    benchLine(context, { id: 'sender-resistance', also }, `Sender, ${count} ${against}: widest ${off}`, likelihood),
  ];
}

type Verdict = keyof ThermostatFinding['odds'];

/**
 * How a thermostat with each fault shows on the bench: mostly as itself, sometimes as good (it sticks now and then, or
 * the seal was the fault and not the valve). Working figures of the project.
 */
const SHOWS: Readonly<Partial<Record<Cause, Readonly<Partial<Record<Verdict, number>>>>>> = {
  'thermostat-stuck-open': { 'stuck-open': 0.85, leaks: 0.05, 'opens-early': 0.02, good: 0.06 },
  'thermostat-leaking': { leaks: 0.6, 'stuck-open': 0.05, 'opens-early': 0.06, good: 0.27 },
  'thermostat-opens-early': { 'opens-early': 0.88, good: 0.08, leaks: 0.02 },
  'thermostat-opens-late': { 'opens-late': 0.8, 'stuck-closed': 0.1, good: 0.08 },
  'thermostat-stuck-closed': { 'stuck-closed': 0.82, 'opens-late': 0.1, good: 0.06 },
  'thermostat-heating-fault': { good: 0.9, 'opens-late': 0.05 },
};
const SOUND: Readonly<Partial<Record<Verdict, number>>> = { good: 0.94 };
const OTHERWISE = 0.01;

/** How often each thing is seen on a part with a fault, and on any other. Working figures of the project. */
const LOOKS: Readonly<
  Record<
    'sealDamaged' | 'ventStuck' | 'springWeak' | 'deposits',
    { readonly says: string; readonly else: number; readonly on: Readonly<Partial<Record<Cause, number>>> }
  >
> = {
  sealDamaged: { says: 'seal damaged', else: 0.04, on: { 'thermostat-leaking': 0.45 } },
  ventStuck: {
    says: 'vent stuck or missing',
    else: 0.05,
    on: { 'thermostat-leaking': 0.15, 'low-coolant-or-air': 0.12 },
  },
  // Another make always differs: weak evidence.
  springWeak: {
    says: 'spring weaker',
    else: 0.25,
    on: { 'thermostat-opens-early': 0.4, 'thermostat-stuck-open': 0.4 },
  },
  deposits: {
    says: 'deposits',
    else: 0.2,
    on: { 'thermostat-stuck-open': 0.35, 'thermostat-leaking': 0.35, 'thermostat-opens-late': 0.35 },
  },
};

/** What the looks say together, and which of them were answered with yes. */
function looked(test: ThermostatBench): { readonly likelihood: PerCause<number>; readonly seen: readonly string[] } {
  const likelihood = perCause(() => 1);
  const seen: string[] = [];
  for (const [key, look] of Object.entries(LOOKS)) {
    const answer = test[key as keyof typeof LOOKS];
    if (answer === null) continue;
    if (answer) seen.push(look.says);
    for (const c of CAUSES) {
      const p = look.on[c] ?? look.else;
      likelihood[c] *= answer ? p : 1 - p;
    }
  }
  return { likelihood, seen };
}

/** Water tests and cold looks: the likelihood of what was seen under each way of failing, weighed by how each shows. */
function thermostat(test: ThermostatBench, context: LineContext): LineDraft[] {
  const judged = judgeThermostat(test);
  if (!judged.ok) return [];
  const { odds, reason } = judged.value;
  const looks = looked(test);
  const answered = (Object.keys(LOOKS) as (keyof typeof LOOKS)[]).some((key) => test[key] !== null);
  const tested = test.readings.length > 0 || test.lightWhenCold !== null;
  if (!tested && !answered) return [];
  const verdicts = Object.keys(odds) as Verdict[];
  const likelihood = perCause((c) => {
    const shows = SHOWS[c] ?? SOUND;
    const valve = verdicts.reduce((sum, v) => sum + ((shows[v] ?? OTHERWISE) * odds[v]) / VERDICT_RATE[v], 0);
    return looks.likelihood[c] * (tested ? valve : 1);
  });
  const most = Math.max(...CAUSES.map((c) => likelihood[c]));
  const scaled = perCause((c) => likelihood[c] / most);
  const words = [...(tested ? [reason] : []), ...(looks.seen.length > 0 ? [`Seen: ${looks.seen.join(', ')}.`] : [])];
  const seen = `Thermostat on the bench. ${words.length > 0 ? words.join(' ') : 'Looks sound.'}`;
  return [benchLine(context, { id: 'bench-thermostat' }, seen, scaled)];
}

function wiggle(test: WiggleBench, context: LineContext): LineDraft[] {
  const verdict = wiggleVerdict(test);
  if (verdict === 'too-short') return [];
  const bad = badContact({ ...test, verdict });
  const count = test.leaps.length;
  const seen =
    count === 0
      ? 'Steady while plug and wire were moved'
      : `${count} ${count === 1 ? 'leap' : 'leaps'} while plug and wire were moved`;
  return [benchLine(context, { id: 'wiggle-test' }, seen, softAnswer(context, 'wiggle-test', [bad, 1 - bad]))];
}

/** Evidence of a bench test's readings; that of a new part says nothing of what was wrong. */
export function fromBenchTest({ test, part }: BenchEntry, context: LineContext): LineDraft[] {
  if (!test || part === 'new') return [];
  switch (test.of) {
    case 'sender':
      return sender(test, context);
    case 'thermostat':
      return thermostat(test, context);
    case 'wiggle':
      return wiggle(test, context);
    case 'mix':
      return [];
  }
}
