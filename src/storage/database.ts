import { Dexie, type EntityTable, type Table } from 'dexie';
import { journalMiddleware } from './journal/journalMiddleware';
import { completeReports } from './migrations/completeReports';
import { toChoices } from './migrations/toChoices';
import { toChronicle } from './migrations/toChronicle';
import { toExperience } from './migrations/toExperience';
import { toMarks } from './migrations/toMarks';
import type { PracticeRecord } from './practiceRecord';
import type {
  BinRecord,
  ClosingRecord,
  EntryRecord,
  FindingRecord,
  JobRecord,
  JournalRecord,
  PhotoRecord,
  ProcedureRecord,
  RecordingRecord,
  RepairRecord,
  RunRecord,
  SettingRecord,
  StagedRecord,
  SummaryRecord,
  TraceRecord,
  TriageRecord,
  VehicleRecord,
} from './records';

/** Everything the shop keeps, in this browser. */
export class VarmekDatabase extends Dexie {
  vehicles!: EntityTable<VehicleRecord, 'id'>;
  jobs!: EntityTable<JobRecord, 'id'>;
  entries!: EntityTable<EntryRecord, 'id'>;
  traces!: EntityTable<TraceRecord, 'id'>;
  findings!: EntityTable<FindingRecord, 'traceId'>;
  photos!: EntityTable<PhotoRecord, 'id'>;
  settings!: EntityTable<SettingRecord, 'key'>;
  recordings!: EntityTable<RecordingRecord, 'id'>;
  runs!: EntityTable<RunRecord, 'id'>;
  triage!: EntityTable<TriageRecord, 'id'>;
  summaries!: EntityTable<SummaryRecord, 'jobId'>;
  repairs!: EntityTable<RepairRecord, 'id'>;
  procedures!: EntityTable<ProcedureRecord, 'id'>;
  practice!: EntityTable<PracticeRecord, 'id'>;
  closings!: EntityTable<ClosingRecord, 'id'>;
  bin!: EntityTable<BinRecord, 'id'>;
  journal!: Table<JournalRecord, number>;
  staged!: Table<StagedRecord, number>;

  constructor(name = 'varmek') {
    super(name, {
      // What a screen shows as kept is kept: no query answers with what is still on its way.
      cache: 'disabled',
      // Kept means on the disk, not only handed to the system: the power goes in a garage too.
      chromeTransactionDurability: 'strict',
    });
    this.version(1).stores({
      vehicles: 'id, plate, updatedAt',
      jobs: 'id, vehicleId, state, updatedAt',
      traces: 'id, jobId, vehicleId, importedAt, judging.state',
      findings: 'traceId, jobId',
      photos: 'id, jobId',
      settings: 'key',
    });
    this.version(2).stores({ recordings: 'id, jobId', triage: 'id, addedAt' }).upgrade(completeReports);
    this.version(3).stores({ entries: 'id, jobId', summaries: 'jobId' }).upgrade(toChronicle);
    this.version(4).stores({ runs: 'id, jobId' }).upgrade(toChoices);
    this.version(5).upgrade(toMarks);
    this.version(6).stores({ repairs: 'id, jobId', procedures: 'id' });
    this.version(7).stores({ closings: 'id, jobId' });
    this.version(8).upgrade(toExperience);
    this.version(9).stores({ bin: 'id, deletedAt', journal: '++id, scope, group, at', staged: '++id, table' });
    this.version(10).stores({ practice: 'id, startedAt' });
    this.use(journalMiddleware);
  }
}

let instance: VarmekDatabase | undefined;

/** The one database; opened lazily, never while rendering on the server. */
export const database = (): VarmekDatabase => (instance ??= new VarmekDatabase());
