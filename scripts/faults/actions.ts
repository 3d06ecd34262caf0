import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { StoreDump } from './store';

/** Something that the program said was kept, and how to find it in the store. */
export interface Claim {
  readonly what: string;
  readonly holds: (store: StoreDump) => boolean;
}

/** One thing that a person does. It claims what the screen says is kept, at the moment when it says so. */
export interface Action {
  readonly name: string;
  /** Comes to where it is done; nothing breaks meanwhile. */
  readonly come: (page: Page, round: number) => Promise<void>;
  readonly run: (page: Page, round: number, claim: (claim: Claim) => void) => Promise<void>;
}

/** The job on which everything is done. */
export interface Place {
  readonly address: string;
  readonly jobId: string;
}

export const rowsOf = (store: StoreDump, table: string) => store[table] ?? [];

/** A short warm-up, another in each round. */
function log(round: number): string {
  const rows = Array.from(
    { length: 240 },
    (_, t) => `${t},${Math.round(10 + round / 100 + 60 * (1 - Math.exp(-t / 90)))},6`,
  );
  return `time_s,ect_c,ambient_c\n${rows.join('\n')}\n${240 + round},70,6\n`;
}

const text = (at: Place): Action => ({
  name: 'a text',
  come: async (page) => {
    await page.goto(`${at.address}/jobs/${at.jobId}/arrival`);
    await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
  },
  run: async (page, round, claim) => {
    const words = `words of round ${round}`;
    await page.getByLabel('In the customer’s words').fill(words);
    await page
      .locator('#complaint-state')
      .filter({ hasText: /^Saved$/ })
      .waitFor();
    // A later text may be kept without having been said to be.
    const latest = (complaint: unknown) =>
      Math.max(...[...String(complaint).matchAll(/\d+/g)].map((m) => Number(m[0])));
    claim({
      what: words,
      holds: (s) => rowsOf(s, 'jobs').some((j) => j.id === at.jobId && latest(j.complaint) >= round),
    });
  },
});

const code = (at: Place): Action => ({
  name: 'a code',
  come: async (page) => {
    await page.goto(`${at.address}/jobs/${at.jobId}/arrival`);
    await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
  },
  run: async (page, round, claim) => {
    const typed = `P1${String(round % 1000).padStart(3, '0')}`;
    await page.getByLabel('Code', { exact: true }).fill(typed);
    await page.getByRole('button', { name: 'Add the code' }).click();
    await page.getByRole('button', { name: `Keep ${typed}` }).click();
    await page.getByRole('listitem').filter({ hasText: typed }).waitFor();
    claim({ what: typed, holds: (s) => rowsOf(s, 'entries').some((e) => e.kind === 'code' && e.code === typed) });
  },
});

const tick = (at: Place): Action => ({
  name: 'a tick',
  come: async (page) => {
    await page.goto(`${at.address}/jobs/${at.jobId}/arrival`);
    await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
  },
  run: async (page, round, claim) => {
    const box = page.getByRole('checkbox').nth(round % 6);
    const was = await box.getAttribute('aria-checked');
    const now = was === 'true' ? 'false' : 'true';
    await box.click();
    await page.locator(`[role=checkbox][aria-checked=${now}]`).nth(0).waitFor();
    const label = (await box.textContent())!.replace('✓', '');
    if ((await box.getAttribute('aria-checked')) !== now) return;
    const count = await page.locator('[role=checkbox][aria-checked=true]').count();
    const live = (s: StoreDump) =>
      rowsOf(s, 'entries').filter((e) => e.jobId === at.jobId && e.kind === 'statement' && e.takenBack !== true);
    claim({ what: `${label}: ${now}, ${count} ticked`, holds: (s) => live(s).length === count });
  },
});

