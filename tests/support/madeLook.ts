import type { DriveLook, FeatureRow } from '@/core/desk';
import { FEATURES } from '@/core/drive';
import type { CodeResult } from '@/core/monitor';
import type { ProofDrive } from '@/core/proof';
import { testFeatureDrive, testTrace } from './testDrive';

/** A figure of a made-up drive: its value, uncertainty, and what a sound vehicle shows. */
export type MadeFigure = readonly [value: number, sd: number, expected?: readonly [number, number] | null];

/** A made-up look at a drive with these figures; all others were not told. */
export function madeLook(
  figures: Readonly<Partial<Record<FeatureRow['name'], MadeFigure>>> = {},
  driven: Parameters<typeof testTrace>[1] = {
    ect_c: (t) => Math.min(88, 5 + t / 8),
    speed_kmh: () => 60,
    rpm: () => 2000,
  },
  options: { readonly seconds?: number; readonly outside_c?: number | null } = {},
): DriveLook {
  const { seconds = 1500, outside_c = 5 } = options;
  const drive = testFeatureDrive(testTrace(seconds, driven), outside_c === null ? {} : { outside_c });
  const features = FEATURES.map(({ name, label, unit }): FeatureRow => {
    const made = figures[name];
    return {
      ...{ name, label, unit, expected: made?.[2] ?? null, why: made ? '' : 'not told in this test' },
      told: made ? { value: made[0], sd: made[1], from_s: 600, to_s: 1200 } : null,
    };
  });
  const { series, smooth, phases, threshold_c } = drive;
  return { series, smooth, phases, features, heatSource: 'air-flow', threshold_c, outside_c: drive.outside_c };
}

/** The warm-up monitor's verdict on a made-up drive. */
export const madeMonitor = (ran: boolean, wouldSet: boolean | null, margin_k: number | null = 8): CodeResult => ({
  ...{ code: 'P0128', ran, whyNot: [], wouldSet, at_s: ran ? 600 : null, margin_k, drivesToLamp: 2 },
});

/** Figures of a drive as a sound car of 88 °C makes it. */
export const SOUND_FIGURES = {
  bend: [87.4, 0.8, [85, 91]],
  plateau: [89, 0.5, [86, 93]],
  'speed-sag': [-0.05, 0.1, [-0.4, 0.3]],
  'minutes-above-limit': [0, 0, null],
} as const satisfies Readonly<Partial<Record<FeatureRow['name'], MadeFigure>>>;

/** A drive after the work with these figures. */
export const madeProofDrive = (
  figures: Parameters<typeof madeLook>[0] = SOUND_FIGURES,
  monitors: readonly CodeResult[] = [madeMonitor(true, false)],
): ProofDrive => ({ traceId: 'after', at: 100, look: madeLook(figures), monitors });
