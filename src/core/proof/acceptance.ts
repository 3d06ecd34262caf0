import { differenceText, temperatureText, type Vehicle } from '../base';
import { holdCheck } from '../bench';
import {
  inOrder,
  LEFT_OUT,
  proofItem,
  WORK,
  type CodeEntry,
  type Entry,
  type MeasurementEntry,
  type ProofEntry,
  type ProofItem,
  type WorkEntry,
} from '../case';
import { airVerdict, isColdLevel, type ColdLevel, type RepairSheet } from '../repair';
import { asSound, figureOf, type ProofDrive } from './proofDrive';

/** An item of the acceptance: all that is shown, without the verdict. */
export type AcceptanceItem = Exclude<ProofItem, 'verdict'>;

/** Where an item stands. `waits`: it is not yet time for it. */
export type AcceptanceState = 'met' | 'failed' | 'open' | 'waits' | 'left-out' | 'not-needed';

/** One item of the acceptance. */
export interface AcceptanceRow {
  readonly item: AcceptanceItem;
  readonly state: AcceptanceState;
  /** What was seen or measured, or what is still to be done. */
  readonly says: string;
  /** When it was shown, ms since 1970; null while it was not. */
  readonly at: number | null;
  /** From when on it can be done, ms since 1970; null: at once. */
  readonly due: number | null;
  /** A person may answer it; the others follow from readings. */
  readonly byHand: boolean;
  /** A figure of the drive. */
  readonly measured: boolean;
  /** A code came back after the work. */
  readonly returned?: true;
}

/** What an acceptance is worked out from. */
export interface AcceptanceInput {
  readonly vehicle: Vehicle;
  readonly entries: readonly Entry[];
  readonly repair: RepairSheet | null;
  /** The drive after the work; null before one. */
  readonly drive: ProofDrive | null;
  /** ms since 1970. */
  readonly now: number;
}

const HOUR_MS = 3_600_000;
/** A night: the level is read again cold, on the second day. */
const NIGHT_MS = 8 * HOUR_MS;
/** Leaks are looked for again after so long: a seal settles over some heat cycles. Working figure. */
const LATER_MS = 48 * HOUR_MS;
/** Scatter of sound cars beyond the drawn ones: opening of the part 2 K and where its sender sits, level likewise, K. */
const OPENING_ROOM_K = 3;
const HOLD_ROOM_K = 3;
/** Sag that no driver notices, K per 10 km/h. */
const SAG_ROOM = 0.6;
/** Heater effectiveness from which the cabin is warm, %; a working figure for a core that flows. */
const HEATER_FROM_PCT = 50;
/** Usual uncertainty of a workshop's pressure gauge, kPa. */
const GAUGE_SD_KPA = 2;

type Seen = Omit<AcceptanceRow, 'item' | 'byHand' | 'measured'>;

const open = (says: string, due: number | null = null): Seen => ({ state: 'open', says, at: null, due });
const shown = (state: 'met' | 'failed', says: string, at: number | null): Seen => ({ state, says, at, due: null });
const NOT_NEEDED: Seen = { state: 'not-needed', says: '', at: null, due: null };

/** What is worked with: entries that count since the last work, and that work. */
interface Since {
  readonly input: AcceptanceInput;
  readonly works: readonly WorkEntry[];
  readonly workedAt: number | null;
  readonly opened: boolean;
  readonly after: readonly Entry[];
  readonly all: readonly Entry[];
}

function sinceWork(input: AcceptanceInput): Since {
  const all = inOrder(input.entries.filter((e) => e.takenBack !== true));
  const works = all.filter((e): e is WorkEntry => e.kind === 'work');
  const last = all.findLastIndex((e) => e.kind === 'work');
  return {
    ...{ input, works, all },
    workedAt: works.at(-1)?.at ?? null,
    opened: works.some((w) => WORK[w.work].opens),
    after: all.slice(last + 1),
  };
}

/** What a person said of an item since the last work; null while nobody did. */
const saidOf = ({ after }: Since, item: AcceptanceItem): ProofEntry | null =>
  after.findLast((e): e is ProofEntry => e.kind === 'proof' && e.item === item) ?? null;