const drive = (at: Place): Action => ({
  name: 'a log',
  come: async (page) => {
    await page.goto(`${at.address}/jobs/${at.jobId}`);
    await page.getByTestId('log-file').waitFor({ state: 'attached' });
  },
  run: async (page, round, claim) => {
    await page
      .getByTestId('log-file')
      .setInputFiles({ name: `round ${round}.csv`, mimeType: 'text/csv', buffer: Buffer.from(log(round)) });
    await page.getByRole('button', { name: 'Take the log back' }).waitFor();
    claim({
      what: `round ${round}.csv`,
      holds: (s) => rowsOf(s, 'traces').some((t) => t.fileName === `round ${round}.csv`),
    });
  },
});

const bin = (at: Place): Action => ({
  name: 'a deletion',
  come: async (page, round) => {
    await page.goto(`${at.address}/jobs/new`);
    await page.getByLabel('What the customer says').fill(`gone in ${round}`);
  },
  run: async (page, round, claim) => {
    await page.getByRole('button', { name: 'Open the job' }).click();
    await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
    const named = (rows: StoreDump[string]) =>
      rows.filter((r) => String(r.complaint ?? r.label).includes(`gone in ${round}`));
    claim({
      what: `job gone in ${round}: in the list or in the bin`,
      holds: (s) => named(rowsOf(s, 'jobs')).length + named(rowsOf(s, 'bin')).length === 1,
    });
    await page.locator('summary', { hasText: 'Job' }).click();
    await page.getByRole('button', { name: 'Delete job' }).click();
    await page.getByText(/is in the bin for/).waitFor();
    claim({ what: `deletion of ${round}`, holds: (s) => named(rowsOf(s, 'bin')).length === 1 });
  },
});

/** A backup, and at once its restoring: whatever breaks it off, the shop is as it was, or as the backup is: the same. */
const backup = (at: Place): Action => ({
  name: 'a backup and its restoring',
  come: async (page) => {
    await page.goto(`${at.address}/keeping`);
    await page.getByRole('heading', { name: 'Bin' }).waitFor();
  },
  run: async (page, round, claim) => {
    const saving = page.waitForEvent('download');
    // The tab may be killed before anything waits for it.
    saving.catch(() => undefined);
    await page.getByRole('button', { name: 'Save a backup' }).click();
    const path = await (await saving).path();
    await page.getByTestId('backup-file').setInputFiles({
      name: 'backup.zip',
      mimeType: 'application/zip',
      buffer: readFileSync(path),
    });
    await page.getByTestId('restore-preview').waitFor();
    const way = round % 2 === 0 ? 'Put in place of what is here' : 'Add to what is here';
    await page.getByRole('button', { name: way }).click();
    await page.getByText(/The backup is (restored|added)/).waitFor();
    claim({ what: 'the job of the backup', holds: (s) => rowsOf(s, 'jobs').some((j) => j.id === at.jobId) });
  },
});

/** A job saved as a file and opened beside the first: all of it, or none. */
const jobFile = (at: Place): Action => {
  let file: Buffer | null = null;
  return {
    name: 'a job file',
    come: async (page) => {
      await page.goto(`${at.address}/jobs/${at.jobId}/arrival`);
      await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
      const saving = page.waitForEvent('download');
      await page.locator('summary', { hasText: 'Job' }).click();
      await page.getByRole('button', { name: 'Save job as a file' }).click();
      file = readFileSync(await (await saving).path());
      await page.goto(at.address);
      await page.getByTestId('job-file').waitFor({ state: 'attached' });
    },
    run: async (page, _round, claim) => {
      await page.getByTestId('job-file').setInputFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: file! });
      await page.waitForURL(/jobs\/[^/]+\/arrival/);
      const id = /jobs\/([^/]+)/.exec(page.url())![1]!;
      await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
      claim({ what: `opened job ${id}`, holds: (s) => rowsOf(s, 'jobs').some((j) => j.id === id) });
    },
  };
};

