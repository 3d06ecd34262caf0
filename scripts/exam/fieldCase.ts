import { fieldDrive, fieldTruth } from '../learn/fieldSet';
import type { ExamRequest } from './case';
import { judgedOutside, type OutsideCase } from './outsideCase';

/** Judges drive `index` of a field set. */
export async function runFieldCase(index: number, { folder }: Pick<ExamRequest, 'folder'>): Promise<OutsideCase> {
  if (folder === undefined) throw new Error('field: no folder given');
  const t = fieldTruth(folder)[index]!;
  const { trace, vehicle } = await fieldDrive(folder, t);
  const known = {
    id: t.id,
    group: t.vehicle.replace(/^.*\/|\.json$/g, ''),
    causes: t.causes,
    hotStart: t.start === 'hot',
    observable: t.expect === 'cause' && t.observable,
    clear: t.clear,
    channels: t.channels === 'ect-only' ? ('temperature-only' as const) : t.channels,
  };
  return judgedOutside(known, trace, vehicle);
}
