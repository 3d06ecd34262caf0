import type { RatingDay } from '@/core/planning';

/** On which days the code would set that the right rating would not: on most of the cars tried, or on some. */
export function ratingSays(days: readonly RatingDay[], show: (c: number) => string): string {
  const sets = days.filter((d) => d.setsCode > d.setsAnyway);
  const at = (which: readonly RatingDay[]) => which.map((d) => show(d.ambient_c)).join(', ');
  const most = sets.filter((d) => d.setsCode >= 0.5);
  const some = sets.filter((d) => d.setsCode < 0.5);
  if (sets.length === 0) return 'P0128 would not set on any of the days tried.';
  if (most.length === 0) return `P0128 would set on some cars at ${at(some)} outside.`;
  return `P0128 would set at ${at(most)} outside${some.length > 0 ? `, on some cars at ${at(some)}` : ''}.`;
}