/** A log, and the judgement of it: one that is said to be judged has its finding, whatever was broken off. */
const judgement = (at: Place): Action => ({
  ...drive(at),
  name: 'a judgement',
  run: async (page, round, claim) => {
    await drive(at).run(page, round, claim);
    await page.getByTestId('why').waitFor();
    claim({
      what: `finding of round ${round}`,
      holds: (s) => {
        // An opened job file has logs of the same name, which are judged anew.
        const trace = rowsOf(s, 'traces').find((t) => t.jobId === at.jobId && t.fileName === `round ${round}.csv`);
        return rowsOf(s, 'findings').some((f) => f.traceId === trace?.id);
      },
    });
  },
});

/** A test of a practice case. */
const practice = (at: Place): Action => ({
  name: 'a practice test',
  come: async (page) => {
    await page.goto(`${at.address}/practice`);
    await page.getByRole('button', { name: 'Clear', exact: true }).waitFor();
  },
  run: async (page, _round, claim) => {
    await page.getByRole('button', { name: 'Clear', exact: true }).click();
    await page.getByTestId('practice-card').waitFor();
    const id = page.url().split('/').at(-1)!;
    for (let taken = 1; taken <= 5; taken++) {
      await page.getByRole('region', { name: 'Cold, bonnet open' }).getByRole('button').first().click();
      await page
        .getByTestId('practice-steps')
        .getByRole('listitem')
        .nth(taken - 1)
        .waitFor();
      const steps = (s: StoreDump) => {
        const row = rowsOf(s, 'practice').find((p) => p.id === id) as { sheet: { steps: unknown[] } } | undefined;
        return row?.sheet.steps.length ?? 0;
      };
      claim({ what: `practice ${id}`, holds: (s) => steps(s) >= taken });
    }
  },
});

/** A drive logged from the simulated adapter, with a mark; every other one becomes a log. */
const live = (at: Place): Action => ({
  name: 'a live log',
  come: async (page) => {
    await page.goto(`${at.address}/jobs/${at.jobId}/drive/live`);
    await page.getByLabel('Simulated vehicle').waitFor();
  },
  run: async (page, round, claim) => {
    // A log made of a recording holds its rows; a recording under way grows.
    const holds = (s: StoreDump, isIn: (recording: StoreDump[string][number]) => boolean) =>
      rowsOf(s, 'recordings').some((r) => r.jobId === at.jobId && isIn(r)) ||
      rowsOf(s, 'traces').some((t) => t.jobId === at.jobId && t.simulated === true);
    await page.getByLabel('How fast').selectOption('60');
    await page.getByRole('button', { name: /Start logging|Go on logging/ }).click();
    await page.getByRole('timer').filter({ hasText: /[1-9]/ }).waitFor();
    const words = `mark of round ${round}`;
    await page.getByLabel('Own mark').fill(words);
    await page.getByRole('button', { name: 'Mark', exact: true }).click();
    await page.getByTestId('marks').getByText(words).waitFor();
    const isUnkept = () => page.getByTestId('unkept').isVisible();
    if (!(await isUnkept())) {
      const marked = (r: StoreDump[string][number]) => (r.marks as { text: string }[]).some((m) => m.text === words);
      claim({ what: words, holds: (s) => holds(s, marked) });
    }
    await page.getByRole('button', { name: 'Stop logging' }).click();
    await page.getByText('Stopped; all of it is kept').waitFor();
    const rows = Number(/(\d+) rows,/.exec(await page.getByText(/\d+ rows,/).innerText())![1]);
    claim({
      what: `${rows} rows of round ${round}`,
      holds: (s) => holds(s, (r) => (r.rows as unknown[]).length >= rows),
    });
    if (round % 2 === 0) return;
    await page.getByRole('button', { name: 'Finish and judge' }).click();
    await page.getByTestId('why').waitFor();
    claim({
      what: `live log of round ${round}`,
      holds: (s) => rowsOf(s, 'traces').some((t) => t.jobId === at.jobId && t.simulated === true),
    });
  },
});

/** Everything that is done while something breaks. */
export const actionsAt = (at: Place): readonly Action[] =>
  [text, code, tick, drive, bin, backup, jobFile, judgement, practice, live].map((make) => make(at));
