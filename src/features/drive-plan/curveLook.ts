import type { Cause } from '@/core/base';
import { causeName } from '@/core/evidence';
import type { PlanPrediction } from '@/core/planning';
import { causeLook } from '@/job/causeLook';
import type { LegendEntry } from '@/ui/ChartLegend';

const DASHES = ['0', '9 4', '3 3', '12 3 3 3', '6 2', '2 6'] as const;

/** Line style of the n-th cause in play: families share a colour, the dash tells their members apart. */
export const dashOf = (n: number): string => DASHES[n % DASHES.length]!;

/** Colour of a cause by its family. */
export const causeColour = (cause: Cause): string => causeLook(cause).colour;

/** Names of the predicted curves, with what is logged first. */
export const liveLegend = (prediction: PlanPrediction): LegendEntry[] => [
  { label: 'logged', colour: 'var(--trace)', width: 4 },
  ...prediction.bands.map((b, i) => ({
    label: causeName(b.cause).toLowerCase(),
    colour: causeColour(b.cause),
    width: 2.5,
    dash: dashOf(i),
  })),
];
