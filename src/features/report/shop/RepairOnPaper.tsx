'use client';

import { format } from 'date-fns';
import { wasteRecord } from '@/core/closing';
import { fastenerText, insideNow } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { PartsTable } from '@/job/PartsTable';
import { ReferencesTable } from '@/job/ReferencesTable';
import { useUnits } from '@/ui/units';
import { WideTable } from '@/ui/WideTable';

/** What the repair used: amounts, parts, screws, minutes. */
export function RepairOnPaper() {
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
      <PartsTable parts={plan.parts} />
      {drain.lines.length > 0 && (
        <WideTable label="Coolant out and in">
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
        </WideTable>
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
                <td>{fastenerText(s)}</td>
                <td className="num">{s.torque_nm === null ? 'not known' : show('torque', s.torque_nm, 1)}</td>
                <td>{s.torqueSource}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <ReferencesTable references={plan.references} />
    </>
  );
}
