'use client';

import { format } from 'date-fns';
import { ACTIONS, pricesFor, proofItem, type Entry } from '@/core/case';
import { CAUTIONS } from '@/core/cautions';
import { costSheet, wasteRecord } from '@/core/closing';
import { causeName, sortedOdds } from '@/core/evidence';
import { cautionsGiven } from '@/core/report';
import { insideNow } from '@/core/repair';
import { causeLook } from '@/job/causeLook';
import { entryText, KIND_NAME } from '@/job/entryWords';
import { useJob } from '@/job/JobProvider';
import { GRADE_NAME, percent } from '@/job/jobWords';
import { useClosing } from '@/job/useClosing';
import { useChangeText } from '@/job/useFeatureFigure';
import { useUnits } from '@/ui/units';
import { CostTable } from './CostTable';
import { Paper } from './Paper';
import { useReport, type ReportInHand } from './useReport';

const MOMENT = 'd MMM yyyy, HH:mm';
/** Causes named in the odds after an entry. */
const NAMED = 3;
const YES = (v: boolean | null): string => (v === null ? '?' : v ? 'yes' : 'no');

/** Every entry with what it made of the odds. */
function Entries() {
  const { entries, case: found, traces } = useJob();
  const { show, say } = useUnits();
  const nameOf = (id: string) => traces.find((t) => t.id === id)?.fileName ?? 'a log that is no longer here';
  const stepOf = new Map(found.steps.map((s) => [s.entryId, s]));
  return (
    <>
      <h2>Every entry, and the odds after it</h2>
      <table data-testid="paper-entries">
        <thead>
          <tr>
            <th>When</th>
            <th>What</th>
            <th>Odds after it</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {entries.map((e: Entry) => {
            const step = stepOf.get(e.id);
            const odds = step ? sortedOdds(step.now) : [];
            return (
              <tr key={e.id}>
                <td style={{ whiteSpace: 'nowrap' }}>{format(e.at, MOMENT)}</td>
                <td className={e.takenBack ? 'taken-back' : ''}>
                  <strong>{KIND_NAME[e.kind]}</strong> {say(entryText(e, show, nameOf))}
                  {e.takenBack ? ' (taken back)' : ''}
                </td>
                <td>
                  {odds
                    .slice(0, NAMED)
                    .filter((o) => o.probability >= 0.02)
                    .map((o) => `${causeName(o.cause)} ${percent(o.probability)}`)
                    .join(', ')}
                </td>
                <td>
                  {odds.length > 0 && (
                    <span className="strip">
                      {odds
                        .filter((o) => o.probability >= 0.01)
                        .map((o) => (
                          <span
                            key={o.cause}
                            style={{ width: `${100 * o.probability}%`, background: causeLook(o.cause).colour }}
                          />
                        ))}
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** What the repair used: amounts, parts, screws, minutes. */
function Repair() {
  const { repair, vehicle } = useJob();
  const { show } = useUnits();
  if (!repair) return null;
  const { plan, drain, strip } = repair;
  const inside = insideNow(drain, vehicle.vehicle.coolant.volume_l);
  const waste = wasteRecord(repair);
  const screws = strip.items.filter((i) => i.kind === 'bolt');
  return (
    <>
      <h2>Repair</h2>
      {plan.faultWords !== '' && <p>Found: {plan.faultWords}</p>}
      <p>
        Minutes: {plan.minutesPlanned ?? 'not'} planned, {plan.minutesTaken ?? 'not written down as'} taken.
      </p>
      {plan.parts.length > 0 && (
        <table data-testid="paper-parts">
          <thead>
            <tr>
              <th>Part</th>
              <th>Rated</th>
              <th>Build</th>
              <th>Source</th>
              <th>Seal along</th>
              <th>Vent</th>
              <th>Warranty</th>
              <th>Note</th>
            </tr>
          </thead>
          <tbody>
            {plan.parts.map((p) => (
              <tr key={p.id}>
                <th>{p.name}</th>
                <td>{p.rated_c === null ? '' : show('temperature', p.rated_c)}</td>
                <td>{p.build ?? ''}</td>
                <td>{p.source === null ? '?' : p.source === 'maker' ? 'maker’s' : 'other'}</td>
                <td>{p.rated_c === null ? '' : YES(p.sealIncluded)}</td>
                <td>{p.rated_c === null ? '' : YES(p.vent)}</td>
                <td>{p.warrantyUntil}</td>
                <td>{p.note}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {drain.lines.length > 0 && (
        <table data-testid="paper-ledger">
          <thead>
            <tr>
              <th>Coolant</th>
              <th>Where</th>
              <th>Measured by</th>
              <th className="num">Amount</th>
              <th className="num">Strength</th>
            </tr>
          </thead>
          <tbody>
            {drain.lines.map((x) => (
              <tr key={x.id}>
                <th>{x.kind}</th>
                <td>{x.where}</td>
                <td>{x.measuredBy}</td>
                <td className="num">{show('volume', x.l, 2)}</td>
                <td className="num">{x.pct === null ? '' : `${Math.round(x.pct)} %`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {inside.ok && drain.lines.length > 0 && (
        <p>
          Inside now {show('volume', inside.value.inside_l, 1)} ± {show('volume', inside.value.inside_sd_l, 1)}
          {inside.value.pct === null ? '' : `, ${Math.round(inside.value.pct)} %`}
          {inside.value.renewed_share === null ? '' : `, ${percent(inside.value.renewed_share)} of it new`}.
        </p>
      )}
      {waste && (
        <p>
          Waste: {show('volume', waste.out_l, 1)} came out,{' '}
          {waste.handedIn_l === null ? 'none written down as' : show('volume', waste.handedIn_l, 1)} handed in
          {waste.place === '' ? '' : ` at ${waste.place}`}
          {waste.at === null ? '' : `, ${format(waste.at, 'd MMM yyyy')}`}.
        </p>
      )}
      {screws.length > 0 && (
        <table data-testid="paper-torques">
          <thead>
            <tr>
              <th>Screw</th>
              <th>Place</th>
              <th>Thread, head, length</th>
              <th className="num">Torque</th>
              <th>Source</th>
            </tr>
          </thead>
          <tbody>
            {screws.map((s) => (
              <tr key={s.id}>
                <th>{s.name}</th>
                <td>{s.place}</td>
                <td>
                  {[
                    s.thread,
                    s.head_mm === null ? '' : `head ${s.head_mm} mm`,
                    s.length_mm === null ? '' : `${s.length_mm} mm`,
                  ]
                    .filter((t) => t !== '')
                    .join(', ')}
                </td>
                <td className="num">{s.torque_nm === null ? 'not known' : show('torque', s.torque_nm, 1)}</td>
                <td>{s.torqueSource}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {plan.references.length > 0 && (
        <table>
          <thead>
            <tr>
              <th>Figure from papers</th>
              <th>Value</th>
              <th>Source</th>
            </tr>
          </thead>
          <tbody>
            {plan.references.map((r) => (
              <tr key={r.id}>
                <th>{r.what}</th>
                <td>{r.value}</td>
                <td>
                  {r.source}
                  {r.page === '' ? '' : `, page ${r.page}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** Acceptance and figures of the two drives. */
function Proof({ report }: { report: ReportInHand }) {
  const { say } = useUnits();
  const changeText = useChangeText();
  const { rows, pair } = report.proof;
  return (
    <>
      <h2>Acceptance</h2>
      <table data-testid="paper-acceptance">
        <tbody>
          {rows
            .filter((r) => r.state !== 'not-needed')
            .map((r) => (
              <tr key={r.item}>
                <th>{proofItem(r.item).ask}</th>
                <td>{r.state.replace('-', ' ')}</td>
                <td>{say(r.says)}</td>
                <td style={{ whiteSpace: 'nowrap' }}>{r.at === null ? '' : format(r.at, 'd MMM, HH:mm')}</td>
              </tr>
            ))}
        </tbody>
      </table>
      {pair && (
        <>
          <h2>Before and after, every figure</h2>
          {!pair.comparable && (
            <p className="note">The two drives are not comparable: what changed says nothing of the car.</p>
          )}
          <table>
            <thead>
              <tr>
                <th>Figure</th>
                <th className="num">before</th>
                <th className="num">after</th>
                <th className="num">change</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {pair.changes.map((c) => {
                const text = changeText(c);
                return (
                  <tr key={c.name}>
                    <th>{c.label}</th>
                    <td className="num">{text.before}</td>
                    <td className="num">{text.after}</td>
                    <td className="num">{text.change}</td>
                    <td>{c.became}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </>
      )}
    </>
  );
}

/** The whole job on paper: every entry, odds over time, amounts, parts, torques, minutes, cost, cautions. */
export function ShopScreen() {
  const open = useJob();
  const { job, vehicle, entries, repair, case: found, figures } = open;
  const { closing } = useClosing();
  const report = useReport();
  const prices = pricesFor(vehicle.vehicle, figures.ownPrices);
  const cost = costSheet(repair, closing, { vehicle: vehicle.vehicle, prices });
  const given = cautionsGiven(entries, repair, vehicle.vehicle);
  const chosen = entries.findLast((e) => e.kind === 'decision' && e.takenBack !== true);
  const { headline } = found;
  const json = () => ({
    ...{ schema: 'varmek-report/1', kind: 'shop' },
    job: { complaint: job.complaint, conditions: job.conditions, state: job.state, createdAt: job.createdAt },
    vehicle: { plate: vehicle.plate, mileage_km: vehicle.mileage_km, vehicle: vehicle.vehicle },
    ...{ entries, repair, closing, cost },
    odds: { now: found.now, atArrival: found.atArrival, steps: found.steps },
    ...{ separability: found.separability, acceptance: report.proof.rows, proposed: report.proof.proposed },
    ...{ changes: report.proof.pair?.changes ?? [], comparable: report.proof.pair?.comparable ?? null },
    ...{ cautions: given.map((c) => CAUTIONS[c]), customer: report.customer, curves: report.curves },
  });
  return (
    <Paper title="shop report" ready={report.ready} json={json}>
      <header className="head">
        <div>
          <h1>{vehicle.plate}</h1>
          <p className="soft">
            {vehicle.vehicle.label}
            {vehicle.variant === '' ? '' : `, ${vehicle.variant}`}. Arrived {format(job.createdAt, MOMENT)}
          </p>
        </div>
        <p className="soft" style={{ textAlign: 'right' }}>
          Job record
        </p>
      </header>
      {job.complaint !== '' && <p style={{ marginTop: '2mm' }}>&ldquo;{job.complaint}&rdquo;</p>}
      <p className="big">
        Now: {headline.text}
        {headline.share === null ? '' : `, ${percent(headline.share)}, ${GRADE_NAME[headline.grade]}`}
      </p>
      <p>
        At arrival, by all that is known now:{' '}
        {found.atArrival
          .slice(0, 4)
          .filter((o) => o.probability >= 0.02)
          .map((o) => `${causeName(o.cause)} ${percent(o.probability)}`)
          .join(', ')}
        .
        {chosen?.kind === 'decision' &&
          ` Chosen: ${ACTIONS[chosen.action].says.toLowerCase()}${chosen.reason === '' ? '' : `, ${chosen.reason}`}.`}
      </p>
      {found.separability && <p className="note">{found.separability.says}</p>}
      <Proof report={report} />
      <Repair />
      <h2>Cost</h2>
      <CostTable cost={cost} currency={prices.currency} />
      <Entries />
      {given.length > 0 && (
        <>
          <h2>Cautions that stood on the screens of this job</h2>
          <ul className="soft" data-testid="paper-cautions">
            {given.map((c) => (
              <li key={c}>{CAUTIONS[c]}</li>
            ))}
          </ul>
        </>
      )}
      <p className="soft">The vehicle maker’s instructions and local rules come first.</p>
    </Paper>
  );
}
