import type { CautionId } from '@/core/cautions';
import type { PlanRecord } from '@/storage/records';

/** The cautions of a drive, by what is driven. */
export function driveCautions(phases: PlanRecord['phases']): CautionId[] {
  const drives = (kind: PlanRecord['phases'][number]['kind']) => phases.some((p) => p.kind === kind);
  return [
    'suspect-car',
    'carbon-monoxide',
    'stay-with-it',
    ...(drives('hold') ? (['revving-in-place', 'belts-and-fan'] as const) : []),
    ...(drives('towing') ? (['tow-test'] as const) : []),
    'overheating-on-the-road',
  ];
}
