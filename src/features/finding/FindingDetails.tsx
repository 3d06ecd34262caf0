'use client';

import { unitOf, type UnitFamily } from '@/core/base';
import { causeName, type Finding, type NextTest, type ParameterReport } from '@/core/diagnosis';
import { useUnits } from '@/ui/units';

/** Odds below this are not listed one by one. */
const LISTED_FROM = 0.002;

/** Units of fitted figures that a shop may want in its own. */
const TEMPERATURES: Readonly<Record<string, UnitFamily>> = { '°C': 'temperature', K: 'temperatureDifference' };

function Codes({ finding }: { finding: Finding }) {
  return (
    <ul className="mt-2 space-y-1">
      {finding.codes.map((c) => (
        <li key={c.code}>
          <span className="font-bold">{c.code}</span>{' '}
          {c.wouldSet && c.at_s !== null
            ? `would set at minute ${Math.round(c.at_s / 60)}`
            : 'would not set on this drive'}
        </li>
      ))}
    </ul>
  );
}

/** Everything behind a finding: next tests, all odds, codes, the fitted vehicle, what was imported. */
export function FindingDetails({
  finding,
  next,
}: {
  finding: Finding;
  /** What to do next, by the odds of the whole case. */
  next: readonly NextTest[];
}) {
  const { say, symbolOf } = useUnits();
  const shownUnit = (p: ParameterReport): string => {
    const family = TEMPERATURES[p.unit];
    return family ? symbolOf(family) : p.unit;
  };
  const shownValue = (p: ParameterReport, si: number): string => {
    const family = TEMPERATURES[p.unit];
    return (family ? unitOf(family, symbolOf(family)).fromSi(si) : si).toPrecision(3);
  };
  const listed = finding.causes.filter((c) => c.probability >= LISTED_FROM);
  const flagged = finding.parameters.filter((p) => p.flagged);
  return (
    <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-8 border-t border-base-content/30 pt-5 lg:grid-cols-3">
      <section>
        <h2 className="text-2xl type-sign">Next test</h2>
        <ol className="mt-2 space-y-3">
          {next.map((n) => (
            <li key={n.test}>
              <p className="font-semibold">{say(n.test)}</p>
              <p className="text-sm leading-snug text-base-content/80">{say(n.why)}</p>
            </li>
          ))}
        </ol>
      </section>
      <section>
        <h2 className="text-2xl type-sign">Odds</h2>
        <table className="mt-2 w-full text-[0.9375rem]">
          <caption className="sr-only">Odds of every cause</caption>
          <tbody>
            {listed.map((c) => (
              <tr key={c.cause}>
                <th scope="row" className="py-0.5 text-left font-normal">
                  {causeName(c.cause)}
                </th>
                <td className="w-16 text-right font-semibold">{(100 * c.probability).toFixed(1)} %</td>
              </tr>
            ))}
          </tbody>
        </table>
        {listed.length < finding.causes.length && (
          <p className="mt-1 type-label">{finding.causes.length - listed.length} more below 0.2 % each</p>
        )}
        <h3 className="mt-4 font-bold">Codes</h3>
        <Codes finding={finding} />
      </section>
      <section>
        <h2 className="text-2xl type-sign">Fitted vehicle</h2>
        {flagged.length > 0 && (
          <p className="mt-2 border-l-4 border-warning pl-3 leading-snug">
            The fit bends {flagged.map((p) => p.label.toLowerCase()).join(', ')} further than vehicles go. Be careful
            with this verdict.
          </p>
        )}
        <details className="mt-2">
          <summary className="cursor-pointer font-semibold">Parameters against what was expected</summary>
          <table className="mt-2 w-full text-sm">
            <thead>
              <tr>
                <th scope="col" className="text-left">
                  Parameter
                </th>
                <th scope="col" className="text-right">
                  fitted
                </th>
                <th scope="col" className="text-right">
                  expected
                </th>
              </tr>
            </thead>
            <tbody>
              {finding.parameters.map((p) => (
                <tr key={p.name} className={p.flagged ? 'font-bold' : ''}>
                  <th scope="row" className="text-left font-normal">
                    {p.label} {p.unit && `(${shownUnit(p)})`}
                  </th>
                  <td className="text-right">{shownValue(p, p.value)}</td>
                  <td className="text-right">{shownValue(p, p.prior)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </section>
    </div>
  );
}
