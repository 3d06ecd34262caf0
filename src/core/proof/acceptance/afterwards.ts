import { differenceText } from '../../base';
import { CODES } from '../../codes';
import { holdCheck } from '../../bench';
import {
  heatedAt,
  isBleedPlace,
  isColdLevel,
  levelsOf,
  type CodeEntry,
  type ColdLevel,
  type MeasurementEntry,
} from '../../case';
import { airVerdict } from '../../repair';
import { byHand, NIGHT_MS, NOT_NEEDED, open, saidOf, shown, type Seen, type Since } from './since';

/** Usual uncertainty of a workshop's pressure gauge, kPa. */
const GAUGE_SD_KPA = 2;

export function pressure(since: Since): Seen {
  if (!since.opened) return NOT_NEEDED;
  const held = since.after.findLast((e): e is MeasurementEntry => e.kind === 'measurement' && e.name === 'hold');
  const { start_kpa, end_kpa, minutes } = held?.values ?? {};
  if (held && start_kpa !== undefined && end_kpa !== undefined && minutes !== undefined) {
    const { leaks: share, says } = holdCheck({ start_kpa, end_kpa, minutes }, held.tolerance.end_kpa ?? GAUGE_SD_KPA);
    if (share > 0.5) return shown('failed', says, held.at);
    return share >= 0.25 ? open(says) : shown('met', says, held.at);
  }
  return byHand(since, 'pressure', ['yes'], 'Cold, pumped to no more than the cap’s rating: Bench, Coolant.');
}

/** True for a code that speaks of cooling system, sender or fan, or that the car came in with. */
const concernsWork = ({ code }: CodeEntry, since: Since): boolean =>
  CODES.some((c) => c.code === code && c.itemId !== null) ||
  since.all.some((e) => e.kind === 'code' && e.code === code && !since.after.includes(e));

/** Codes since the work, and after the verdict those that have nothing to do with it: a remark, no failure. */
export function monitor(since: Since): Seen {
  const stored = since.after.filter((e): e is CodeEntry => e.kind === 'code' && e.clearedAt === null);
  const seen = monitorOf(
    since,
    stored.filter((c) => concernsWork(c, since)),
  );
  const others = stored.filter((c) => !concernsWork(c, since)).map((c) => c.code);
  return others.length === 0
    ? seen
    : { ...seen, says: `${seen.says} Beside it ${others.join(', ')}: not of this work, to be looked into apart.` };
}

function monitorOf(since: Since, back: readonly CodeEntry[]): Seen {
  if (back.length > 0) {
    return { ...shown('failed', `Came back: ${back.map((c) => c.code).join(', ')}.`, back.at(-1)!.at), returned: true };
  }
  const said = saidOf(since, 'monitor');
  if (said) {
    const seen = byHand(since, 'monitor', ['clean'], '');
    return said.answer === 'returned' ? { ...seen, returned: true } : seen;
  }
  const { drive } = since.input;
  const warmUp = drive?.monitors.find((m) => m.code === 'P0128');
  if (!drive || !warmUp) return open('Drive it with the monitor’s own conditions, then read the codes.');
  if (!warmUp.ran) return open('On this drive the warm-up monitor does not run: that no code came proves nothing.');
  const room = warmUp.margin_k === null ? '' : ` by ${differenceText(warmUp.margin_k)}`;
  return warmUp.wouldSet
    ? shown('failed', `By the shop’s figures P0128 fails on this drive${room}.`, drive.at)
    : open(`By the shop’s figures it runs on this drive and passes${room}: read the codes to confirm it.`);
}

/** Levels that speak of the work, each once: those read since, and those of the bleeding that led up to writing it down. */
function levelsSince({ input, workedAt }: Since): ColdLevel[] {
  const since = (at: number, bled: boolean) =>
    workedAt === null || at >= workedAt || (bled && at >= workedAt - NIGHT_MS);
  return levelsOf(
    input.entries.filter((e) => e.kind === 'measurement' && since(e.at, isBleedPlace(e.place))),
    input.repair?.bleed.levels.filter((l) => since(l.at, true)),
  );
}

export function levelAgain(since: Since): Seen {
  if (!since.opened || since.workedAt === null) return NOT_NEEDED;
  const due = since.workedAt + NIGHT_MS;
  const levels = levelsSince(since);
  const cold = levels.filter(isColdLevel);
  const last = cold.at(-1);
  const waits = since.input.now < due;
  const todo = 'Cold, after a night: level with its temperature, in Cold look or under Bleed.';
  if (!last || last.at < due) return { ...open(todo, due), state: waits ? 'waits' : 'open' };
  const air = airVerdict(levels, since.input.repair?.bleed.settled_mm, heatedAt(since.all));
  if (air.verdict === 'settled') return { ...shown('met', air.says, last.at), due };
  if (air.verdict === 'steady-loss') return { ...shown('failed', air.says, last.at), due };
  return { ...open(air.says, due) };
}
