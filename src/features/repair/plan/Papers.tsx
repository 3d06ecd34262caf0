'use client';

import { UNITS, unitOf } from '@/core/base';
import { WORK } from '@/core/case';
import { EXCEPTIONS, EXTRAS, fastenerText, pickList } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { PartsTable } from '@/job/PartsTable';
import { ReferencesTable } from '@/job/ReferencesTable';
import { useRepair } from '@/job/useRepair';

const CELL =
  '[&_td]:border-b [&_td]:border-base-content/30 [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3 [&_th]:text-left [&_tbody_th]:border-b [&_tbody_th]:border-base-content/30';

/** Everything to lay out, with boxes to tick by pen. */
export function PickSheet({ coolantLine }: { coolantLine: string | null }) {
  const { vehicle } = useJob();
  const { sheet } = useRepair();
  const groups = pickList(sheet.plan, { mileage_km: vehicle.mileage_km, raise: sheet.safe.raise, coolantLine });
  return (
    <section data-testid="paper-pick" className="text-lg">
      <h2 className="text-2xl type-sign">Pick list</h2>
      <div className="mt-2 columns-2 gap-10">
        {groups.map(({ name, lines }) => (
          <div key={name} className="mb-4 break-inside-avoid">
            <h3 className="font-bold">{name}</h3>
            <ul>
              {lines.map(({ key, says }) => (
                <li key={key} className="flex items-center gap-3 border-b border-base-content/30 py-1">
                  <span
                    aria-hidden
                    className="inline-flex size-5 items-center justify-center border-2 border-base-content"
                  >
                    {sheet.plan.have.includes(key) ? '×' : ''}
                  </span>
                  {says}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

/** The job on paper: what is done with what, the maker’s figures, screws with their torque, what is outside the usual way. */
export function JobSheet({ coolantLine }: { coolantLine: string | null }) {
  const { sheet } = useRepair();
  const { plan, strip } = sheet;
  const screws = strip.items.filter((i) => i.kind === 'bolt');
  const torque = (nm: number) =>
    UNITS.torque.map((u) => `${unitOf('torque', u.symbol).fromSi(nm).toFixed(1)} ${u.symbol}`).join(' / ');
  const along = EXTRAS.filter((e) => plan.extras.includes(e.id)).map((e) => e.says.toLowerCase());
  return (
    <section data-testid="paper-sheet" className="space-y-4">
      <div>
        <h2 className="text-2xl type-sign">Job sheet</h2>
        <p className="text-lg font-semibold">
          {plan.works.map((w) => WORK[w].done).join('; ') || 'Nothing planned yet'}
        </p>
        <p>
          {plan.faultWords === '' ? '' : `Found: ${plan.faultWords}. `}
          {along.length > 0 ? `Along with it: ${along.join(', ')}. ` : ''}
          {plan.minutesPlanned === null
            ? ''
            : `${plan.minutesPlanned} min planned; taken: ${plan.minutesTaken ?? '________'}.`}
        </p>
      </div>
      <PartsTable parts={plan.parts} className={`w-full ${CELL}`} />
      {coolantLine !== null && (
        <p>
          {coolantLine}. In the car: {plan.coolant.approvalInCar || 'not known'}.
        </p>
      )}
      <ReferencesTable references={plan.references} className={`w-full ${CELL}`} />
      {screws.length > 0 && (
        <table className={`w-full ${CELL}`}>
          <thead>
            <tr>
              <th>Label</th>
              <th>Screw</th>
              <th>Thread, head, length</th>
              <th>Torque</th>
            </tr>
          </thead>
          <tbody>
            {screws.map((s) => (
              <tr key={s.id}>
                <td>{s.label}</td>
                <td>
                  {s.name}
                  {s.place === '' ? '' : `, ${s.place}`}
                </td>
                <td>{fastenerText(s)}</td>
                <td>{s.torque_nm === null ? '' : torque(s.torque_nm)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {plan.exceptions.map((e) => (
        <p key={e.id} className="border-l-4 border-base-content pl-3">
          <strong>{EXCEPTIONS[e.kind].says}.</strong> {e.risk} {e.conditions} Looked at again on {e.reviewOn}.
        </p>
      ))}
      <p className="text-sm">The vehicle maker’s instructions and local rules come first.</p>
    </section>
  );
}
