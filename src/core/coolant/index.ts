export {
  BEST_PROTECTION_PCT,
  ambientPressure_kpa,
  boilingUnderCap_c,
  freezing_c,
  glycolForFreezing_pct,
  saturationPressure_kpa,
  saturationTemperature_c,
  STANDARD_ATMOSPHERE_KPA,
  volumetricHeat_kj_lk,
} from './coolantMix';
