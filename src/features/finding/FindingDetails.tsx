'use client';

import { unitOf, type UnitFamily } from '@/core/base';
import { causeName, describeTest } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import { monitorText } from '@/core/monitor';
import { AnswerItem } from '@/job/AnswerItem';
import { useJob } from '@/job/JobProvider';
import { Caution } from '@/ui/Caution';
import { useUnits } from '@/ui/units';

/** Odds below this are not listed one by one. */
const LISTED_FROM = 0.002;

/** Units of fitted figures that a shop may want in its own. */
const TEMPERATURES: Readonly<Record<string, UnitFamily>> = { '°C': 'temperature', K: 'temperatureDifference' };

/** Codes that this drive would set, and the slow warm-up one whatever became of it; the desk has the rest. */
function Codes({ finding }: { finding: Finding }) {
  const { say } = useUnits();
  return (
    <ul className="mt-2 space-y-1">
      {finding.codes
        .filter((c) => c.code === 'P0128' || c.wouldSet)
        .map((c) => (
          <li key={c.code}>
            <span className="font-bold">{c.code}</span> {say(monitorText(c))}
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

/** Figures in the shop's units, three digits. */
function useFigure(): (unit: string, si: number) => string {
  const { symbolOf } = useUnits();
  return (unit, si) => {
    const family = TEMPERATURES[unit];
    const value = family ? unitOf(family, symbolOf(family)).fromSi(si) : si;
    const shown = Math.abs(value) < 5e-4 ? '0' : value.toPrecision(3);
    return `${shown} ${family ? symbolOf(family) : unit}`.trim();
  };
}

/** How severe the leading cause is. */
function FaultFigures({ finding }: { finding: Finding }) {
  const figure = useFigure();
  if (finding.faultFigures.length === 0) return null;
  return (
    <dl className="mt-2" data-testid="fault-figures">
      {finding.faultFigures.map((f) => (
        <div key={f.label} className="flex items-baseline justify-between gap-4">
          <dt>{f.label}</dt>
          <dd className="text-xl type-sign whitespace-nowrap">{figure(f.unit, f.value)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** The fitted vehicle beside what was expected of it. */
function FittedVehicle({ finding }: { finding: Finding }) {
  const figure = useFigure();
  return (
    <table className="mt-2 w-full text-sm">
      <thead>
        <tr>
          <th scope="col" className="text-left">
            Vehicle
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
            <th scope="row" className={`text-left ${p.flagged ? '' : 'font-normal'}`}>
              {p.label}
            </th>
            <td className="pl-2 text-right whitespace-nowrap">{figure(p.unit, p.value)}</td>
            <td className="pl-3 text-right whitespace-nowrap">{figure(p.unit, p.prior)}</td>
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
        <FaultFigures finding={finding} />
        <details className="mt-2">
          <summary className="cursor-pointer font-semibold">The vehicle against what was expected of it</summary>
          <FittedVehicle finding={finding} />
        </details>
      </section>
    </div>
  );
}
