'use client';

import { coolantState } from '@/core/case';
import { boilingOf } from '@/core/limits';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { useWork } from '@/job/useWork';
import { useUnits } from '@/ui/units';
import { ratingInWorker } from '@/workers/planClient';
import { ratingSays } from './ratingSays';

/** What a part of another rating does: the code it would set and on which days, from simulated drives of this kind of car. */
export function RatingEffect({ fitted_c }: { fitted_c: number }) {
  const { vehicle: record, figures, entries } = useJob();
  const { vehicle } = record;
  const { show, showTemperature } = useUnits();
  const { monitors } = figures;
  const key = JSON.stringify([vehicle, fitted_c, monitors]);
  const state = useWork(key, (told) => ratingInWorker(vehicle, fitted_c, monitors, told));
  const { rated_c } = vehicle.thermostat;
  const hotter = fitted_c > rated_c;
  const boils = boilingOf(coolantState(entries, vehicle, figures.altitude_m));
  const fanOn_c = vehicle.fan.on_c;
  return (
    <div className="mt-2 border-l-4 border-warning pl-3" data-testid="rating-effect">
      <p className="leading-snug">
        <strong>
          {show('temperatureDifference', Math.abs(fitted_c - rated_c))} {hotter ? 'hotter' : 'colder'} than the control
          unit expects.
        </strong>{' '}
        {hotter
          ? 'A rating sets the lowest temperature that is held, not how much heat goes: no better under load.'
          : 'Nothing is broken, and it may still set P0128 and keep the engine rich.'}{' '}
        {hotter && fanOn_c !== null && `${show('temperatureDifference', fanOn_c - fitted_c)} are left to the fan, `}
        {hotter &&
          `${show('temperatureDifference', boils.boils_c - fitted_c)} to boiling${boils.cap === 'measured' ? '' : ' with the cap counted as none'}.`}
      </p>
      {state.status === 'running' && (
        <progress className="progress mt-1 w-64" value={state.share} max={1} aria-label="Trying the rating" />
      )}
      {state.status === 'failed' && (
        <p className="text-error">It could not be tried: {state.message}. Load the page again.</p>
      )}
      {state.status === 'done' && (
        <>
          <p className="mt-1 font-semibold" data-testid="rating-says">
            {ratingSays(state.last, showTemperature)}
          </p>
          <table className="table mt-1 max-w-xl table-sm tabular-nums">
            <thead className="text-base-content">
              <tr>
                <th className="text-right">Outside</th>
                <th className="text-right">Holds</th>
                <th className="text-right">Sets P0128</th>
                <th className="text-right">With the right rating</th>
              </tr>
            </thead>
            <tbody>
              {state.last.map((d) => (
                <tr key={d.ambient_c}>
                  <td className="text-right">{showTemperature(d.ambient_c)}</td>
                  <td className="text-right">{showTemperature(d.holds_c)}</td>
                  <td className="text-right">{d.runs === 0 ? 'too cold to run' : percent(d.setsCode)}</td>
                  <td className="text-right">{d.runs === 0 ? '' : percent(d.setsAnyway)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-sm text-base-content/75">
            Four simulated sound cars of this kind, 28 minutes of town and road, your monitor’s figures.
          </p>
        </>
      )}
    </div>
  );
}
