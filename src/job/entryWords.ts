import {
  ACTIONS,
  DRIVE_MARKS,
  isMark,
  LEFT_OUT,
  MARKS,
  MEASUREMENTS,
  proofItem,
  SINCE_REPAIR,
  valuesOf,
  WORK,
  type Entry,
} from '@/core/case';
import type { UnitFamily } from '@/core/base';
import type { BenchTest } from '@/core/bench';
import { findItem } from '@/core/evidence';

/** Shows a value in the shop's unit. */
type Show = (family: UnitFamily, si: number, digits?: number) => string;

/** Kinds of entries, as the chronicle names them. */
export const KIND_NAME: Readonly<Record<Entry['kind'], string>> = {
  statement: 'said',
  code: 'code',
  check: 'seen',
  measurement: 'measured',
  drive: 'drive',
  mark: 'mark',
  bench: 'bench',
  work: 'work',
  decision: 'choice',
  proof: 'proof',
  note: 'note',
  photo: 'photo',
  unknown: 'not understood',
};

function answered(item: string, answer: string): string {
  if (isMark(item)) return MARKS[item];
  const found = item === SINCE_REPAIR.item ? SINCE_REPAIR : findItem(item);
  const says = found?.answers.find((a) => a.key === answer)?.says ?? answer;
  return says === 'yes' ? (found?.ask ?? item) : `${found?.ask ?? item}: ${says}`;
}

function measured(entry: Extract<Entry, { kind: 'measurement' }>, show: Show): string {
  const specs = valuesOf(entry.name);
  const values = Object.entries(entry.values).map(([name, si]) => {
    const spec = specs[name];
    if (!spec) return `${name} ${si}`;
    const shown = spec.family ? show(spec.family, si, spec.family === 'temperature' ? 1 : 0) : `${si} ${spec.unit}`;
    return `${spec.label.toLowerCase()} ${shown}`;
  });
  const words = [...values, ...(entry.text === '' ? [] : [entry.text])];
  return `${MEASUREMENTS[entry.name].title}: ${words.length === 0 ? 'nothing yet' : words.join(', ')}`;
}

/** A mark on a drive in a line, without its minute. */
export function markLabel(
  { mark, place, value, text }: Pick<Extract<Entry, { kind: 'mark' }>, 'mark' | 'place' | 'value' | 'text'>,
  show: Show,
): string {
  const { label, reads } = DRIVE_MARKS[mark];
  const read =
    value === null
      ? ''
      : reads === 'temperature'
        ? ` ${show('temperature', value, 1)}`
        : ` ${Math.round(100 * value)} %`;
  const words = [mark === 'other' ? '' : `${place === '' ? label : `${label}, ${place}`}${read}`, text];
  return words.filter((w) => w !== '').join(': ');
}

/** A bench test in a line: what was tested, and how much was read. */
function benchText(test: BenchTest, part: 'old' | 'new', show: Show): string {
  const of = part === 'new' ? ', new part' : '';
  switch (test.of) {
    case 'sender':
      return `${test.which === 'gauge' ? 'Gauge sender' : 'Sender'} on the bench${of}: ${count(test.readings.length, 'reading')}`;
    case 'thermostat':
      return `Thermostat in hot water${of}, stamped ${show('temperature', test.rated_c)}: ${count(test.readings.length, 'reading')}${test.cleaned ? ', after cleaning' : ''}`;
    case 'wiggle':
      return `Wiggled, ${test.fileName}: ${count(test.leaps.length, 'leap')}`;
    case 'mix':
      return `Refractometer, ${test.scale} scale: ${show('temperature', test.reads_c, 1)}, ${test.glycol} glycol in the car`;
  }
}

const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

/** Something shown after the work in a line. */
function proofText({ item, answer, text, by }: Extract<Entry, { kind: 'proof' }>): string {
  if (item === '') return text;
  const { ask, answers } = proofItem(item);
  const says = answer === LEFT_OUT ? 'left out' : (answers[answer] ?? answer);
  const words = [text, by === '' ? '' : `signed by ${by}`].filter((w) => w !== '').join('; ');
  return `${ask}: ${says}${words === '' ? '' : `. ${words}`}`;
}

const markText = (entry: Extract<Entry, { kind: 'mark' }>, show: Show): string =>
  `${markLabel(entry, show)}, minute ${(entry.at_s / 60).toFixed(1)}`;

/** An entry in a line. @param traceName name of a drive's log */
export function entryText(entry: Entry, show: Show, traceName: (traceId: string) => string): string {
  switch (entry.kind) {
    case 'statement':
      return answered(entry.item, entry.answer);
    case 'bench':
      return entry.test ? benchText(entry.test, entry.part, show) : answered(entry.item, entry.answer);
    case 'check':
      return `${answered(entry.item, entry.answer)}${entry.minute === null ? '' : `, minute ${entry.minute.toFixed(1)}`}`;
    case 'code':
      return `${entry.code}${entry.freezeFrame === '' ? '' : `, frozen with it: ${entry.freezeFrame}`}${entry.clearedAt === null ? '' : ' (cleared)'}`;
    case 'measurement':
      return measured(entry, show);
    case 'drive':
      return `${traceName(entry.traceId)}${entry.leftOut === '' ? '' : ' (left out)'}`;
    case 'mark':
      return markText(entry, show);
    case 'work':
      return `${WORK[entry.work].done}${entry.detail === '' ? '' : `: ${entry.detail}`}${entry.benchPassed ? ', new part bench-tested' : ''}`;
    case 'decision':
      return `${ACTIONS[entry.action].says}${entry.reason === '' ? '' : `: ${entry.reason}`}`;
    case 'proof':
      return proofText(entry);
    case 'note':
      return entry.text;
    case 'photo':
      return 'Photo';
    case 'unknown':
      return `Not understood: ${entry.why}. Kept as it came; moves nothing.`;
  }
}
