export {
  ambientPressure_kpa,
  BEST_PROTECTION_PCT,
  boiling_c,
  boilingUnderCap_c,
  boils_c,
  capFor_kpa,
  freezing_c,
  glycolForBoiling_pct,
  glycolForFreezing_pct,
  saturationPressure_kpa,
  saturationTemperature_c,
  STANDARD_ATMOSPHERE_KPA,
  volumetricHeat_kj_lk,
  type UnderCap,
} from './coolantMix';
export { GLYCOL_TABLES, GLYCOLS, type Glycol, type GlycolTable } from './glycolTable';
export {
  expansion,
  fillsToLimit,
  heatAgainstWater,
  readRefractometer,
  refractiveIndex,
  shareOfIndex_pct,
  WATERLESS_LIMIT_PCT,
  type RefractometerReading,
} from './properties';
