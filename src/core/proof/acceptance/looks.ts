import { LEFT_OUT, type CodeEntry } from '../../case';
import { figureOf } from '../proofDrive';
import { byHand, NOT_NEEDED, open, saidOf, shown, type Seen, type Since } from './since';

/** Leaks are looked for again after so long: a seal settles over some heat cycles. Working figure. */
const LATER_MS = 48 * 3_600_000;

export function washed(since: Since): Seen {
  if (!since.opened) return NOT_NEEDED;
  const heated = saidOf(since, 'first-heat');
  const seen = byHand(since, 'washed', ['yes'], 'Cover the air filter, alternator and plugs, then rinse it, cold.');
  return seen.state === 'open' && heated
    ? open('It was warmed up already: coolant that dried on shows as crust. Wash it before the next look.')
    : seen;
}

/** The first heat cycle is shown by a drive that opened, or said. */
export function firstHeat(since: Since): Seen {
  if (!since.opened) return NOT_NEEDED;
  const { drive } = since.input;
  const held = drive && figureOf(drive.look, 'plateau').told;
  if (drive && held && held.value >= drive.look.threshold_c) {
    return shown('met', 'The proof drive warmed it through.', drive.at);
  }
  return byHand(since, 'first-heat', ['yes'], 'Warm it up until it opens, heater hot, then let it cool.');
}

export function leaks(since: Since, item: 'leaks-cold' | 'leaks-hot' | 'leaks-later'): Seen {
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
export function codesSaved(since: Since): Seen {
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
