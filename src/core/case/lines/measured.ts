import { differenceText, perCause, temperatureText } from '../../base';
import { curveOf, FAMILY_SD_K, ntcCelsius, OWN_CURVE_SD_K, senderErrorLikelihood } from '../../sender';
import { blurredUniform, normalCdf } from '../../signal';
import { COLD_RAIL_C, HOT_RAIL_C, LEVEL_LOW_MM, SOAKED_H, WEAK_CAP } from '../coldChecks';
import type { LineContext } from '../context';
import type { Entry, MeasurementEntry } from '../entry';
import { COLD_LEVEL_C, heatedAt, levelsOf, levelSteps } from './levels';
import { sdOf } from '../measurements';
import { measuredLine, softAnswer, type LineDraft } from './draft';
import { clutch, element, fan, hold } from './circuits';

/** Part of a reading that its instrument does not know: thermometers near each other still differ, K. */
const PLACE_SD_K = 1.5;
/** Unpainted metal, a film of dirt: what a housing shows beside its coolant, K. */
const HOUSING_SD_K = 2;
/** A block heater, sun, or a shorter stand than was said: how often, and how wide. */
const WARM_BLOCK = { share: 0.04, upTo_k: 25 } as const;
/** Families differ in steepness too: what two readings of one sender may differ by against a common curve, K. */
const FAMILY_SLOPE_SD_K = 7;
/** Width of the step at a rail, K, and of a level's mark, mm. */
const RAIL_WIDTH_K = 4;
/** Change of resistance per kelvin that turns a share of it into kelvin; about 3.5 % for every common NTC. */
const SHARE_PER_K = 0.035;
/** What two readings of one part with the same instruments differ by at the least, K. */
const LEAST_NOISE_K = 0.3;
/** Share of vehicles whose gauge shows the control unit's own reading. */
const SHARED_SENDER = 0.3;
/** How far a sender in air, or one that lags, may lie below a hot housing, K. */
const LATE_K = 60;
/** A gauge's own fault puts it anywhere within, K. */
const GAUGE_OFF_K = 80;

const side = (k: number): string => (k < 0 ? 'below' : 'above');
const present = (values: readonly (number | undefined)[]): number[] => values.filter((v) => v !== undefined);
const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
const together = (sds: readonly number[]): number => Math.sqrt(sds.reduce((sum, sd) => sum + sd * sd, 0));

type Derive = (entry: MeasurementEntry, context: LineContext) => LineDraft[];

/** Coolant against the other thermometers after a night; nothing unless the stand is known to have been one. */
const soak: Derive = (entry, context) => {
  const { ect_c, stood_h, iat_c, outside_c, probe_c } = entry.values;
  const others = present([iat_c, outside_c, probe_c]);
  if (ect_c === undefined || others.length === 0 || stood_h === undefined || stood_h < SOAKED_H) return [];
  const error_k = ect_c - mean(others);
  const spread = Math.max(...others) - Math.min(...others);
  const sd = together([sdOf(entry, 'ect_c'), PLACE_SD_K, spread / 2]);
  const read = { at_c: [mean(others)], errors_k: [error_k], sds_k: [sd] };
  const plain = senderErrorLikelihood(read, context.senderPoints);
  const warm = blurredUniform(error_k, 0, WARM_BLOCK.upTo_k, sd);
  const likelihood = perCause((c) => (1 - WARM_BLOCK.share) * plain[c] + WARM_BLOCK.share * warm);
  const seen = `After ${Math.round(stood_h)} h the coolant reads ${temperatureText(ect_c)}, ${differenceText(error_k)} ${side(error_k)} the other thermometers`;
  return [measuredLine(context, 'soak-agreement', seen, likelihood)];
};

const rails: Derive = (entry, context) => {
  const { unplugged_c, bridged_c } = entry.values;
  if (unplugged_c === undefined || bridged_c === undefined) return [];
  const cold = normalCdf((COLD_RAIL_C - unplugged_c) / Math.hypot(RAIL_WIDTH_K, sdOf(entry, 'unplugged_c')));
  const hot = normalCdf((bridged_c - HOT_RAIL_C) / Math.hypot(RAIL_WIDTH_K, sdOf(entry, 'bridged_c')));
  // Of a circuit that fails one rail, the other or both are missed, each as often.
  const both = cold * hot;
  const missed = (cold * (1 - hot) + (1 - cold) * hot + (1 - cold) * (1 - hot)) / 3;
  const share = both / (both + missed);
  const seen = `Unplugged it reads ${temperatureText(unplugged_c)}, bridged ${temperatureText(bridged_c)}`;
  return [measuredLine(context, 'unplug-rails', seen, softAnswer(context, 'unplug-rails', [1 - share, share]))];
};

