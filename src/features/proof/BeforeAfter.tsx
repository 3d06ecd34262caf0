'use client';

import { format } from 'date-fns';
import { coolantState } from '@/core/case';
import { vehicleScale } from '@/core/limits';
import { improvements } from '@/core/proof';
import { driveOverlay } from '@/job/driveOverlay';
import { useJob } from '@/job/JobProvider';
import { useChangeText } from '@/job/useFeatureFigure';
import type { PairedDrive, ProofInHand } from '@/job/useProof';
import { ChartLegend, laneLegend } from '@/ui/picture/ChartLegend';
import { ScaledPicture } from '@/ui/picture/ScaledPicture';
import { wholeRange, type Lane } from '@/ui/picture/lane';

const HEIGHT = 290;
const BECAME = { better: 'better', worse: 'worse', different: 'changed', same: 'as before' } as const;

const named = (word: string, { record, at }: PairedDrive): string =>
  `${word}, ${format(at, 'd MMM yyyy')}: ${record.fileName}`;

/** What is drawn of the two drives: before broken, after whole, the band of a sound vehicle of the later one. */
function laneOf({ before, after }: ProofInHand): Lane | null {
  if (!after?.look) return null;
  const alone = {
    ...{ label: named('after', after), colour: 'var(--trace)', width: 2.5 },
    ...{ time_s: after.look.series.time_s, values: after.look.smooth.level_c },
  };
  const laid =
    before?.look &&
    driveOverlay(
      { look: after.look, name: named('after', after) },
      [{ look: before.look, name: named('before', before) }],
      'start',
    );
  const curves = after.finding?.curves;
  const bands = curves
    ? [
        {
          label: 'a sound vehicle on the later drive',
          colour: 'var(--family-sound)',
          time_s: curves.time_s,
          low: curves.healthyLow_c,
          high: curves.healthyHigh_c,
        },
      ]
    : [];
  return { curves: laid ? laid.lane.curves : [alone], bands };
}

/** Before and after in one picture, on the vehicle's own scale, and the telling figures with their uncertainty. */
export function BeforeAfter({ proof }: { proof: ProofInHand }) {
  const { vehicle, entries, figures } = useJob();
  const changeText = useChangeText();
  const { pair, after } = proof;
  const lane = laneOf(proof);
  if (!lane) return null;
  const scale = vehicleScale(vehicle.vehicle, after?.look?.outside_c ?? null, {
    coolant: coolantState(entries, vehicle.vehicle, figures.altitude_m),
    belowRating_k: figures.monitors.belowRating_k,
  });
  return (
    <section aria-labelledby="pair-title">
      <h2 id="pair-title" className="sr-only">
        Before and after
      </h2>
      <ScaledPicture
        scale={scale}
        height={HEIGHT}
        testId="proof-picture"
        lane={lane}
        range={wholeRange(lane)}
        title="Coolant temperature of the drives before and after the work"
      />
      <ChartLegend entries={laneLegend(lane)} />
      {pair && (
        <table
          className="mt-3 w-full [&_td]:py-1 [&_td]:text-right [&_tr]:border-t [&_tr]:border-base-content/15"
          data-testid="proof-changes"
        >
          <thead className="text-base-content">
            <tr className="text-right text-sm">
              <td />
              <th scope="col" className="font-normal">
                before
              </th>
              <th scope="col" className="font-normal">
                after
              </th>
              <th scope="col" className="font-normal">
                change
              </th>
              <td />
            </tr>
          </thead>
          <tbody>
            {improvements(pair).map((c) => {
              const text = changeText(c);
              return (
                <tr key={c.name}>
                  <th scope="row" className="text-left font-normal">
                    {c.label}
                  </th>
                  <td>{text.before}</td>
                  <td className="text-lg font-semibold">{text.after}</td>
                  <td className="whitespace-nowrap">{text.change}</td>
                  <td className={c.became === 'better' || c.became === 'worse' ? 'font-bold' : 'text-sm'}>
                    {BECAME[c.became]}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
