'use client';

import { useState } from 'react';
import { CHANNELS, CHANNEL_NAMES } from '@/core/base';
import {
  TIME_UNITS_S,
  UNITS_OF_QUANTITY,
  type ColumnChoice,
  type ColumnChoices,
  type ColumnGuess,
  type ImportQuestion,
  type Preview,
  type ReadAs,
} from '@/core/formats';
import { ColumnPreview, columnSpan } from './ColumnPreview';

type Channel = ReadAs | '';
interface Choice {
  readonly channel: Channel;
  readonly unit: string;
}
type Commas = '' | 'thousands' | 'decimals';

const unitsOf = (channel: Channel): readonly string[] =>
  channel === ''
    ? []
    : channel === 'time_s'
      ? Object.keys(TIME_UNITS_S)
      : UNITS_OF_QUANTITY[CHANNELS[channel].quantity];

const riseOf = (course: Preview): number => {
  const present = course.filter(Number.isFinite);
  return (present.at(-1) ?? 0) - (present[0] ?? 0);
};

const RANK = { sure: 0, likely: 1, unsure: 2 } as const;

/** One column per channel to begin with: the surest, and of equally sure ones the one that rises most. */
function firstChoices({ guesses, previews }: ImportQuestion, chosen: ColumnChoices['mapping']): Record<number, Choice> {
  const choices: Record<number, Choice> = {};
  const taken = new Set<Channel>();
  const rise = (guess: ColumnGuess): number => riseOf(previews[guess.column]!);
  const order = [...guesses].sort((a, b) => RANK[a.confidence] - RANK[b.confidence] || rise(b) - rise(a));
  for (const guess of order) {
    const before = chosen?.[guess.column];
    const channel = chosen ? (before?.channel ?? '') : (guess.channel ?? '');
    const free = channel !== '' && (chosen !== undefined || !taken.has(channel));
    choices[guess.column] = free
      ? { channel, unit: (chosen ? before?.unit : guess.unit) ?? '' }
      : { channel: '', unit: '' };
    if (free) taken.add(channel);
  }
  return choices;
}

const CONFIDENCE = { sure: 'sure', likely: 'likely', unsure: 'a guess' } as const;

function ColumnRow({
  guess,
  course,
  choice,
  onChange,
}: {
  guess: ColumnGuess;
  course: Preview;
  choice: Choice;
  onChange: (c: Choice) => void;
}) {
  const name = guess.header || `column ${guess.column + 1}`;
  return (
    <tr>
      <th scope="row" className="max-w-64 break-words whitespace-normal">
        {name}
        {guess.channel && (
          <span className="block text-sm font-normal">
            {CONFIDENCE[guess.confidence]}: {guess.why}
          </span>
        )}
      </th>
      <td>
        <ColumnPreview course={course} label={`${name} over the file`} />
      </td>
      <td className="text-right whitespace-nowrap tabular-nums">{columnSpan(course)}</td>
      <td>
        <select
          className="select"
          aria-label={`What ${name} is`}
          value={choice.channel}
          onChange={(e) => onChange({ channel: e.target.value as Channel, unit: '' })}
        >
          <option value="">leave out</option>
          <option value="time_s">Time</option>
          {CHANNEL_NAMES.map((channel) => (
            <option key={channel} value={channel}>
              {CHANNELS[channel].label}
            </option>
          ))}
        </select>
      </td>
      <td>
        <select
          className="select w-36"
          aria-label={`Unit of ${name}`}
          disabled={choice.channel === ''}
          value={choice.unit}
          onChange={(e) => onChange({ ...choice, unit: e.target.value })}
        >
          <option value="">from its values</option>
          {unitsOf(choice.channel).map((u) => (
            <option key={u}>{u}</option>
          ))}
        </select>
      </td>
    </tr>
  );
}

function whatIsMissing(channels: readonly Channel[], commasOpen: boolean): string | null {
  const count = (wanted: Channel): number => channels.filter((c) => c === wanted).length;
  if (count('time_s') < 1 || count('ect_c') !== 1) {
    return 'Choose a column as Time and one as Coolant (engine control unit).';
  }
  const twice = CHANNEL_NAMES.find((name) => count(name) > 1);
  if (twice) return `${CHANNELS[twice].label} is chosen twice.`;
  return commasOpen ? 'Say what the commas mean.' : null;
}

/** Lets a person say which column is which, with the course of each before their eyes. */
export function ColumnMapping({
  question,
  chosen,
  onChoose,
}: {
  question: ImportQuestion;
  /** Choices made before. */
  chosen?: ColumnChoices['mapping'];
  onChoose: (choices: ColumnChoices) => void;
}) {
  const { guesses, previews, numbersOpen } = question;
  const [choices, setChoices] = useState<Readonly<Record<number, Choice>>>(() => firstChoices(question, chosen));
  const [commas, setCommas] = useState<Commas>('');
  const taken = Object.entries(choices).filter(([, c]) => c.channel !== '');
  const missing = whatIsMissing(
    taken.map(([, c]) => c.channel),
    numbersOpen && commas === '',
  );
  const choose = () => {
    const mapping: Record<number, ColumnChoice> = {};
    for (const [column, { channel, unit }] of taken) {
      if (channel !== '') mapping[Number(column)] = { channel, unit: unit || null };
    }
    onChoose(
      numbersOpen
        ? { mapping, numbers: { decimalComma: commas === 'decimals', grouped: commas === 'thousands' } }
        : { mapping },
    );
  };
  return (
    <form
      className="mt-3"
      onSubmit={(e) => {
        e.preventDefault();
        choose();
      }}
    >
      {numbersOpen && (
        <label className="flex items-center gap-3 font-semibold">
          1,234 means
          <select className="select w-auto" value={commas} onChange={(e) => setCommas(e.target.value as Commas)}>
            <option value="">choose</option>
            <option value="thousands">1234: commas part thousands</option>
            <option value="decimals">1.234: commas part decimals</option>
          </select>
        </label>
      )}
      <div className="max-h-[26rem] overflow-auto">
        <table className="table w-auto">
          <thead className="text-base-content">
            <tr>
              <th scope="col">Column in the file</th>
              <th scope="col">Its course</th>
              <th scope="col">From, to</th>
              <th scope="col">What it is</th>
              <th scope="col">Unit</th>
            </tr>
          </thead>
          <tbody>
            {guesses.map((g) => (
              <ColumnRow
                key={g.column}
                guess={g}
                course={previews[g.column]!}
                choice={choices[g.column] ?? { channel: '', unit: '' }}
                onChange={(choice) => setChoices((all) => ({ ...all, [g.column]: choice }))}
              />
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-2 flex items-center gap-4">
        <button type="submit" className="btn btn-primary" disabled={missing !== null}>
          Read it like this
        </button>
        <p className="text-sm">{missing ?? 'Files with the same headers will be read like this from now on.'}</p>
      </div>
    </form>
  );
}
