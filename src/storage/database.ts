import { Dexie, type EntityTable } from 'dexie';
import type { ImportReport, ReadOptions } from '@/core/formats';
import type {
  FindingRecord,
  JobRecord,
  PhotoRecord,
  RecordingRecord,
  SettingRecord,
  TraceRecord,
  TriageRecord,
  VehicleRecord,
} from './records';

/** Everything the shop keeps, in this browser. */
export class VarmekDatabase extends Dexie {
  vehicles!: EntityTable<VehicleRecord, 'id'>;
  jobs!: EntityTable<JobRecord, 'id'>;
  traces!: EntityTable<TraceRecord, 'id'>;
  findings!: EntityTable<FindingRecord, 'traceId'>;
  photos!: EntityTable<PhotoRecord, 'id'>;
  settings!: EntityTable<SettingRecord, 'key'>;
  recordings!: EntityTable<RecordingRecord, 'id'>;
  triage!: EntityTable<TriageRecord, 'id'>;

  constructor(name = 'varmek') {
    super(name);
    this.version(1).stores({
      vehicles: 'id, plate, updatedAt',
      jobs: 'id, vehicleId, state, updatedAt',
      traces: 'id, jobId, vehicleId, importedAt, judging.state',
      findings: 'traceId, jobId',
      photos: 'id, jobId',
      settings: 'key',
    });
    // Reports tell more since version 2: what earlier ones did not record is said to be unknown.
    this.version(2)
      .stores({ recordings: 'id, jobId', triage: 'id, addedAt' })
      .upgrade((change) =>
        change
          .table<TraceRecord>('traces')
          .toCollection()
          .modify((record: { report: ImportReport; options?: ReadOptions }) => {
            record.report = completeReport(record.report);
            record.options = {};
          }),
      );
  }
}

function completeReport(
  old: Partial<ImportReport> & Pick<ImportReport, 'rows' | 'duration_s' | 'columns'>,
): ImportReport {
  return {
    format: 'delimited text',
    ignored: [],
    notes: [],
    cleaning: [],
    clock: null,
    headers: old.columns.map((c) => c.header),
    ...old,
    columns: old.columns.map((c, column) => ({
      ...{ column, confidence: 'sure' as const, why: 'from its header' },
      ...c,
    })),
  };
}

let instance: VarmekDatabase | undefined;

/** The one database; opened lazily, never while rendering on the server. */
export const database = (): VarmekDatabase => (instance ??= new VarmekDatabase());
