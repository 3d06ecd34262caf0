import { differenceText, temperatureText } from '../../base';
import { causeName } from '../../evidence';
import { normalCdf } from '../../signal';
import type { Remark, RemarkFigures, RemarkKind } from './remark';

const minute = (s: number): string => `minute ${Math.round(s / 60)}`;
const rate = (r: number): string => `${r < 0 ? '-' : ''}${differenceText(r, 1)} a minute`;
const named = (cause: Parameters<typeof causeName>[0]): string => causeName(cause).toLowerCase();

/** Spread under which a level is called flat, K. */
const FLAT_K = 5;
/** Change with road speed that is none, K per 10 km/h. */
const NO_SAG_K = 0.4;
/** Coolant and air this close at the start agree, K. */
const SOAK_AGREES_K = 4;
/** Up to this ratio two causes are almost equally likely. */
const ALMOST = 1.5;

/** How unusual a figure is, as a workshop says it: one car in so many lies as far off, or what is said of a usual one. */
function oneCarIn(z: number, usual: string): string {
  const share = 2 * (1 - normalCdf(Math.abs(z)));
  return share > 0.4 ? usual : `one car in ${share < 1e-4 ? 'ten thousand' : Math.round(1 / share)}`;
}

function startAgainstAir({ start_c, outside_k, intake_k }: RemarkFigures['start-against-air']): string {
  const others = [
    { name: 'outside air', k: outside_k },
    { name: 'intake air', k: intake_k },
  ].filter((o): o is { name: string; k: number } => o.k !== null);
  if (others.length === 0) return 'No air temperature was logged, so the start cannot be checked against it.';
  const stand = others.map(({ name, k }) =>
    Math.abs(k) <= SOAK_AGREES_K ? `with ${name}` : `${differenceText(k)} ${k < 0 ? 'below' : 'above'} ${name}`,
  );
  return `It started at ${temperatureText(start_c)}, ${stand.join(' and ')}.`;
}

const TEXT: { readonly [K in RemarkKind]: (figures: RemarkFigures[K], at_s: number) => string } = {
  'cannot-carry': ({ problem }) => problem,
  'leaves-sound-band': ({ low_c, high_c, reading_c }, at_s) =>
    `At ${minute(at_s)} a sound vehicle would read ${temperatureText(low_c)} to ${temperatureText(high_c)} on this drive; this one read ${temperatureText(reading_c)}.`,
  'inside-sound-band': ({ level_c, expected_c }) =>
    `The reading stays inside the band of a sound vehicle: it ends near ${temperatureText(level_c)}, where ${temperatureText(expected_c)} is expected.`,
  'inside-while-trusted': () => 'As far as it can be trusted, the reading stays inside the band of a sound vehicle.',
  climb: ({ rate_kpmin, expected_kpmin, start_c }) =>
    `It climbed ${rate(rate_kpmin)} from ${temperatureText(start_c)}, against ${rate(expected_kpmin)} expected.`,
  level: ({ level_c, spread_k }) =>
    `Its level over the last third is ${spread_k < FLAT_K ? 'flat' : 'uneven'}: ${temperatureText(level_c)} with a spread of ${differenceText(spread_k)}.`,
  sag: ({ per10kmh_k }) =>
    Math.abs(per10kmh_k) < NO_SAG_K
      ? 'Its level hardly changes between town and fast road.'
      : `It ran ${differenceText(per10kmh_k, 1)} ${per10kmh_k < 0 ? 'cooler' : 'warmer'} for every 10 km/h of road speed.`,
  standstill: ({ rate_kpmin }) => `At standstill it moved by ${rate(rate_kpmin)}.`,
  revs: ({ idle_kpmin, held_kpmin }) =>
    `At standstill it moved by ${rate(idle_kpmin)} at idle and by ${rate(held_kpmin)} with the engine held at speed.`,
  swings: ({ height_k, period_s, count }) =>
    `Its level swings by ${differenceText(height_k)} every ${Math.round(period_s)} s, ${count} times.`,
  uneven: () => 'The reading is uneven in a way that coolant around a sender is not.',
  'passes-while-shut': ({ share }) =>
    `The best fit passes ${Math.round(100 * share)} % of full radiator flow while shut.`,
  'opens-at': ({ fitted_c, rated_c }) =>
    `The best fit opens at ${temperatureText(fitted_c)} against a rating of ${temperatureText(rated_c)}.`,
  'no-bend': ({ highest_c, rated_c }) =>
    `It reached ${temperatureText(highest_c)} with a thermostat rated ${temperatureText(rated_c)} and shows no bend.`,
  'highest-reading': ({ highest_c }) => `It reached ${temperatureText(highest_c)}.`,
  'opens-heated': ({ rated_c, heated_c }) =>
    `Unheated it opens at ${temperatureText(rated_c)}, heated at ${temperatureText(heated_c)}.`,
  'start-against-air': startAgainstAir,
  'shifted-shape': () => 'A sender off by a fixed amount keeps the shape and shifts it.',
  'late-bends': ({ lag_s }) => `The bends come late and rounded, as with a lag of ${Math.round(lag_s)} s.`,
  leaps: ({ count }) =>
    `${count} times the reading jumped faster than coolant can change; those samples were left out of the fit.`,
  'stands-still': ({ reading_c }, at_s) =>
    `From ${minute(at_s)} on the reading stands at ${temperatureText(reading_c)} without any change.`,
  'hardly-moves': () => 'The reading hardly moves.',
  'no-gauge': () => 'No gauge channel was logged.',
  'gauge-apart': ({ apart_k }) =>
    `The gauge stands ${differenceText(apart_k)} ${apart_k < 0 ? 'below' : 'above'} the engine reading, which itself fits a sound vehicle.`,
  'sound-stays-cold': ({ level_c, rated_c }) =>
    `On this drive even a sound vehicle stays at ${temperatureText(level_c)}, below its rating of ${temperatureText(rated_c)}.`,
  'heat-too-little': ({ rated_c }) =>
    `The fitted heat does not carry it to the rating of ${temperatureText(rated_c)} on this drive.`,
  'no-rival': () => 'No other cause comes near it.',
  rival: ({ cause, times }) => {
    // Odds that far out are a floor of the judge, no figure.
    const shown = times >= 100 ? 'over 100' : times < 10 ? times.toFixed(1) : Math.round(times);
    const how = times < ALMOST ? 'almost as likely' : `${shown} times less likely`;
    return `What else looks like this: ${named(cause)}, ${how}.`;
  },
  'parts-from-rival': ({ cause, rival_c, best_c, read_c }, at_s) =>
    `They part at ${minute(at_s)}: ${named(cause)} would read ${temperatureText(rival_c)}, the best cause ${temperatureText(best_c)}; it read ${temperatureText(read_c)}.`,
  'rival-is-rarer': () => 'It fits as well, but is the less usual fault at this strength.',
  'rival-bends': ({ parameter, rival_sd, best_sd }) =>
    `It fits as well only with ${parameter.toLowerCase()} as far off the usual as ${oneCarIn(rival_sd, 'any car')}; the best cause needs ${oneCarIn(best_sd, 'nothing unusual')}.`,
  'rival-alike': () => 'Fitted to this trace, the two hardly differ anywhere: another test must separate them.',
};

/** A remark as a sentence, quantities in SI units written the one way of `base/quantityText`. */
export const remarkText = ({ kind, figures, at_s }: Remark): string =>
  (TEXT[kind] as (figures: object, at_s: number) => string)(figures, at_s ?? 0);

/** What belongs together, as one text. */
export const remarksText = (remarks: readonly Remark[]): string => remarks.map(remarkText).join(' ');
