import { createEvents, type EventAttributes } from 'ics';
import { fail, ok, type Result } from '@/core/base';
import type { AgendaDay } from '@/storage/agenda';

/** A whole day as the calendar package takes it. */
function dayParts(on: string): [number, number, number] {
  const [year, month, day] = on.split('-').map(Number);
  return [year!, month!, day!];
}

/** The day after, so that the event ends with its day. */
function nextDay(on: string): [number, number, number] {
  const [year, month, day] = dayParts(on);
  const next = new Date(Date.UTC(year, month - 1, day + 1));
  return [next.getUTCFullYear(), next.getUTCMonth() + 1, next.getUTCDate()];
}

/** An event that is the same event when it is exported again: a calendar then moves it instead of doubling it. */
const eventOf = ({ jobId, kind, on, says, plate, complaint }: AgendaDay, i: number): EventAttributes => ({
  uid: `${jobId}-${kind}-${i}@varmek.invalid`,
  productId: 'varmek',
  title: `${plate}: ${says}`,
  ...(complaint === '' ? {} : { description: complaint }),
  start: dayParts(on),
  end: nextDay(on),
  busyStatus: 'FREE',
  categories: ['Varmek'],
  alarms: [],
});

/** Days that are due as a calendar file (iCalendar, RFC 5545): whole days, one event each. */
export function calendarFile(days: readonly AgendaDay[]): Result<string, string> {
  if (days.length === 0) return fail('No day is due: nothing to export.');
  const counts = new Map<string, number>();
  const events = days.map((d) => {
    const key = `${d.jobId} ${d.kind}`;
    const nth = counts.get(key) ?? 0;
    counts.set(key, nth + 1);
    return eventOf(d, nth);
  });
  const { error, value } = createEvents(events, { calName: 'Varmek' });
  return !value ? fail(`The calendar file could not be written: ${error?.message ?? 'unknown reason'}.`) : ok(value);
}
