'use client';

import { causeName } from '@/core/evidence';
import { RATES_FROM, type SuggestedRates } from '@/core/history';
import { perCause } from '@/core/base';
import { causeLook } from '@/job/causeLook';
import { useOwnFigures } from '@/job/useOwnFigures';
import { Glyph } from '@/ui/Glyph';

const share = (v: number): string => `${(100 * v).toFixed(1)} %`;

/** What the shop's own cars suggest as base rates: offered, not taken. */
export function BaseRates({ suggested }: { suggested: SuggestedRates }) {
  const change = useOwnFigures();
  const take = () => {
    const rates = new Map(suggested.rates.map((r) => [r.cause, r.suggested]));
    const baseRates = perCause((c) => Number(rates.get(c)!.toFixed(4)));
    void change((own) => ({ ...own, baseRates }), 'Base rates taken from the shop’s own cars. Every job follows.');
  };
  return (
    <section aria-labelledby="rates-title">
      <h2 id="rates-title" className="text-2xl type-sign">
        Base rates that it suggests
      </h2>
      {suggested.few ? (
        <p className="mt-1" data-testid="rates-few">
          Too few to say: the truth of {suggested.n} {suggested.n === 1 ? 'car' : 'cars'} is known, {RATES_FROM} would
          suggest something.
        </p>
      ) : (
        <>
          <p className="mt-1">From {suggested.n} cars of which the truth is known. Offered, not taken.</p>
          <table className="mt-2 w-full max-w-xl" data-testid="rates">
            <thead className="text-base-content">
              <tr className="border-b border-base-content/40 text-right text-sm">
                <th scope="col" className="text-left">
                  Cause
                </th>
                <th scope="col">seen</th>
                <th scope="col">now</th>
                <th scope="col">suggested</th>
              </tr>
            </thead>
            <tbody>
              {[...suggested.rates]
                .sort((a, b) => b.seen - a.seen)
                .filter((r) => r.seen >= 0.05 || Math.abs(r.suggested - r.now) >= 0.005)
                .map((r) => {
                  const look = causeLook(r.cause);
                  return (
                    <tr key={r.cause} className="border-b border-base-content/15 text-right">
                      <th scope="row" className="py-0.5 text-left font-normal">
                        <span className="flex items-center gap-2">
                          <Glyph shape={look.shape} colour={look.colour} size={12} /> {causeName(r.cause)}
                        </span>
                      </th>
                      <td>{r.seen.toFixed(1)}</td>
                      <td>{share(r.now)}</td>
                      <td className="font-semibold">{share(r.suggested)}</td>
                    </tr>
                  );
                })}
            </tbody>
          </table>
          <button type="button" className="btn mt-3" onClick={take}>
            Take these as the shop’s own
          </button>
        </>
      )}
    </section>
  );
}
