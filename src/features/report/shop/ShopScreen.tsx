'use client';

import { format } from 'date-fns';
import { ACTIONS, pricesFor } from '@/core/case';
import { CAUTIONS } from '@/core/cautions';
import { costSheet } from '@/core/closing';
import { causeName } from '@/core/evidence';
import { cautionsGiven } from '@/core/report';
import { useJob } from '@/job/JobProvider';
import { GRADE_NAME, percent } from '@/job/jobWords';
import { useClosing } from '@/job/useClosing';
import { CostTable } from '../CostTable';
import { Paper } from '../Paper';
import { useReport } from '../useReport';
import { EntriesOnPaper } from './EntriesOnPaper';
import { MOMENT } from './moment';
import { ProofOnPaper } from './ProofOnPaper';
import { RepairOnPaper } from './RepairOnPaper';

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
      <ProofOnPaper report={report} />
      <RepairOnPaper />
      <h2>Cost</h2>
      <CostTable cost={cost} currency={prices.currency} />
      <EntriesOnPaper />
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
