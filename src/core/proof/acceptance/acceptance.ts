import { LEFT_OUT } from '../../case';
import { levelAgain, monitor, pressure } from './afterwards';
import { cabinHeat, fanCycled, hold, opening, sag } from './figures';
import { codesSaved, firstHeat, leaks, washed } from './looks';
import type { AcceptanceInput, AcceptanceItem, AcceptanceRow } from './row';
import { saidOf, sinceWork, type Seen, type Since } from './since';

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
