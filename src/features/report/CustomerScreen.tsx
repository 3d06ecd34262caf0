'use client';

import { format, parseISO } from 'date-fns';
import dynamic from 'next/dynamic';
import { CAUTIONS } from '@/core/cautions';
import type { CustomerReport, ReportCurves } from '@/core/report';
import { useJob } from '@/job/JobProvider';
import { useFeatureFigure } from '@/job/useFeatureFigure';
import { useUnits } from '@/ui/units';
import { Paper } from './Paper';
import { useReport } from './useReport';

const ReportPicture = dynamic(() => import('./ReportPicture').then((m) => m.ReportPicture), { ssr: false });

const DAY = 'd MMMM yyyy';
const BECAME = { better: 'better', worse: 'worse', different: 'changed', same: 'unchanged' } as const;
/** Figures in a driver's words; the others are for the shop. */
const PLAIN: Readonly<Record<string, string>> = {
  plateau: 'Temperature it holds',
  bend: 'Temperature at which it opens',
  'minutes-to-threshold': 'Time until warm',
  'minutes-to-60': 'Time until lukewarm',
  'hold-cruise': 'Temperature on the open road',
  'hold-idle': 'Temperature standing still',
  peak: 'Highest temperature',
};

function Changes({ report }: { report: CustomerReport }) {
  const figure = useFeatureFigure();
  const rows = report.changes.filter((c) => PLAIN[c.name] !== undefined);
  if (rows.length === 0) return null;
  return (
    <table className="whole" data-testid="report-changes">
      <thead>
        <tr>
          <th />
          <th className="num">before</th>
          <th className="num">after</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {rows.map((c) => {
          const f = figure(c.unit);
          const at = (v: number) => `${f.value(v).toFixed(c.unit === 'min' ? 1 : 0)} ${f.unit}`;
          return (
            <tr key={c.name}>
              <th>{PLAIN[c.name]}</th>
              <td className="num">{at(c.before)}</td>
              <td className="num">{at(c.after)}</td>
              <td>{report.comparable === false ? 'not comparable' : BECAME[c.became]}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function CustomerPaper({ report, curves }: { report: CustomerReport; curves: ReportCurves | null }) {
  const { show, say } = useUnits();
  const { rated_c } = useJob().vehicle.vehicle.thermostat;
  const { vehicle, found, done, parts, coolant, verdict, watch, due } = report;
  const days = due.filter((d) => d.kind !== 'deposit' && d.kind !== 'warranty');
  return (
    <>
      <header className="head">
        <div>
          <h1>{vehicle.plate}</h1>
          <p className="soft">
            {vehicle.label}
            {vehicle.odometer_km === null ? '' : `, ${show('distance', vehicle.odometer_km)}`}
          </p>
        </div>
        <p className="soft" style={{ textAlign: 'right' }}>
          Report on the cooling system
          <br />
          arrived {format(report.arrivedAt, DAY)}
        </p>
      </header>
      <h2>Your complaint</h2>
      {report.complaint !== '' && <p>&ldquo;{report.complaint}&rdquo;</p>}
      {report.said.length > 0 && (
        <p className="soft">Also said: {report.said.map((s) => s.replace(/\?$/, '')).join('; ')}.</p>
      )}
      {report.complaint === '' && report.said.length === 0 && <p>Nothing was written down.</p>}
      <h2>What was found</h2>
      <p className="big" data-testid="report-found">
        {found.text}
      </p>
      <p>{found.howSure}</p>
      {report.notSeparable !== null && <p className="note">{report.notSeparable}</p>}
      <h2>What was done</h2>
      {done.length === 0 ? (
        <p>Nothing was repaired.</p>
      ) : (
        <ul>
          {done.map((d) => (
            <li key={d}>{d}</li>
          ))}
          {parts
            .filter((p) => p.rated_c !== null || p.warrantyUntil !== '')
            .map((p) => (
              <li key={p.name}>
                {p.name}
                {p.rated_c === null ? '' : `, opens at ${show('temperature', p.rated_c)}`}
                {p.warrantyUntil === '' ? '' : `, warranty until ${format(parseISO(p.warrantyUntil), DAY)}`}
              </li>
            ))}
          {coolant && (
            <li>
              {show('volume', coolant.litres, 1)} of coolant filled in
              {coolant.pct === null ? '' : `, ${Math.round(coolant.pct)} % antifreeze in the system`}
            </li>
          )}
        </ul>
      )}
      <h2>Before and after</h2>
      <p className="big" data-testid="report-verdict">
        {verdict.text}
      </p>
      {report.notProven.length > 0 && done.length > 0 && (
        <ul>
          {report.notProven.map((n) => (
            <li key={n}>{say(n)}</li>
          ))}
        </ul>
      )}
      {curves && <ReportPicture curves={curves} rated_c={rated_c} />}
      {curves && <p className="soft">As the car’s own sensor reported it on the drives.</p>}
      <Changes report={report} />
      <h2>What to watch</h2>
      <ul>
        {watch.map((w) => (
          <li key={w}>{w}</li>
        ))}
        <li>{CAUTIONS['never-open-hot']}</li>
      </ul>
      {days.length > 0 && (
        <>
          <h2>Next</h2>
          <table className="whole">
            <tbody>
              {days.map((d) => (
                <tr key={`${d.kind} ${d.on}`}>
                  <th style={{ width: '34mm' }}>{format(parseISO(d.on), DAY)}</th>
                  <td>{d.says}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <div className="sign">
        <span>
          {verdict.signedBy === '' || verdict.at === null
            ? 'Workshop'
            : `Workshop: ${verdict.signedBy}, ${format(verdict.at, DAY)}`}
        </span>
        <span>Customer</span>
      </div>
      <p className="soft" style={{ marginTop: '3mm' }}>
        The vehicle maker’s instructions and local rules come first. Figures are measured and estimated; how sure each
        finding is stands beside it.
      </p>
    </>
  );
}

/** One to two pages for the customer, in plain words. */
export function CustomerScreen() {
  const { customer, curves, ready } = useReport();
  return (
    <Paper
      title="report"
      ready={ready}
      json={() => ({ schema: 'varmek-report/1', kind: 'customer', ...customer, curves })}
    >
      <CustomerPaper report={customer} curves={curves} />
    </Paper>
  );
}
