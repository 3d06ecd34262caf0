import { fanCycles, fanFall, fanOff, fanOn } from './fan';
import type { FeatureSpec, FeatureDrive, NotTold, Told } from './feature';
import { heldWhile, minutesAbove, peak, plateau, plateauSpread } from './hold';
import { heaterEffectiveness, recoveryByRevs, recoveryByRoad, speedSag, standstillCreep } from './response';
import { bendTemperature, coolDown, minutesTo, openingDip, openingTime, risePerHeat } from './warmUp';

/** Every figure of a drive, in the order in which it happens. */
export const FEATURES = [
  { name: 'minutes-to-40', label: 'To 40 °C', unit: 'min', measure: (d) => minutesTo(d, 40) },
  { name: 'minutes-to-60', label: 'To 60 °C', unit: 'min', measure: (d) => minutesTo(d, 60) },
  { name: 'minutes-to-80', label: 'To 80 °C', unit: 'min', measure: (d) => minutesTo(d, 80) },
  {
    name: 'minutes-to-threshold',
    label: 'To the code threshold',
    unit: 'min',
    measure: (d) => minutesTo(d, d.threshold_c),
  },
  { name: 'rise-per-heat', label: 'Rise per heat put in', unit: 'K/MJ', measure: risePerHeat },
  { name: 'bend', label: 'Bends at', unit: '°C', measure: bendTemperature },
  { name: 'opening-time', label: 'Opens after', unit: 'min', measure: openingTime },
  { name: 'opening-dip', label: 'Dip at the opening', unit: 'K', measure: openingDip },
  { name: 'plateau', label: 'Level it holds', unit: '°C', measure: plateau },
  { name: 'plateau-spread', label: 'Spread of that level', unit: 'K', measure: plateauSpread },
  { name: 'speed-sag', label: 'Change with road speed', unit: 'K per 10 km/h', measure: speedSag },
  { name: 'standstill-creep', label: 'Creep at standstill', unit: 'K/min', measure: standstillCreep },
  { name: 'recovery-revs', label: 'Change with engine speed', unit: 'K/min', measure: recoveryByRevs },
  { name: 'recovery-road', label: 'Change on driving off', unit: 'K/min', measure: recoveryByRoad },
  { name: 'hold-idle', label: 'Held idling', unit: '°C', measure: (d) => heldWhile(d, 'standstill') },
  { name: 'hold-slow', label: 'Held slow', unit: '°C', measure: (d) => heldWhile(d, 'slow') },
  { name: 'hold-cruise', label: 'Held cruising', unit: '°C', measure: (d) => heldWhile(d, 'cruise') },
  { name: 'hold-climb', label: 'Held climbing', unit: '°C', measure: (d) => heldWhile(d, 'climb') },
  { name: 'hold-coast', label: 'Held coasting', unit: '°C', measure: (d) => heldWhile(d, 'coast') },
  { name: 'fan-on', label: 'Fan goes on at', unit: '°C', measure: fanOn },
  { name: 'fan-off', label: 'Fan goes off at', unit: '°C', measure: fanOff },
  { name: 'fan-cycles', label: 'Fan cycles', unit: '', measure: fanCycles },
  { name: 'fan-fall', label: 'Fan runs for', unit: 's', measure: fanFall },
  { name: 'heater-effectiveness', label: 'Heater effectiveness', unit: '%', measure: heaterEffectiveness },
  { name: 'cool-down', label: 'Cools after key-off', unit: 'K/min', measure: coolDown },
  { name: 'peak', label: 'Highest', unit: '°C', measure: peak },
  { name: 'minutes-above-limit', label: 'Above the stop limit', unit: 'min', measure: minutesAbove },
] as const satisfies readonly FeatureSpec[];

/** Name of a feature. */
export type FeatureName = (typeof FEATURES)[number]['name'];

/** Every figure of a drive under its name. */
export const measureFeatures = (drive: FeatureDrive): Record<FeatureName, Told | NotTold> =>
  Object.fromEntries(FEATURES.map((f) => [f.name, f.measure(drive)])) as Record<FeatureName, Told | NotTold>;
