'use client';

import { railsSay, standingReading } from '@/core/case';
import type { SenderBench } from '@/core/bench';
import { pinVolts } from '@/core/sender';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { useUnits } from '@/ui/units';

const PLACE = 'bench';

/** Unplugged, then bridged: step by step, with what each must read. */
export function RailsSteps({ bench }: { bench: SenderBench }) {
  const { entries, vehicle } = useJob();
  const { say } = useUnits();
  const reading = standingReading(entries, 'rails', PLACE);
  const says = railsSay(reading?.values ?? {});
  const reference = bench.circuit?.reference_v ?? 5;
  const thousand = bench.circuit ? pinVolts(1000, bench.circuit, bench.circuit.pullUp_ohm) : null;
  return (
    <section aria-labelledby="rails-title" className="border-t border-base-content/20 pt-4 print:hidden">
      <h3 id="rails-title" className="text-xl type-sign">
        Unplugged and bridged
      </h3>
      <Cautions
        className="mt-1"
        of={['key-off-before-unplugging', ...(vehicle.vehicle.engine.hybrid ? (['orange-cables'] as const) : [])]}
      />
      <ol className="mt-2 space-y-3">
        <li>
          <p>
            <strong>1</strong>{' '}
            {say('Key off. Pull the sender’s plug. Key on: the reading must go to the cold rail, about -40 °C')} (
            {reference.toFixed(1)} V at the pin).
          </p>
          <MeasuredField name="rails" value="unplugged_c" place={PLACE} reading={reading} />
        </li>
        <li>
          <p>
            <strong>2</strong>{' '}
            {say(
              'Key off. Bridge the plug’s two contacts with a fused lead. Key on: the reading must go to the hot rail, 130 °C or more (0 V).',
            )}
          </p>
          <MeasuredField name="rails" value="bridged_c" place={PLACE} reading={reading} />
        </li>
        <li>
          <p>
            <strong>3</strong> If in doubt, a resistor of 1 kΩ in the bridge
            {thousand === null ? '' : `: ${thousand.toFixed(2)} V at the pin`}. Key off, plug back on, until it clicks.
          </p>
        </li>
      </ol>
      {says && (
        <p className="mt-2 font-semibold" aria-live="polite">
          {say(says)}
        </p>
      )}
    </section>
  );
}
