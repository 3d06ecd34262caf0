import type { Vehicle } from '../base';
import { HEATED_BELOW_K } from './figures';

/** What of a vehicle no parameter moves, as a run needs it. */
export interface RunSettings {
  /** The thermostat sits at the inlet of the pump. */
  readonly inlet: boolean;
  /** How far a heated thermostat opens earlier when it is heated, K; 0 for one without heating. */
  readonly heatedBy_k: number;
  /** Flow that is left with the engine off, relative to the pump at reference speed: a hybrid's electric pump, or creep. */
  readonly engineOn: number;
  readonly viscous: boolean;
  readonly belted: boolean;
  /** Between the fan's switching off and on, K. */
  readonly fanWidth_k: number;
}

/** Puts together what a vehicle settles for all its runs. */
export function runSettings({ thermostat, fan, engine }: Vehicle): RunSettings {
  return {
    inlet: thermostat.location === 'inlet',
    heatedBy_k: thermostat.heated
      ? Math.max(4, thermostat.rated_c - (thermostat.heated_rated_c ?? thermostat.rated_c - HEATED_BELOW_K))
      : 0,
    engineOn: engine.hybrid ? 0.08 : 0.01,
    viscous: fan.kind === 'viscous',
    belted: fan.kind === 'engine-driven',
    fanWidth_k: Math.max(3, fan.on_c !== null && fan.off_c !== null ? fan.on_c - fan.off_c : 5),
  };
}
