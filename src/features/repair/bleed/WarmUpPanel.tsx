'use client';

import { standingReading } from '@/core/case';
import { growsBy_l, openingWords, PLACE_CAUTIONS } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { useRepair } from '@/job/useRepair';
import { LoadedLink } from '@/ui/LoadedLink';
import { Caution } from '@/ui/Caution';
import { clock } from '@/ui/clock';
import { useUnits } from '@/ui/units';
import { useInside } from '../drain/Inside';
import type { OpeningDue } from './useOpeningDue';
import type { WarmUpSeen } from './warmUpSeen';

const PLACE = 'bleed';

/** When the opening is due, what the log shows of it, and what the level will do. */
export function WarmUpPanel({ due, seen, warm_s }: { due: OpeningDue; seen: WarmUpSeen | null; warm_s: number }) {
  const { job, entries, vehicle } = useJob();
  const { sheet } = useRepair();
  const { show, showTemperature } = useUnits();
  const { state } = useInside();
  const outside = standingReading(entries, 'outside', PLACE);
  const { rated_c, heated_rated_c } = vehicle.vehicle.thermostat;
  const opens_c = heated_rated_c ?? rated_c;
  const words = due.window && openingWords(due.window, warm_s);
  const grows = state && growsBy_l(sheet.plan.coolant, state.pct ?? 50, state.inside_l, due.outside_c, opens_c);
  const hot = seen !== null && seen.top_c >= due.stop_c;
  return (
    <section aria-labelledby="warm-title" className="space-y-2">
      <h2 id="warm-title" className="text-2xl type-sign">
        The opening
      </h2>
      <p
        className={`text-xl leading-snug ${words?.stop && !seen?.opening ? 'font-bold text-error' : ''}`}
        data-testid="opening-due"
      >
        {seen?.opening
          ? `Seen at minute ${(seen.opening.at_s / 60).toFixed(1)}, ${showTemperature(seen.opening.reading_c)}.`
          : words
            ? words.says
            : due.working
              ? 'Working out when it is due'
              : due.failed !== null
                ? `It could not be worked out: ${due.failed}`
                : 'Not due within an hour of idling at this outside temperature: hold the engine speed or drive it.'}
      </p>
      <p className="text-sm type-label">
        By the model: this car idling from {showTemperature(due.outside_c)}
        {due.outsideGiven ? '' : ', taken for lack of a reading'}, blower low. Counted while the engine runs.
      </p>
      <MeasuredField name="outside" value="outside_c" place={PLACE} reading={outside} />
      {hot && (
        <Caution kind="danger" role="alert" testId="too-hot">
          Engine off: {showTemperature(seen.top_c)}, the limit is {showTemperature(due.stop_c)}. Do not open it.
        </Caution>
      )}
      {seen ? (
        <p className="leading-snug" data-testid="warm-seen">
          {seen.live ? 'Live log' : seen.from}: {showTemperature(seen.last_c)} at minute {clock(seen.length_s)}
          {seen.opening ? '' : ', no opening yet'}. {seen.fanOn_s !== null && `Fan on at ${clock(seen.fanOn_s)}`}
          {seen.fanOff_s !== null && `, off at ${clock(seen.fanOff_s)}`}
          {seen.fanOn_s !== null ? '.' : ''}
        </p>
      ) : (
        <p className="text-sm">
          With a log it marks opening and fan itself:{' '}
          <LoadedLink href={`/jobs/${job.id}/drive/live`} className="underline underline-offset-4">
            log live
          </LoadedLink>
          , or drop a file here.
        </p>
      )}
      {grows !== null && (
        <p className="leading-snug" data-testid="level-due">
          Up to the opening the coolant grows by {show('volume', grows, 2)}: the level rises. When it opens the level
          falls by the air that leaves: top up then. Stop at {showTemperature(due.stop_c)}.
        </p>
      )}
      <Cautions of={PLACE_CAUTIONS.opening} />
    </section>
  );
}
