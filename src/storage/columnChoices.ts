import { array, boolean, mixed, object, string } from 'yup';
import { CHANNEL_NAMES, type ChannelName, type Result } from '@/core/base';
import type { ReadOptions } from '@/core/formats';
import { database } from './database';
import { kept, type StorageError } from './storageError';

const choiceSchema = object({
  column: mixed<number>((v): v is number => Number.isInteger(v)).required(),
  channel: mixed<ChannelName | 'time_s'>()
    .oneOf([...CHANNEL_NAMES, 'time_s'])
    .required(),
  unit: string().nullable().default(null),
});

const storedSchema = object({
  choices: array(choiceSchema.required()).required(),
  numbers: object({ decimalComma: boolean().required(), grouped: boolean().required() }).nullable().default(null),
});

const keyOf = (headers: readonly string[]): string => `columns:${headers.join('\u001f')}`;

/** What a person chose for files with these headers; null when never asked. */
export async function loadColumnChoices(
  headers: readonly string[],
): Promise<Pick<ReadOptions, 'mapping' | 'numbers'> | null> {
  const stored = await database().settings.get(keyOf(headers));
  if (!stored || !storedSchema.isValidSync(stored.value)) return null;
  const { choices, numbers } = storedSchema.cast(stored.value);
  const mapping = Object.fromEntries(choices.map(({ column, channel, unit }) => [column, { channel, unit }]));
  return numbers ? { mapping, numbers } : { mapping };
}

/** Keeps what a person chose, for the next file with these headers. */
export function saveColumnChoices(
  headers: readonly string[],
  { mapping = {}, numbers }: Pick<ReadOptions, 'mapping' | 'numbers'>,
): Promise<Result<string, StorageError>> {
  const choices = Object.entries(mapping).map(([column, choice]) => ({ column: Number(column), ...choice }));
  return kept(() => database().settings.put({ key: keyOf(headers), value: { choices, numbers: numbers ?? null } }));
}
