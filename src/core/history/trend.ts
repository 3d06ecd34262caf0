/** A reading of a vehicle at a time. */
export interface DatedReading {
  /** ms since 1970. */
  readonly at: number;
  readonly value: number;
  /** Standard uncertainty. */
  readonly sd: number;
}

/** How a reading of a vehicle went over the years. */
export type Trend =
  | { readonly kind: 'too-few'; readonly n: number }
  | {
      readonly kind: 'steady' | 'drifts';
      readonly n: number;
      readonly perYear: number;
      readonly sd: number;
      readonly first: number;
      readonly last: number;
      readonly years: number;
    };

const YEAR_MS = 365.25 * 86_400_000;
/** A line wants three points over a quarter of a year at least. */
const LEAST = 3;
const LEAST_YEARS = 0.25;
/** A slope of so many of its standard uncertainties is a drift. */
const DRIFTS_FROM = 2;

/**
 * Drift by a weighted straight line; its uncertainty is the larger of what the readings' own uncertainties give and what
 * their scatter about the line shows.
 */
export function trendOf(readings: readonly DatedReading[]): Trend {
  const sorted = [...readings].sort((a, b) => a.at - b.at);
  const [first, last] = [sorted[0], sorted.at(-1)];
  const years = first && last ? (last.at - first.at) / YEAR_MS : 0;
  if (!first || !last || sorted.length < LEAST || years < LEAST_YEARS) return { kind: 'too-few', n: sorted.length };
  const w = sorted.map((r) => 1 / Math.max(1e-6, r.sd) ** 2);
  const x = sorted.map((r) => (r.at - first.at) / YEAR_MS);
  const total = w.reduce((a, b) => a + b, 0);
  const mean = (v: readonly number[]) => v.reduce((s, y, i) => s + w[i]! * y, 0) / total;
  const mx = mean(x);
  const my = mean(sorted.map((r) => r.value));
  const sxx = x.reduce((s, v, i) => s + w[i]! * (v - mx) ** 2, 0);
  if (sxx === 0) return { kind: 'too-few', n: sorted.length };
  const perYear = x.reduce((s, v, i) => s + w[i]! * (v - mx) * (sorted[i]!.value - my), 0) / sxx;
  const chi2 = x.reduce((s, v, i) => s + w[i]! * (sorted[i]!.value - my - perYear * (v - mx)) ** 2, 0);
  const scatter = Math.max(1, Math.sqrt(chi2 / (sorted.length - 2)));
  const sd = scatter / Math.sqrt(sxx);
  const at = (v: number) => my + perYear * (v - mx);
  return {
    kind: Math.abs(perYear) > DRIFTS_FROM * sd ? 'drifts' : 'steady',
    ...{ n: sorted.length, perYear, sd, years, first: at(0), last: at(years) },
  };
}