const cap: Derive = (entry, context) => {
  const { releases_kpa, stamped_kpa = context.vehicle.coolant.cap_kpa } = entry.values;
  if (releases_kpa === undefined || stamped_kpa === null || !(stamped_kpa > 0)) return [];
  const weak = normalCdf((WEAK_CAP * stamped_kpa - releases_kpa) / sdOf(entry, 'releases_kpa'));
  const seen = `Cap stamped ${Math.round(stamped_kpa)} kPa releases at ${Math.round(releases_kpa)} kPa`;
  return [measuredLine(context, 'look-cap-weak', seen, softAnswer(context, 'look-cap-weak', [weak, 1 - weak]))];
};

/** Resistance against the car's own curve; of an unknown family it says almost nothing. */
const resistance: Derive = (entry, context) => {
  const { cold_c, cold_ohm, warm_c, warm_ohm } = entry.values;
  const { curve, own } = curveOf(context.senderPoints);
  const curveSd_k = own ? OWN_CURVE_SD_K : FAMILY_SLOPE_SD_K;
  const pairs = [
    { at: cold_c, ohm: cold_ohm, atName: 'cold_c', ohmName: 'cold_ohm' },
    { at: warm_c, ohm: warm_ohm, atName: 'warm_c', ohmName: 'warm_ohm' },
  ].flatMap(({ at, ohm, atName, ohmName }) => {
    if (at === undefined || ohm === undefined || !(ohm > 0)) return [];
    const instruments_k = together([sdOf(entry, atName), sdOf(entry, ohmName) / ohm / SHARE_PER_K]);
    return [{ at, ohm, instruments_k }];
  });
  if (pairs.length === 0) return [];
  const errors_k = pairs.map((p) => ntcCelsius(p.ohm, curve) - p.at);
  const likelihood = senderErrorLikelihood(
    {
      at_c: pairs.map((p) => p.at),
      errors_k,
      sds_k: pairs.map((p) => together([p.instruments_k, own ? LEAST_NOISE_K : curveSd_k])),
      // One thermometer, one meter, one part: what they are off by stands in both readings.
      shared_k: [pairs.map((p) => p.instruments_k), pairs.map(() => (own ? curveSd_k : 0))],
    },
    context.senderPoints,
    { where: 'element', common: own ? null : { sd_k: FAMILY_SD_K } },
  );
  const points = pairs
    .map(
      (p, i) =>
        `${Math.round(p.ohm)} Ω at ${temperatureText(p.at)} (${differenceText(errors_k[i]!)} ${side(errors_k[i]!)})`,
    )
    .join(', ');
  const seen = `Sender ${points} ${own ? 'its own curve' : 'a common curve; its own is not known'}`;
  return [measuredLine(context, 'sender-resistance', seen, likelihood)];
};

const housing: Derive = (entry, context) => {
  const { housing_c, scan_c } = entry.values;
  if (housing_c === undefined || scan_c === undefined) return [];
  const error_k = scan_c - housing_c;
  const sd = together([sdOf(entry, 'housing_c'), sdOf(entry, 'scan_c'), HOUSING_SD_K]);
  const read = { at_c: [housing_c], errors_k: [error_k], sds_k: [sd] };
  const plain = senderErrorLikelihood(read, context.senderPoints);
  // A sender in air, or one that lags, is off by some tens of kelvin below a hot housing.
  const late = blurredUniform(error_k, -LATE_K, 0, sd);
  const share = { 'low-coolant-or-air': 0.35, 'sender-slow': 0.15 } as const;
  const likelihood = perCause((c) =>
    c === 'low-coolant-or-air' || c === 'sender-slow' ? (1 - share[c]) * plain[c] + share[c] * late : plain[c],
  );
  const seen = `Housing ${temperatureText(housing_c)}, scan reading ${temperatureText(scan_c)}`;
  return [measuredLine(context, 'housing-infrared', seen, likelihood)];
};

/** The needle against the scan reading: two senders on most vehicles, one on some. */
const needle: Derive = (entry, context) => {
  const { gauge_c, scan_c } = entry.values;
  if (gauge_c === undefined || scan_c === undefined) return [];
  const sd = together([sdOf(entry, 'gauge_c'), sdOf(entry, 'scan_c'), PLACE_SD_K]);
  const read = { at_c: [gauge_c], errors_k: [scan_c - gauge_c], sds_k: [sd] };
  const apart = senderErrorLikelihood(read, context.senderPoints);
  const likelihood = perCause((c) =>
    c === 'gauge-sender-fault'
      ? 0.1 * apart.healthy + 0.9 * blurredUniform(scan_c - gauge_c, -GAUGE_OFF_K / 2, GAUGE_OFF_K / 2, sd)
      : SHARED_SENDER * apart.healthy + (1 - SHARED_SENDER) * apart[c],
  );
  const seen = `Gauge at ${temperatureText(gauge_c)}, scan reading ${temperatureText(scan_c)}`;
  return [measuredLine(context, 'gauge-against-scan', seen, likelihood)];
};