/** An item that a person answers: which answers are well, and what is asked for before. */
function byHand(since: Since, item: AcceptanceItem, well: readonly string[], todo: string): Seen {
  const said = saidOf(since, item);
  if (!said) return open(todo);
  const words = proofItem(item).answers[said.answer] ?? said.answer;
  const says = said.text === '' ? words : `${words}: ${said.text}`;
  return shown(well.includes(said.answer) ? 'met' : 'failed', says, said.at);
}

function washed(since: Since): Seen {
  if (!since.opened) return NOT_NEEDED;
  const heated = saidOf(since, 'first-heat');
  const seen = byHand(since, 'washed', ['yes'], 'Cover the air filter, alternator and plugs, then rinse it, cold.');
  return seen.state === 'open' && heated
    ? open('It was warmed up already: coolant that dried on shows as crust. Wash it before the next look.')
    : seen;
}

/** The first heat cycle is shown by a drive that opened, or said. */
function firstHeat(since: Since): Seen {
  if (!since.opened) return NOT_NEEDED;
  const { drive } = since.input;
  const held = drive && figureOf(drive.look, 'plateau').told;
  if (drive && held && held.value >= drive.look.threshold_c) {
    return shown('met', 'The proof drive warmed it through.', drive.at);
  }
  return byHand(since, 'first-heat', ['yes'], 'Warm it up until it opens, heater hot, then let it cool.');
}

function leaks(since: Since, item: 'leaks-cold' | 'leaks-hot' | 'leaks-later'): Seen {
  if (!since.opened || since.workedAt === null) return NOT_NEEDED;
  const todo = {
    'leaks-cold': 'Dry, with a light: hoses, housing, plug, tap. A drip is a leak, damp is looked at again.',
    'leaks-hot': 'Engine off, hands clear of the fan; look, do not open. Hot and under pressure it leaks elsewhere.',
    'leaks-later': 'After some heat cycles, two days or more after the work.',
  }[item];
  if (item !== 'leaks-later') return byHand(since, item, ['dry', 'damp'], todo);
  const due = since.workedAt + LATER_MS;
  const said = saidOf(since, item);
  if (said && said.at < due && said.answer !== LEFT_OUT && said.answer === 'dry') {
    return open('It was looked at too soon: two days and some heat cycles after the work.', due);
  }
  // Damp after days is a leak that dries on the hot engine.
  const seen = byHand(since, item, ['dry'], todo);
  return seen.state === 'open' && since.input.now < due ? { ...seen, state: 'waits', due } : { ...seen, due };
}

/** Saved before they were cleared: clearing first takes evidence and readiness away. */
function codesSaved(since: Since): Seen {
  const codes = since.all.filter((e): e is CodeEntry => e.kind === 'code');
  const before = codes.filter((c) => since.workedAt === null || c.at <= since.workedAt);
  if (before.length === 0) return NOT_NEEDED;
  const said = saidOf(since, 'codes-saved');
  if (said) return byHand(since, 'codes-saved', ['yes'], '');
  const uncleared = before.filter((c) => c.clearedAt === null);
  if (uncleared.length > 0) {
    return open(`${uncleared.map((c) => c.code).join(', ')}: written down. Clear now, then drive.`);
  }
  return shown('met', before.map((c) => c.code).join(', '), Math.max(...before.map((c) => c.clearedAt!)));
}

const degrees = (value: number, sd: number): string => `${temperatureText(value, 1)} ± ${differenceText(sd, 1)}`;

/**
 * Where no bend was told: a level that does not fall with speed is held by the valve, which then opens no further below it
 * than its lift takes. Null where the level is not told, or moves.
 */
function regulated(drive: ProofDrive, { thermostat }: Vehicle): Seen | null {
  const level = figureOf(drive.look, 'plateau');
  const fall = figureOf(drive.look, 'speed-sag').told;
  if (!level.told || !fall || fall.value + 2 * fall.sd < -SAG_ROOM || asSound(level, HOLD_ROOM_K) !== true) return null;
  const { value, sd } = level.told;
  const says = `Not seen as a bend; it regulates at ${degrees(value, sd)}, rated ${temperatureText(thermostat.rated_c)}`;
  return shown('met', says, drive.at);
}

