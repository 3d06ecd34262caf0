import { countPresent, type ChannelName, type Trace, type Vehicle } from '../../base';
import type { SignalFindings } from '../raw/detectors';
import { testifies } from '../raw/signalEvidence';
import type { Figures } from './figure';

/** Channels whose absence is told. */
const LOGGED: readonly ChannelName[] = [
  'speed_kmh',
  'load_pct',
  'ambient_c',
  'heater_pct',
  'gauge_c',
  'ect2_c',
  'oil_c',
  'rad_out_c',
  'fan_pct',
  'thermostat_heater_pct',
];

/** What the signal itself showed, and what kind of vehicle and log it is. */
export function rawFigures(trace: Trace, vehicle: Vehicle, findings: SignalFindings): Figures {
  const { engine, thermostat, fan, coolant } = vehicle;
  const ect = trace.channels.ect_c.filter(Number.isFinite);
  const span =
    ect.length > 0
      ? ect.reduce((a, b) => Math.max(a, b), -Infinity) - ect.reduce((a, b) => Math.min(a, b), Infinity)
      : NaN;
  const flag = (b: boolean): number => (b ? 1 : 0);
  return {
    dropouts: Math.log1p(findings.dropouts_s.length),
    'bad share': findings.bad.reduce((a, b) => a + b, 0) / Math.max(1, ect.length),
    rails: Math.log1p(findings.railHits),
    leaps: Math.log1p(findings.leaps_s.length),
    frozen: flag(findings.frozenFrom_s !== null),
    'frozen nearly': flag(findings.nearlyFrozen),
    'frozen at': findings.frozenFrom_s === null ? NaN : findings.frozenAt_c - thermostat.rated_c,
    'saw-tooth K': findings.sawTooth?.height_k ?? 0,
    'saw-tooth s': findings.sawTooth?.period_s ?? NaN,
    span,
    'ect2_c lag': findings.secondLag_k ?? NaN,
    'ect2_c testifies':
      findings.secondMinusEct_k === null ? NaN : flag(testifies(findings, vehicle.sensors?.second ?? 'unknown')),
    'distinct readings': Math.log(new Set(ect).size),
    diesel: flag(engine.fuel === 'diesel'),
    hybrid: flag(engine.hybrid),
    litres: engine.displacement_l,
    inlet: flag(thermostat.location === 'inlet'),
    heated: flag(thermostat.heated),
    rated: thermostat.rated_c,
    'coolant l': coolant.volume_l,
    electric: flag(fan.kind === 'electric'),
    ...Object.fromEntries(LOGGED.map((name) => [`logged ${name}`, flag(countPresent(trace.channels[name]) >= 5)])),
  };
}
