export { boilingOf, BOILING_WORDS, stopLimit_c, unmeasured, type Boiling, type CoolantState } from './boiling';
export {
  OPEN_AFTER_MIN,
  OPEN_BELOW_C,
  openingGate,
  OVERNIGHT_H,
  type OpeningGate,
  type OpeningSigns,
} from './openingGate';
export { vehicleScale, type ScaleSituation, type VehicleScale } from './vehicleScale';
