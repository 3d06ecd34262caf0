import type { Page } from '@playwright/test';

/** Rows of the store as plain data, by table. */
export type StoreDump = Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>;

/** Reads every table as it lies in the browser, past the program. */
export const dumpStore = (page: Page): Promise<StoreDump> =>
  page.evaluate(async () => {
    const opening = indexedDB.open('varmek');
    const db = await new Promise<IDBDatabase>((done, failed) => {
      opening.onsuccess = () => done(opening.result);
      opening.onerror = () => failed(opening.error!);
    });
    const names = [...db.objectStoreNames];
    const reading = db.transaction(names);
    const plain = (v: unknown): unknown => {
      if (v instanceof Blob) return `blob of ${v.size}`;
      if (ArrayBuffer.isView(v)) return `${v.byteLength} bytes`;
      if (Array.isArray(v)) return v.map(plain);
      if (typeof v !== 'object' || v === null) return v;
      return Object.fromEntries(Object.entries(v).map(([k, x]) => [k, plain(x)]));
    };
    const tables = names.map(async (name) => {
      const all = reading.objectStore(name).getAll();
      const rows = await new Promise<unknown[]>((done) => (all.onsuccess = () => done(all.result)));
      return [name, rows.map(plain)] as const;
    });
    const dump = Object.fromEntries(await Promise.all(tables));
    db.close();
    return dump as never;
  });

const ids = (rows: StoreDump[string] | undefined, key = 'id') => new Set((rows ?? []).map((r) => String(r[key])));

/** Tables whose rows belong to a job. */
const OF_JOBS = ['entries', 'traces', 'findings', 'photos', 'recordings', 'runs', 'repairs', 'closings'] as const;

/** What of a store is only half there: rows without what they belong to, drives without their log and logs without it. */
export function halves(store: StoreDump): string[] {
  const jobs = ids(store.jobs);
  const traces = ids(store.traces);
  const vehicles = ids(store.vehicles);
  const findings = ids(store.findings, 'traceId');
  const drives = ids(
    (store.entries ?? []).filter((e) => e.kind === 'drive'),
    'traceId',
  );
  const orphans = OF_JOBS.flatMap((table) =>
    (store[table] ?? [])
      .filter((r) => !jobs.has(String(r.jobId)))
      .map((r) => `${table}: row of job ${String(r.jobId)}`),
  );
  return [
    ...orphans,
    ...(store.jobs ?? [])
      .filter((j) => !vehicles.has(String(j.vehicleId)))
      .map((j) => `job ${String(j.id)}: no vehicle`),
    ...[...traces].filter((id) => !drives.has(id)).map((id) => `log ${id}: not in the chronicle`),
    ...[...drives].filter((id) => !traces.has(id)).map((id) => `drive ${id}: no log`),
    ...(store.traces ?? [])
      .filter((t) => (t.judging as { state: string }).state === 'done' && !findings.has(String(t.id)))
      .map((t) => `log ${String(t.id)}: said to be judged, no finding`),
    ...(store.findings ?? [])
      .filter((f) => !traces.has(String(f.traceId)))
      .map((f) => `finding of ${String(f.traceId)}`),
  ];
}
