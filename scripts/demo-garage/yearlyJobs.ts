import { FULL, round, work, type ProofJob } from './proofKit';

const yearly = (id: string, daysAgo: number, opening_k: number, seed: number, more: Partial<ProofJob>): ProofJob => ({
  ...{ id, vehicle: 'survey', daysAgo, bodySeed: 351, state: 'finished', complaint: 'Yearly check with a log.' },
  drives: [
    {
      ...{
        file: `${id.replace('demo-', '')}.csv`,
        after_h: 70,
        ambient_c: 6,
        heater_pct: 30,
        phases: round,
        channels: FULL,
        seed,
      },
      ...(opening_k === 0 ? {} : { fault: { cause: 'thermostat-opens-early', openingShift_k: opening_k } as const }),
    },
  ],
  entries: [],
  ...more,
});

/** Closed years ago; the logs of the years since show the opening coming down. */
export const SURVEY: readonly ProofJob[] = [
  yearly('demo-survey-closed', 1475, 0, 352, {
    complaint: 'Hose at the thermostat housing wet. Renewed, logged as a reference.',
    entries: [
      work(3, 'replaced-seal', 'housing was dripping'),
      {
        after_h: 74,
        kind: 'proof',
        item: 'verdict',
        answer: 'proven',
        by: 'J. Sund',
        text: 'dry after three days',
        traceFile: 'survey-closed.csv',
      },
    ],
    closing: {
      ...{
        odometer_km: 31_200,
        by: 'J. Sund',
        handedOverAt: 1,
        notesNext: 'Lower housing screw is 22 mm, the upper 35: do not swap. Tap of the radiator turns left.',
      },
      nextDue: { what: 'Coolant', on: '2026-10-15', at_km: 90_000, source: 'handbook' },
    },
  }),
  yearly('demo-survey-2', 740, -5, 353, {}),
  yearly('demo-survey-3', 30, -10, 354, {
    complaint: 'Yearly check with a log. Driver says it takes a little longer.',
    state: 'to-look-at',
  }),
];
