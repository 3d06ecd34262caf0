import type { CostSheet } from '@/core/closing';
import { useUnits } from '@/ui/units';

/** The cost sheet as a table: planned against taken, and what stays the shop's. */
export function CostTable({ cost, currency }: { cost: CostSheet; currency: string }) {
  const { show } = useUnits();
  const money = (v: number | null) => (v === null ? 'not known' : `${v.toFixed(2)} ${currency}`);
  if (cost.lines.length === 0) return <p>Nothing that costs is written down.</p>;
  return (
    <>
      <table data-testid="cost">
        <thead>
          <tr>
            <th>Item</th>
            <th>How it comes about</th>
            <th className="num">planned</th>
            <th className="num">as it came</th>
          </tr>
        </thead>
        <tbody>
          {cost.lines.map((l) => (
            <tr key={l.key}>
              <th>{l.what}</th>
              <td>
                {l.how}
                {l.used_l !== undefined && `, ${show('volume', l.used_l, 1)} used`}
              </td>
              <td className="num">{l.planned === null ? '' : money(l.planned)}</td>
              <td className="num">{money(l.actual)}</td>
            </tr>
          ))}
          <tr>
            <th>Sum</th>
            <td />
            <td className="num">{money(cost.planned)}</td>
            <td className="num">
              <strong data-testid="cost-sum">{money(cost.actual)}</strong>
            </td>
          </tr>
        </tbody>
      </table>
      {cost.containerRest.l > 0.05 && (
        <p>
          {show('volume', cost.containerRest.l, 1)} left in opened containers, worth {money(cost.containerRest.worth)}:
          the shop’s stock, label it with the day.
        </p>
      )}
      {cost.deposits.due > 0 && <p>Deposit still to get back: {money(cost.deposits.due)}.</p>}
    </>
  );
}
