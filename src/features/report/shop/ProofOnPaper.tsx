'use client';

import { format } from 'date-fns';
import { proofItem } from '@/core/case';
import { useChangeText } from '@/job/useFeatureFigure';
import { useUnits } from '@/ui/units';
import type { ReportInHand } from '../useReport';

/** Acceptance and figures of the two drives. */
export function ProofOnPaper({ report }: { report: ReportInHand }) {
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
