/** Parts of the demo garage's vehicles that were tested on the bench. */
import { newSenderBench, newThermostatBench, readingsOf, type BenchTest } from '../../src/core/bench';
import { waterTest } from '../../src/core/plant';

/** Measured at the quay: a sender whose element has shifted, scan reading beside a thermometer. */
export const HARBOUR_SENDER: BenchTest = {
  ...newSenderBench('engine', []),
  readings: readingsOf([
    { true_c: 8, of: 'shown_c', value: -7 },
    { true_c: 41, of: 'shown_c', value: 26 },
    { true_c: 72, of: 'shown_c', value: 58 },
    { true_c: 93, of: 'shown_c', value: 78 },
  ]),
};

/** The ferry's thermostat in hot water, with its rule and thermometer. */
export const FERRY_THERMOSTAT: BenchTest = {
  ...newThermostatBench(89, 102, 0),
  thermometerSd_k: 0.5,
  lightWhenCold: false,
  sealDamaged: false,
  readings: waterTest(
    {
      ...{ opens_c: 65, full_c: 77, hysteresis_k: 3.5, lift_mm: 8.4 },
      ...{ cupLag_s: 5, waxLag_s: 9, melting: 1.3, stick_mm: 0.1, open_mm: 0, moves: true },
    },
    {
      ...{ from_c: 40, to_c: 89, heating_kpmin: 4, cooling_kpmin: 3, every_s: 30 },
      ...{ liftSd_mm: 0.1, thermometerSd_k: 0.4, seed: 91 },
    },
  ),
};
