import * as Comlink from 'comlink';
import { fail, ok, type Result } from '@/core/base';
import { packJob } from '../bundle/jobBundle';
import { loadJob } from '../jobs';
import { kept } from '../storageError';
import { rowsOfJob } from '../tables';
import type { BackupApi, ReadyBackup } from './backupApi';
import { previewStaged, restoreStaged } from './restoreStaged';
import { stageBackup } from './stageBackup';
import { writeBackup, type OnShare } from './writeBackup';

/** Share of the way that reading a backup takes of laying it ready; the rest is comparing. */
const READING = 0.8;
/** Share between two reports of progress. */
const STEP = 0.01;

/** Reports only every hundredth: a message for each row would take longer than the row. */
function sparing(onShare: OnShare): OnShare {
  let told = 0;
  return (share) => {
    if (share - told < STEP && share < 1) return;
    told = share;
    onShare(share);
  };
}

const worded = async <T>(work: () => Promise<T>): Promise<Result<T, string>> => {
  const done = await kept(work);
  return done.ok ? done : fail(done.error.message);
};

const api: BackupApi = {
  write: (madeAt, onShare) => worded(() => writeBackup(sparing(onShare), madeAt)),
  async pack(jobId) {
    const detail = await loadJob(jobId);
    if (!detail) return fail('This job is no longer here. Reload the page.');
    return worded(async () => packJob(detail.job, detail.vehicle, await rowsOfJob(jobId)));
  },
  async stage(file, onShare) {
    const told = sparing(onShare);
    const staged = await worded(() => stageBackup(file, (share) => told(READING * share)));
    if (!staged.ok) return staged;
    const ready = staged.value;
    if (!ready.ok) return ready;
    const changes = await worded(() => previewStaged((share) => told(READING + (1 - READING) * share)));
    return changes.ok ? ok<ReadyBackup>({ ...ready.value, changes: changes.value }) : changes;
  },
  restore: (way, onShare) => worded(() => restoreStaged(way, sparing(onShare))),
};

Comlink.expose(api);
