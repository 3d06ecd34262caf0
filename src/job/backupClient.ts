import * as Comlink from 'comlink';
import { fail, type Result } from '@/core/base';
import type { BackupApi, ReadyBackup } from '@/storage/backup/backupApi';
import type { RestoreWay } from '@/storage/backup/restoreStaged';
import type { OnShare } from '@/storage/backup/writeBackup';
import { callWorker, keptWorkers, type Running } from '@/workers/callWorker';

/** Work on a backup: its error is said in words; null when it was stopped. */
export interface RunningBackup<T> {
  readonly result: Promise<Result<T, string | null>>;
  readonly cancel: () => void;
}

/** They hold the store open, and end with their call. */
const BACKUP_WORKERS = keptWorkers<BackupApi>(() => {
  const worker = new Worker(new URL('../storage/backup/backup.worker.ts', import.meta.url), { type: 'module' });
  return { api: Comlink.wrap<BackupApi>(worker), worker };
}, 0);

function worded<T>({ result, cancel }: Running<T, string | { kind: 'cancelled' } | { kind: 'bug'; message: string }>) {
  const inWords = result.then((r): Result<T, string | null> => {
    if (r.ok) return r;
    if (typeof r.error === 'string') return fail(r.error);
    return fail(r.error.kind === 'cancelled' ? null : `This failed: ${r.error.message}. Nothing was changed.`);
  });
  return { result: inWords, cancel };
}

/** Packs the whole shop into a file. */
export const startBackup = (madeAt: number, onShare: OnShare): RunningBackup<Blob> =>
  worded(callWorker(BACKUP_WORKERS, (api, heard) => api.write(madeAt, heard(onShare))));

/** Packs one job into a file. */
export const startPacking = (jobId: string): RunningBackup<Blob> =>
  worded(callWorker(BACKUP_WORKERS, (api) => api.pack(jobId)));

/** Lays a backup ready, and looks what taking it in would change. */
export const startStaging = (file: Blob, onShare: OnShare): RunningBackup<ReadyBackup> =>
  worded(callWorker(BACKUP_WORKERS, (api, heard) => api.stage(file, heard(onShare))));

/** Takes in what was laid ready, all or nothing. */
export const startRestore = (way: RestoreWay, onShare: OnShare): RunningBackup<void> =>
  worded(callWorker(BACKUP_WORKERS, (api, heard) => api.restore(way, heard(onShare))));
