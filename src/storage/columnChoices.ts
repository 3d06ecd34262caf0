import { array, boolean, mixed, object, string } from 'yup';
import { CHANNEL_NAMES, type Result } from '@/core/base';
import type { ColumnChoices, ReadAs } from '@/core/formats';
import { database } from './database';
import { kept, type StorageError } from './storageError';

const choiceSchema = object({
  column: mixed<number>((v): v is number => Number.isInteger(v)).required(),
  channel: mixed<ReadAs>()
    .oneOf([...CHANNEL_NAMES, 'time_s'])
    .required(),
  unit: string().nullable().default(null),
});

const storedSchema = object({
  choices: array(choiceSchema.required()).required(),
  numbers: object({ decimalComma: boolean().required(), grouped: boolean().required() }).nullable().default(null),
});

const PREFIX = 'columns:';
const BETWEEN = '\u001f';
const keyOf = (headers: readonly string[]): string => `${PREFIX}${headers.join(BETWEEN)}`;

function choicesOf(value: unknown): ColumnChoices | null {
  if (!storedSchema.isValidSync(value)) return null;
  const { choices, numbers } = storedSchema.cast(value);
  const mapping = Object.fromEntries(choices.map(({ column, channel, unit }) => [column, { channel, unit }]));
  return numbers ? { mapping, numbers } : { mapping };
}

/** What a person chose for files so far, by their headers. What is stored and fits no more is passed over. */
export async function loadColumnChoices(): Promise<{ headers: readonly string[]; choices: ColumnChoices }[]> {
  const stored = await database().settings.where('key').startsWith(PREFIX).toArray();
  return stored.flatMap(({ key, value }) => {
    const choices = choicesOf(value);
    return choices ? [{ headers: key.slice(PREFIX.length).split(BETWEEN), choices }] : [];
  });
}

/** Keeps what a person chose, for the next file with these headers. */
export function saveColumnChoices(
  headers: readonly string[],
  { mapping = {}, numbers }: ColumnChoices,
): Promise<Result<string, StorageError>> {
  const choices = Object.entries(mapping).map(([column, choice]) => ({ column: Number(column), ...choice }));
  return kept(() => database().settings.put({ key: keyOf(headers), value: { choices, numbers: numbers ?? null } }));
}
