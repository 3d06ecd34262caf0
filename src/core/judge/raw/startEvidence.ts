import { max, min, sum } from 'd3-array';
import { CAUSES, differenceText, perCause, type Cause, type PerCause } from '../../base';
import { flatLogs, type CauseLogs } from '../../evidence';
import { senderErrorLikelihood } from '../../sender';
import { logSumExp, studentLog } from '../../signal';
import type { AtStart } from './atStart';

/** Scatter of a sound sender about its coolant, and of a gauge or a second sensor, K (tolerance, needle, place). */
const SENDER_SD_K = 1.5;
const GAUGE_SD_K = 3;
const SECOND_SD_K = 2;
/** Oil beside coolant: the same after a night; what is left of heat leaves the two at different paces. */
const OIL = { sd_k: 4, perHot: 0.1, hotFrom_c: 40 } as const;
/** Outside air at its sensor, and intake air in its pipe, K: sun, a block that is still as cold as the night was. */
const OUTSIDE_SD_K = 2.5;
const INTAKE_SD_K = 3;

/**
 * What is left of the engine's heat when a log begins: after a night nothing; else some kelvin (an errand, a block
 * heater, sun) or much (a stop on the way). Shares and means over the air, K (working figures, drives of an archive).
 */
const HEAT_LEFT = { night: 0.6, little: { share: 0.22, mean_k: 8 }, much: { share: 0.18, mean_k: 40 } } as const;

/** Share of gauges that show the control unit's own reading: they agree with it whatever it reads (working figure). */
const SHARED_SENDER = 0.1;
/** A gauge with a fault shows it at a start three times in four, and may stand anywhere within this range, K. */
const GAUGE_WRONG = { share: 0.75, within_k: 80 } as const;

/** Step and margin of the coolant's true temperature, over which is summed, K. */
const STEP_K = 1;
const MARGIN_K = 12;
/** Furthest that a start speaks for or against: block heaters, logs that were pieced together (working figure). */
const FURTHEST = 8;

/** First readings that can speak: the reading itself, the air, and what shares the coolant. */
export interface StartWitnesses {
  readonly ect_c: number;
  readonly air: { readonly name: 'outside air' | 'intake air'; readonly at_c: number } | null;
  readonly gauge_c: number | null;
  readonly second_c: number | null;
  readonly oil_c: number | null;
}

/**
 * Who can speak of the start; null without a reading, or with nothing to hold it against.
 *
 * @param secondTestifies true where the second sensor sits in the coolant that the first reads
 */
export function startWitnesses(start: AtStart, secondTestifies: boolean): StartWitnesses | null {
  const { ect_c, outside_c, intake_c, gauge_c, second_c, oil_c } = start;
  // Outside air first: intake air in a warm bay is warm too.
  const air =
    outside_c !== null
      ? ({ name: 'outside air', at_c: outside_c } as const)
      : intake_c !== null
        ? ({ name: 'intake air', at_c: intake_c } as const)
        : null;
  const second = secondTestifies ? second_c : null;
  if (ect_c === null || (!air && gauge_c === null && second === null && oil_c === null)) return null;
  return { ect_c, air, gauge_c, second_c: second, oil_c };
}

/** Density of coolant at `over_k` over the air when a log begins, per K. */
function heatLeft(over_k: number, air_sd_k: number): number {
  const { night, little, much } = HEAT_LEFT;
  const left = [little, much].map(({ share, mean_k }) =>
    over_k < 0 ? 0 : (share / mean_k) * Math.exp(-over_k / mean_k),
  );
  return night * Math.exp(studentLog(over_k, air_sd_k)) + sum(left);
}

/** Density of the gauge with coolant at `t_c`, per K. */
const gaugeDensity = (gauge_c: number, t_c: number, ect_c: number): number =>
  (1 - SHARED_SENDER) * Math.exp(studentLog(gauge_c - t_c, GAUGE_SD_K)) +
  SHARED_SENDER * Math.exp(studentLog(gauge_c - ect_c, GAUGE_SD_K));

/** Density per cause of all first readings with coolant at `t_c`. */
function densityAt(w: StartWitnesses, t_c: number): PerCause<number> {
  const air = w.air ? heatLeft(t_c - w.air.at_c, w.air.name === 'outside air' ? OUTSIDE_SD_K : INTAKE_SD_K) : 1;
  const second = w.second_c === null ? 1 : Math.exp(studentLog(w.second_c - t_c, SECOND_SD_K));
  const oilSd_k = OIL.sd_k + OIL.perHot * Math.max(0, t_c - OIL.hotFrom_c);
  const oil = w.oil_c === null ? 1 : Math.exp(studentLog(w.oil_c - t_c, oilSd_k));
  const gauge = w.gauge_c === null ? 1 : gaugeDensity(w.gauge_c, t_c, w.ect_c);
  const wrongGauge =
    w.gauge_c === null ? 1 : (1 - GAUGE_WRONG.share) * gauge + GAUGE_WRONG.share / GAUGE_WRONG.within_k;
  const reading = senderErrorLikelihood({ at_c: [t_c], errors_k: [w.ect_c - t_c], sds_k: [SENDER_SD_K] }, []);
  const others = air * second * oil;
  return perCause((c) => reading[c] * others * (c === 'gauge-sender-fault' ? wrongGauge : gauge));
}

/**
 * Evidence from the first readings of a log. Gauge, second sensor and oil share the engine's heat, whatever is left of
 * it, and coolant is little colder than the air: what stands off all of these is the engine's sender (a leak across it
 * lifts a cold reading by tens of kelvin and a warm one by a few), and a gauge that alone stands off is the gauge. The
 * true temperature is summed over. Log likelihoods relative to a sound vehicle.
 */
export function startEvidence(witnesses: StartWitnesses | null): CauseLogs {
  if (!witnesses) return flatLogs();
  const { ect_c, air, gauge_c, second_c, oil_c } = witnesses;
  const seen = [ect_c, air?.at_c, gauge_c, second_c, oil_c].filter((v) => v !== null && v !== undefined);
  const from_c = min(seen)! - MARGIN_K;
  const count = Math.ceil((max(seen)! + MARGIN_K - from_c) / STEP_K) + 1;
  const densities = Array.from({ length: count }, (_, i) => densityAt(witnesses, from_c + i * STEP_K));
  const total = (cause: Cause): number => logSumExp(densities.map((d) => Math.log(d[cause])));
  const sound = total('healthy');
  const logs = flatLogs();
  for (const cause of CAUSES) {
    logs[cause] = Math.max(-FURTHEST, Math.min(FURTHEST, total(cause) - sound));
  }
  return logs;
}

/** What the first reading stands off, and by how much; null with nothing to hold it against. */
export function againstStart(witnesses: StartWitnesses | null): string | null {
  if (!witnesses) return null;
  const { ect_c, air, gauge_c, second_c, oil_c } = witnesses;
  const off = (what: string, other_c: number | null): string[] =>
    other_c === null ? [] : [`${differenceText(ect_c - other_c)} ${ect_c < other_c ? 'below' : 'above'} ${what}`];
  const parts = [
    ...(air ? off(air.name, air.at_c) : []),
    ...off('the gauge', gauge_c),
    ...off('the second sensor', second_c),
    ...off('the oil', oil_c),
  ];
  return `At the start the reading stands ${parts.join(', ')}`;
}
