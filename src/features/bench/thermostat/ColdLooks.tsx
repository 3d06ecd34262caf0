'use client';

import type { ThermostatBench } from '@/core/bench';
import { AnswerButtons } from '@/ui/AnswerButtons';

type Look = 'lightWhenCold' | 'deposits' | 'sealDamaged' | 'springWeak' | 'ventStuck';

const LOOKS: readonly {
  readonly key: Look;
  readonly ask: string;
  readonly yes: string;
  readonly no: string;
  readonly note: string;
}[] = [
  {
    key: 'lightWhenCold',
    ask: 'Light through the shut seat, the vent apart',
    yes: 'light',
    no: 'dark',
    note: 'Cover the vent with a finger: light through it is as it should be. Light at the seat rejects the part.',
  },
  {
    key: 'sealDamaged',
    ask: 'Seal round the flange',
    yes: 'torn, hard or gone',
    no: 'whole',
    note: 'Coolant that slips past a bad seal looks like a stuck valve, with the valve sound: renew the seal.',
  },
  {
    key: 'ventStuck',
    ask: 'Vent valve (jiggle pin)',
    yes: 'stuck or missing',
    no: 'free',
    note: 'Without it air stays; stuck open it passes a little coolant.',
  },
  {
    key: 'deposits',
    ask: 'Stem and seat',
    yes: 'scale or grit',
    no: 'clean',
    note: 'Clean it and test again; a fault that cleaning cures comes back with the same water: flush.',
  },
  {
    key: 'springWeak',
    ask: 'Spring against the new part',
    yes: 'weaker',
    no: 'alike',
    note: 'Weak evidence: another make always differs.',
  },
];

/** What is looked at cold, before any water is heated. */
export function ColdLooks({
  bench,
  onChange,
}: {
  bench: ThermostatBench;
  onChange: (to: (now: ThermostatBench) => ThermostatBench) => void;
}) {
  return (
    <section aria-labelledby="cold-looks">
      <h3 id="cold-looks" className="text-xl type-sign">
        Cold, against the light
      </h3>
      <ul className="mt-1">
        {LOOKS.map(({ key, ask, yes, no, note }) => {
          const answer = bench[key];
          return (
            <li
              key={key}
              className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 border-t border-base-content/15 py-1.5"
            >
              <div>
                <p className="leading-tight">{ask}</p>
                {answer === true && <p className="text-sm leading-snug">{note}</p>}
              </div>
              <AnswerButtons
                label={ask}
                answers={[
                  { key: 'yes', says: yes },
                  { key: 'no', says: no },
                ]}
                chosen={answer === null ? null : answer ? 'yes' : 'no'}
                onChoose={(chosen) =>
                  onChange((now) => ({ ...now, [key]: now[key] === (chosen === 'yes') ? null : chosen === 'yes' }))
                }
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
