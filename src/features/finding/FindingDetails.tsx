'use client';

import { unitOf, type UnitFamily } from '@/core/base';
import { causeName, describeTest } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import { AnswerItem } from '@/job/AnswerItem';
import { useJob } from '@/job/JobProvider';
import { Caution } from '@/ui/Caution';
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

/** The tests worth most now, each answered where it is proposed. */
function NextTests() {
  const { next } = useJob().case;
  const { say } = useUnits();
  return (
    <section>
      <h2 className="text-2xl type-sign">Next test</h2>
      <ol className="mt-2 space-y-4">
        {next.map((proposal) => {
          const { test, why } = describeTest(proposal);
          return (
            <li key={proposal.item.id}>
              <p className="font-semibold">{say(test)}</p>
              <p className="text-sm leading-snug text-base-content/80">{say(why)}</p>
              <div className="mt-1">
                <AnswerItem item={proposal.item.id} />
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** Odds of the whole case beside those of this trace alone. */
function BothOdds({ finding, fileName }: { finding: Finding; fileName: string }) {
  const { now } = useJob().case;
  const alone = (cause: (typeof now)[number]['cause']) =>
    finding.causes.find((c) => c.cause === cause)?.probability ?? 0;
  const listed = now.filter((c) => c.probability >= LISTED_FROM || alone(c.cause) >= LISTED_FROM);
  const share = (p: number) => `${(100 * p).toFixed(1)} %`;
  return (
    <table className="mt-2 w-full text-[0.9375rem]">
      <caption className="sr-only">Odds of every cause</caption>
      <thead>
        <tr className="align-bottom text-sm">
          <td />
          <th scope="col" className="w-20 text-right font-semibold">
            The case, all evidence
          </th>
          <th scope="col" className="w-20 text-right font-normal" title={fileName}>
            This trace alone
          </th>
        </tr>
      </thead>
      <tbody>
        {listed.map((c) => (
          <tr key={c.cause}>
            <th scope="row" className="py-0.5 text-left font-normal">
              {causeName(c.cause)}
            </th>
            <td className="text-right font-semibold">{share(c.probability)}</td>
            <td className="text-right type-label">{share(alone(c.cause))}</td>
          </tr>
        ))}
        {listed.length < now.length && (
          <tr>
            <td colSpan={3} className="type-label">
              {now.length - listed.length} more below 0.2 % each
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

interface Figure {
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  readonly prior: number | null;
  readonly flagged: boolean;
}

/** The fault's own figures first, then the vehicle's beside what was expected. */
function FittedTable({ finding }: { finding: Finding }) {
  const { symbolOf } = useUnits();
  const shownUnit = (unit: string): string => (TEMPERATURES[unit] ? symbolOf(TEMPERATURES[unit]) : unit);
  const shown = (unit: string, si: number): string => {
    const family = TEMPERATURES[unit];
    return `${(family ? unitOf(family, symbolOf(family)).fromSi(si) : si).toPrecision(3)} ${shownUnit(unit)}`.trim();
  };
  const fault = finding.faultFigures.map((f): Figure => ({ ...f, prior: null, flagged: false }));
  return (
    <table className="mt-2 w-full text-sm">
      <thead>
        <tr>
          <th scope="col" className="text-left">
            Figure
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
        {[...fault, ...finding.parameters].map((p) => (
          <tr key={p.label} className={p.flagged || p.prior === null ? 'font-bold' : ''}>
            <th scope="row" className="text-left font-[inherit]">
              {p.label}
            </th>
            <td className="text-right whitespace-nowrap">{shown(p.unit, p.value)}</td>
            <td className="text-right whitespace-nowrap">{p.prior === null ? 'the fault' : shown(p.unit, p.prior)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Everything behind a finding: next tests, all odds, codes, the fault and the fitted vehicle. */
export function FindingDetails({ finding, fileName }: { finding: Finding; fileName: string }) {
  const flagged = finding.parameters.filter((p) => p.flagged);
  return (
    <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-8 border-t border-base-content/30 pt-5 lg:grid-cols-3">
      <NextTests />
      <section>
        <h2 className="text-2xl type-sign">Odds</h2>
        <BothOdds finding={finding} fileName={fileName} />
        <h3 className="mt-4 font-bold">Codes</h3>
        <Codes finding={finding} />
      </section>
      <section>
        <h2 className="text-2xl type-sign">Fitted</h2>
        {flagged.length > 0 && (
          <Caution className="mt-2">
            The fit bends {flagged.map((p) => p.label.toLowerCase()).join(', ')} further than vehicles go. Be careful
            with this verdict.
          </Caution>
        )}
        <details className="mt-2" open={finding.faultFigures.length > 0}>
          <summary className="cursor-pointer font-semibold">
            The fault and the vehicle, against what was expected
          </summary>
          <FittedTable finding={finding} />
        </details>
      </section>
    </div>
  );
}