function opening({ input: { drive, vehicle } }: Since): Seen {
  if (!drive) return open('Drive it until it opens, log running.');
  const row = figureOf(drive.look, 'bend');
  const { rated_c } = vehicle.thermostat;
  if (!row.told) return regulated(drive, vehicle) ?? open(row.why);
  const says = `Bends at ${degrees(row.told.value, row.told.sd)}, rated ${temperatureText(rated_c)}`;
  const sound = asSound(row, OPENING_ROOM_K);
  if (sound === null) return open(`${says}; a sound car would not have opened on this drive.`);
  return shown(sound ? 'met' : 'failed', says, drive.at);
}

/** Two-level control holds high unpowered and low powered: either level, or both, is sound. */
function twoLevels({ thermostat }: Vehicle): readonly [low_c: number, high_c: number] | null {
  if (!thermostat.heated) return null;
  return [thermostat.heated_rated_c ?? thermostat.rated_c - 15, thermostat.full_open_c ?? thermostat.rated_c + 12];
}

function hold({ input: { drive, vehicle } }: Since): Seen {
  if (!drive) return open('Drive it until it holds a level, log running.');
  const row = figureOf(drive.look, 'plateau');
  if (!row.told) return open(row.why);
  const above = figureOf(drive.look, 'minutes-above-limit').told?.value ?? 0;
  if (above > 0) {
    return shown('failed', `It was above the stop limit for ${above.toFixed(1)} min: gas test first.`, drive.at);
  }
  const { value, sd, band } = row.told;
  const within = band ? `, nine tenths of the time ${Math.round(band[0])}-${Math.round(band[1])} °C` : '';
  const says = `Holds ${degrees(value, sd)}${within}`;
  const levels = twoLevels(vehicle);
  if (levels) {
    const [low, high] = levels;
    const sound = value >= low - HOLD_ROOM_K - 2 * sd && value <= high + HOLD_ROOM_K + 2 * sd;
    return shown(
      sound ? 'met' : 'failed',
      `${says}; it regulates at two levels, a high one that settles lower is no overheating`,
      drive.at,
    );
  }
  const sound = asSound(row, HOLD_ROOM_K);
  return sound === null
    ? open(`${says}; nothing is expected of this drive.`)
    : shown(sound ? 'met' : 'failed', says, drive.at);
}

function sag({ input: { drive } }: Since): Seen {
  if (!drive) return open('Needs some open road on the drive.');
  const row = figureOf(drive.look, 'speed-sag');
  if (!row.told) return open(row.why);
  const { value, sd } = row.told;
  const says = `${value < 0 ? 'Falls' : 'Rises'} by ${differenceText(value, 1)} ± ${differenceText(sd, 1)} per 10 km/h`;
  // A level that does not fall does not sag, whatever else it does.
  if (value + 2 * sd >= -SAG_ROOM) return shown('met', says, drive.at);
  const sound = asSound(row, SAG_ROOM);
  return shown(sound === true ? 'met' : 'failed', says, drive.at);
}

function cabinHeat(since: Since): Seen {
  if (since.works.length === 0) return NOT_NEEDED;
  const { drive } = since.input;
  const told = drive && figureOf(drive.look, 'heater-effectiveness').told;
  if (drive && told) {
    const says = `Heater effectiveness ${Math.round(told.value)} % ± ${Math.round(told.sd)} %`;
    return shown(told.value >= HEATER_FROM_PCT ? 'met' : 'failed', says, drive.at);
  }
  return byHand(
    since,
    'cabin-heat',
    ['hot'],
    'Warm, fresh air, blower at half: vents hot to the hand, or mark the vent.',
  );
}