const LEVEL_SD_MM = 3;

const level: Derive = (entry, context) => {
  const { above_mark_mm, at_c } = entry.values;
  if (above_mark_mm === undefined || (at_c !== undefined && at_c > COLD_LEVEL_C)) return [];
  const low = normalCdf((LEVEL_LOW_MM - above_mark_mm) / Math.max(LEVEL_SD_MM, sdOf(entry, 'above_mark_mm')));
  const seen = `Cold level ${Math.abs(above_mark_mm)} mm ${above_mark_mm < 0 ? 'below' : 'above'} the mark`;
  return [measuredLine(context, 'look-level-low', seen, softAnswer(context, 'look-level-low', [low, 1 - low]))];
};

/** Scan, needle and reference at one moment: which of the two senders is off, or neither. */
const moment: Derive = (entry, context) => {
  const { reference_c, scan_c, gauge_c } = entry.values;
  if (reference_c === undefined || (scan_c === undefined && gauge_c === undefined)) return [];
  const errors = (value: number, name: string) => ({
    at_c: [reference_c],
    errors_k: [value - reference_c],
    sds_k: [together([sdOf(entry, 'reference_c'), sdOf(entry, name), PLACE_SD_K])],
  });
  const scan = scan_c === undefined ? null : senderErrorLikelihood(errors(scan_c, 'scan_c'), context.senderPoints);
  const needleSd_k = together([sdOf(entry, 'reference_c'), sdOf(entry, 'gauge_c'), PLACE_SD_K]);
  const needleOff =
    gauge_c === undefined ? null : senderErrorLikelihood(errors(gauge_c, 'gauge_c'), context.senderPoints);
  const likelihood = perCause((c) => {
    const own = scan ? scan[c] : 1;
    if (!needleOff) return own;
    // The needle follows the control unit's sender on some vehicles; its own fault puts it anywhere.
    const needle =
      c === 'gauge-sender-fault'
        ? 0.1 * needleOff.healthy +
          0.9 * blurredUniform(gauge_c! - reference_c, -GAUGE_OFF_K / 2, GAUGE_OFF_K / 2, needleSd_k)
        : SHARED_SENDER * needleOff[c] + (1 - SHARED_SENDER) * needleOff.healthy;
    return own * needle;
  });
  const seen = [
    `Reference ${temperatureText(reference_c)}`,
    ...(scan_c === undefined ? [] : [`scan ${temperatureText(scan_c)}`]),
    ...(gauge_c === undefined ? [] : [`needle ${temperatureText(gauge_c)}`]),
  ].join(', ');
  const line = measuredLine(context, 'housing-infrared', `${seen} at one moment`, likelihood);
  const answers = [
    ...(scan ? (['housing-infrared'] as const) : []),
    ...(needleOff ? (['gauge-against-scan'] as const) : []),
  ];
  return [{ ...line, answers }];
};

const DERIVE: Readonly<Partial<Record<MeasurementEntry['name'], Derive>>> = {
  soak,
  rails,
  cap,
  resistance,
  housing,
  needle,
  level,
  moment,
  fan,
  element,
  hold,
  clutch,
};

/** The lines of a measurement: its value and tolerance under each cause, never a yes or no at a threshold. */
export const fromMeasurement: Derive = (entry, context) => DERIVE[entry.name]?.(entry, context) ?? [];

/**
 * What the level did over the cold readings of a stretch without work: all that went between levels that can be compared.
 * That it held is said only where the engine was warmed through between them.
 */
export function levelOverTime(entries: readonly Entry[], context: LineContext): LineDraft[] {
  const steps = levelSteps(levelsOf(entries), heatedAt(entries)).filter((s) => s.loss_mm !== null);
  if (steps.length === 0) return [];
  const drop = steps.reduce((sum, s) => sum + s.loss_mm!, 0);
  const read = entries.filter((e): e is MeasurementEntry => e.kind === 'measurement' && e.name === 'level');
  const sd = together([sdOf(read[0]!, 'above_mark_mm'), sdOf(read.at(-1)!, 'above_mark_mm')]);
  const fell = normalCdf((drop + LEVEL_LOW_MM) / sd);
  if (fell < 0.5 && !steps.some((s) => s.heated)) return [];
  const seen = drop > 0 ? `Cold level fell by ${drop} mm` : 'Cold level held from one reading to the next';
  return [measuredLine(context, 'level-drop', seen, softAnswer(context, 'level-drop', [fell, 1 - fell]))];
}
