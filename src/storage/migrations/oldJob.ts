import { ANSWERS_BY_NUMBER } from './answerKeys';

/** A job of the time when what was known stood in the job itself: stores of versions 1 and 2, files of kind 1. */
export interface OldJob {
  readonly answers?: readonly {
    readonly itemId: string;
    readonly answer: number;
    readonly at: number;
    readonly detail?: string;
  }[];
  readonly codes?: readonly { readonly code: string; readonly freezeFrame?: string }[];
  readonly cold?: Readonly<Record<string, unknown>> | null;
  readonly createdAt: number;
}

/** An entry before it has an id and a job. */
export type EntryFields = Readonly<Record<string, unknown>> & { readonly kind: string; readonly at: number };

/** Items that readings used to answer by themselves: the readings are kept, and say it better. */
const FROM_READINGS: Readonly<Record<string, readonly string[]>> = {
  'soak-agreement': ['soakEct_c'],
  'unplug-rails': ['unplugged_c', 'bridged_c'],
  'look-cap-weak': ['capMeasured_kpa'],
  'sender-resistance': ['ohmCold_ohm', 'ohmWarm_ohm'],
};

/** Where each reading of the cold look stands now: measurement and value. */
const READINGS: Readonly<Record<string, readonly [name: string, value: string]>> = {
  level_mm: ['level', 'above_mark_mm'],
  levelAt_c: ['level', 'at_c'],
  freeze_c: ['coolant', 'freezes_c'],
  coolantYears: ['coolant', 'age_years'],
  capRated_kpa: ['cap', 'stamped_kpa'],
  capMeasured_kpa: ['cap', 'releases_kpa'],
  soak_h: ['soak', 'stood_h'],
  soakEct_c: ['soak', 'ect_c'],
  soakIat_c: ['soak', 'iat_c'],
  soakOutside_c: ['soak', 'outside_c'],
  soakProbe_c: ['soak', 'probe_c'],
  unplugged_c: ['rails', 'unplugged_c'],
  bridged_c: ['rails', 'bridged_c'],
  ohmCold_c: ['resistance', 'cold_c'],
  ohmCold_ohm: ['resistance', 'cold_ohm'],
  ohmWarm_c: ['resistance', 'warm_c'],
  ohmWarm_ohm: ['resistance', 'warm_ohm'],
};

const minuteOf = (detail: string): number | null => {
  const match = /^minute (\d+(?:\.\d+)?)$/.exec(detail);
  return match ? Number(match[1]) : null;
};

function answers(job: OldJob): EntryFields[] {
  const cold = job.cold ?? {};
  return (job.answers ?? []).flatMap((old): EntryFields[] => {
    const { itemId, answer, at, detail = '' } = old;
    const readings = FROM_READINGS[itemId];
    if (readings?.every((r) => typeof cold[r] === 'number') && detail !== '') return [];
    // A code answered its item beside itself; the code is kept and says it.
    if (itemId.startsWith('code-') && (job.codes ?? []).some((c) => c.code === detail)) return [];
    const key = ANSWERS_BY_NUMBER[itemId]?.[answer];
    const given = { item: itemId, answer: key ?? String(answer), at };
    if (itemId.startsWith('complaint-')) return [{ kind: 'statement', ...given }];
    const minute = minuteOf(detail);
    const words = detail !== '' && minute === null ? [{ kind: 'note', at, stage: itemId, text: detail }] : [];
    return [{ kind: 'check', ...given, minute }, ...words];
  });
}

function measurements(cold: Readonly<Record<string, unknown>>, at: number): EntryFields[] {
  const groups = new Map<string, Record<string, number>>();
  for (const [old, [name, value]] of Object.entries(READINGS)) {
    const reading = cold[old];
    if (typeof reading !== 'number' || !Number.isFinite(reading)) continue;
    groups.set(name, { ...groups.get(name), [value]: reading });
  }
  const colour = typeof cold.coolantColour === 'string' ? cold.coolantColour : '';
  if (colour !== '' && !groups.has('coolant')) groups.set('coolant', {});
  return [...groups].map(([name, values]) => ({
    ...{ kind: 'measurement', at, name, values, tolerance: {}, place: 'cold-look' },
    text: name === 'coolant' ? colour : '',
  }));
}

/**
 * The entries that an old job's fields become, nothing lost: answers, codes with their frames, every reading of the
 * cold look, its notes. Readings had no time of their own and take that of the last answer, else of the job.
 */
export function entriesOfOldJob(job: OldJob): EntryFields[] {
  const at = Math.max(job.createdAt, ...(job.answers ?? []).map((a) => a.at));
  const cold = job.cold ?? {};
  const notes = typeof cold.notes === 'string' ? cold.notes : '';
  return [
    ...answers(job),
    ...(job.codes ?? []).map(({ code, freezeFrame = '' }) => ({
      ...{ kind: 'code', at: job.createdAt, code, freezeFrame, clearedAt: null },
    })),
    ...measurements(cold, at),
    ...(notes === '' ? [] : [{ kind: 'note', at, stage: 'cold-look', text: notes }]),
  ];
}
