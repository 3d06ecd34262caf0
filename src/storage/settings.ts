import { array, mixed, object, string, type InferType } from 'yup';
import { UNITS, type Result, type UnitFamily } from '@/core/base';
import { database } from './database';
import { kept, type StorageError } from './storageError';

const unit = (family: UnitFamily) => {
  const symbols: readonly string[] = UNITS[family].map((u) => u.symbol);
  return mixed<string>().oneOf(symbols).default(symbols[0]);
};

const settingsSchema = object({
  temperature: unit('temperature'),
  speed: unit('speed'),
  distance: unit('distance'),
  pressure: unit('pressure'),
  volume: unit('volume'),
  torque: unit('torque'),
  mass: unit('mass'),
  length: unit('length'),
});

/** What the shop prefers. */
export type Settings = Required<InferType<typeof settingsSchema>> & Readonly<Record<string, string>>;

/** Settings of a fresh shop. */
export const DEFAULT_SETTINGS = settingsSchema.getDefault() as Settings;

const KEY = 'shop';

/** Reads the settings; unknown or broken entries fall back to the defaults. */
export async function loadSettings(): Promise<Settings> {
  const stored = await database().settings.get(KEY);
  return stored && settingsSchema.isValidSync(stored.value)
    ? (settingsSchema.cast(stored.value) as Settings)
    : DEFAULT_SETTINGS;
}

/** Changes settings. */
export function saveSettings(change: Partial<Settings>): Promise<Result<void, StorageError>> {
  return kept(async () => {
    const now = await loadSettings();
    await database().settings.put({ key: KEY, value: { ...now, ...change } });
  });
}

/** Lists that a shop puts into an order of its own. */
export type OrderedList = 'overheating-order' | 'fan-order';
const orderSchema = array(string().required()).required();

/** The shop's own order of a list; null when it never changed the offered one. */
export async function loadOrder(list: OrderedList): Promise<readonly string[] | null> {
  const stored = await database().settings.get(list);
  return stored && orderSchema.isValidSync(stored.value) ? (stored.value as string[]) : null;
}

/** Keeps the shop's order. */
export const saveOrder = (list: OrderedList, order: readonly string[]): Promise<Result<string, StorageError>> =>
  kept(() => database().settings.put({ key: list, value: order }));

const DEMO_KEY = 'demo-loaded';

/** True once the demo garage was loaded, even if its jobs were deleted since. */
export async function demoWasLoaded(): Promise<boolean> {
  return (await database().settings.get(DEMO_KEY)) !== undefined;
}

/** Remembers that the demo garage was loaded. */
export async function markDemoLoaded(): Promise<void> {
  await database().settings.put({ key: DEMO_KEY, value: true });
}