function fanCycled(since: Since): Seen {
  const { drive, vehicle } = since.input;
  if (vehicle.fan.kind === 'engine-driven' || since.works.length === 0) return NOT_NEEDED;
  if (drive) {
    const on = figureOf(drive.look, 'fan-on').told;
    const off = figureOf(drive.look, 'fan-off').told;
    const fell = figureOf(drive.look, 'fan-fall').told;
    if (on && fell) {
      return shown(
        'met',
        `In at ${temperatureText(on.value, 1)}, out at ${temperatureText(off?.value ?? on.value, 1)}`,
        drive.at,
      );
    }
  }
  const todo =
    vehicle.fan.kind === 'viscous'
      ? 'Warm at standstill it roars, then goes quiet again. By ear, never by hand.'
      : 'At standstill until it cuts in and out again, once at least; hands clear.';
  return byHand(since, 'fan-cycled', ['in-and-out'], todo);
}

function pressure(since: Since): Seen {
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

function monitor(since: Since): Seen {
  const back = since.after.filter((e): e is CodeEntry => e.kind === 'code' && e.clearedAt === null);
  if (back.length > 0) {
    return { ...shown('failed', `Came back: ${back.map((c) => c.code).join(', ')}`, back.at(-1)!.at), returned: true };
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

/** Levels read since the last work, from the chronicle and the repair's sheet. */
function levelsSince({ after, workedAt, input }: Since): ColdLevel[] {
  const measured = after.flatMap((e): ColdLevel[] =>
    e.kind === 'measurement' && e.name === 'level' && e.values.above_mark_mm !== undefined
      ? [{ at: e.at, above_mark_mm: e.values.above_mark_mm, at_c: e.values.at_c ?? null, filledTo_mm: null }]
      : [],
  );
  const bled = (input.repair?.bleed.levels ?? []).filter((l) => workedAt === null || l.at >= workedAt - NIGHT_MS);
  return [...bled, ...measured].sort((a, b) => a.at - b.at);
}

function levelAgain(since: Since): Seen {
  if (!since.opened || since.workedAt === null) return NOT_NEEDED;
  const due = since.workedAt + NIGHT_MS;
  const levels = levelsSince(since);
  const cold = levels.filter(isColdLevel);
  const last = cold.at(-1);
  const waits = since.input.now < due;
  const todo = 'Cold, after a night: level with its temperature, in Cold look or under Bleed.';
  if (!last || last.at < due) return { ...open(todo, due), state: waits ? 'waits' : 'open' };
  const air = airVerdict(levels, since.input.repair?.bleed.settled_mm);
  if (air.verdict === 'settled') return { ...shown('met', air.says, last.at), due };
  if (air.verdict === 'steady-loss') return { ...shown('failed', air.says, last.at), due };
  return { ...open(air.says, due) };
}

const FOLLOWS: readonly AcceptanceItem[] = ['opening', 'hold', 'sag', 'level-again'];
const MEASURED: readonly AcceptanceItem[] = ['opening', 'hold', 'sag'];

const ORDER: readonly (readonly [AcceptanceItem, (since: Since) => Seen])[] = [
  ['washed', washed],
  ['first-heat', firstHeat],
  ['leaks-cold', (s) => leaks(s, 'leaks-cold')],
  ['leaks-hot', (s) => leaks(s, 'leaks-hot')],
  ['codes-saved', codesSaved],
  ['opening', opening],
  ['hold', hold],
  ['sag', sag],
  ['cabin-heat', cabinHeat],
  ['fan-cycled', fanCycled],
  ['pressure', pressure],
  ['monitor', monitor],
  ['level-again', levelAgain],
  ['leaks-later', (s) => leaks(s, 'leaks-later')],
];

/**
 * The acceptance of one vehicle after its work, in the order in which it is done: what is met, what failed, what is open
 * and from when on it can be done. An item left out stays visible as that, with its reason.
 */
export function acceptanceOf(input: AcceptanceInput): AcceptanceRow[] {
  const since = sinceWork(input);
  return ORDER.map(([item, of]): AcceptanceRow => {
    const rest = { item, byHand: !FOLLOWS.includes(item), measured: MEASURED.includes(item) };
    const seen = of(since);
    const said = saidOf(since, item);
    // A thing that failed cannot be waved through.
    if (said?.answer === LEFT_OUT && seen.state !== 'not-needed' && !(seen.state === 'failed' && seen.at !== said.at)) {
      return { ...rest, state: 'left-out', says: said.text, at: said.at, due: seen.due };
    }
    return { ...seen, ...rest };
  });
}
