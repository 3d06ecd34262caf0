export { type Compiled, type Engine, loadCompiled, thisEngine } from './compiled';
export {
  CAUSE_PLACE,
  isFault,
  CAUSES,
  isCause,
  NEIGHBOURS,
  neighboursOf,
  perCause,
  SIGNAL_CAUSES,
  type Cause,
  type CauseFamily,
  type PerCause,
} from './causes';
export { CHANNELS, CHANNEL_NAMES, isChannelName, type ChannelName, type Quantity } from './channels';
export { mergeText } from './mergeText';
export { differenceText, inShownUnits, temperatureText } from './quantityText';
export { fail, ok, type Result } from './result';
export {
  channelSet,
  countPresent,
  duration_s,
  loggedChannels,
  logPrint,
  presentAtLeast,
  sinceStart_s,
  type ChannelSet,
  type Trace,
} from './trace';
export {
  celsiusToFahrenheit,
  celsiusToKelvin,
  fahrenheitToCelsius,
  KELVIN_AT_0_C,
  KM_PER_MILE,
  parseQuantity,
  UNITS,
  unitOf,
  type Unit,
  type UnitFamily,
} from './units';
export { SECOND_SENSOR_PLACES, type SecondSensorPlace, type Vehicle } from './vehicle';
export { strangeKey } from './strangeKey';
