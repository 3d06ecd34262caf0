import type { Result } from '@/core/base';
import type { StagedBackup } from './stageBackup';
import type { RestoreWay, TableChange } from './restoreStaged';
import type { OnShare } from './writeBackup';

/** A backup laid ready, with what taking it in would change. */
export interface ReadyBackup extends StagedBackup {
  readonly changes: readonly TableChange[];
}

/** What the worker of backups does. Ending it in the middle leaves the shop as it was. */
export interface BackupApi {
  write(madeAt: number, onShare: OnShare): Promise<Result<Blob, string>>;
  /** One job as a file. */
  pack(jobId: string): Promise<Result<Blob, string>>;
  stage(file: Blob, onShare: OnShare): Promise<Result<ReadyBackup, string>>;
  restore(way: RestoreWay, onShare: OnShare): Promise<Result<void, string>>;
}
