'use client';

import { HEAD_SIZES, INCH_SPANNERS, pickList } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useRepair } from '@/job/useRepair';
import { TextField } from '@/ui/TextField';
import { switched } from '../lists';

/** Head and thread of a screw are two sizes. */
export function HeadTable() {
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">Which spanner: head is not thread</summary>
      <table
        className="table mt-1 table-sm tabular-nums max-sm:[&_td]:px-1 max-sm:[&_th]:px-1 max-sm:[&_th]:whitespace-normal"
        data-testid="heads"
      >
        <thead className="text-base-content">
          <tr>
            <th>Thread</th>
            <th>Hexagon head, mm</th>
            <th>Six-lobe outside</th>
            <th>Six-lobe inside</th>
          </tr>
        </thead>
        <tbody>
          {HEAD_SIZES.map((h) => (
            <tr key={h.thread}>
              <td className="font-semibold">{h.thread}</td>
              <td>{h.hex_mm.join(', ')}</td>
              <td>{h.lobeOutside}</td>
              <td>{h.lobeInside}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm">
        Inch: {INCH_SPANNERS.map((s) => `${s.inch} in is ${s.mm.toFixed(2)} mm`).join('; ')}. Usual sizes by ISO 4014,
        4017 and 14579; measure the one in front of you.
      </p>
    </details>
  );
}

/** Everything to lay out before the first bolt; ticked when it is at hand. Prints as a list of its own. */
export function PickList({ coolantLine }: { coolantLine: string | null }) {
  const { vehicle } = useJob();
  const { sheet, put } = useRepair();
  const { plan, safe } = sheet;
  const groups = pickList(plan, { mileage_km: vehicle.mileage_km, raise: safe.raise, coolantLine });
  const all = groups.flatMap((g) => g.lines);
  const missing = all.filter((l) => !plan.have.includes(l.key)).length;
  const toggle = (key: string) => put('plan', (now) => ({ have: switched(now.have, key) }));
  return (
    <section aria-labelledby="pick-title" data-testid="pick-list">
      <h2 id="pick-title" className="text-2xl type-sign">
        Lay out{all.length === 0 ? '' : missing === 0 ? ': all there' : `: ${missing} missing`}
      </h2>
      <div className="mt-1 grid grid-cols-1 gap-x-8 sm:grid-cols-2">
        {groups.map(({ name, lines }) => (
          <div key={name} className="mt-2">
            <h3 className="type-label">{name}</h3>
            <ul>
              {lines.map(({ key, says }) => (
                <li key={key}>
                  <label className="flex min-h-11 items-center gap-3 leading-snug">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={plan.have.includes(key)}
                      onChange={() => toggle(key)}
                    />
                    {says === '' ? 'A part without a name' : says}
                  </label>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
      <TextField
        id="own-tools"
        label="Tools of your own for this one, by commas"
        className="mt-2 print:hidden"
        value={plan.ownTools.join(', ')}
        onText={(text) =>
          put('plan', {
            ownTools: text
              .split(',')
              .map((t) => t.trim().slice(0, 200))
              .filter((t) => t !== ''),
          })
        }
      />
      <HeadTable />
    </section>
  );
}
