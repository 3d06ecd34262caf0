import type { BrowserContext, Page } from '@playwright/test';
import { oldStore, revived, tablesOf, type OldStore } from '../../tests/fixtures/stores/oldStores';
import { kill, refuseByChance, type Fault } from './faultKinds';
import { dumpStore, halves, type StoreDump } from './store';

/** How often the small shop of a fixture stands in the store, so that its migration takes its time. */
const SHOPS = 60;
/** A migration begins with the page and is over sooner than what is done by hand. */
const SOONER = 0.4;
/** Letters of a lost row that are told. */
const SHOWN = 160;
/** Dexie counts its versions in tenths. */
const VERSIONS_PER_STEP = 10;
/** Made by the program while it runs, not by the migration. */
const MADE_ANEW: readonly string[] = ['summaries', 'settings', 'findings', 'journal', 'staged'];
/** What is judged and listed as soon as the store is open. */
const CHANGES: readonly string[] = ['judging', 'revision', 'updatedAt'];

type OldStoreRows = OldStore['tables'];

/** A store of an earlier version as large as a garage: the fixture over and over, with ids of its own each time. */
function manyShops(version: number): OldStoreRows {
  const { tables } = oldStore(version);
  const ids = Object.entries(tables)
    .flatMap(([table, rows]) => (table === 'settings' ? [] : rows.map((r) => r.id)))
    .filter((id) => typeof id === 'string' && id.length > 8 && !id.includes(' '));
  const shop = (n: number): OldStoreRows => {
    let text = JSON.stringify(tables);
    for (const id of ids) text = text.replaceAll(String(id), `${String(id)}-${n}`);
    return JSON.parse(text) as OldStoreRows;
  };
  const shops = Array.from({ length: SHOPS }, (_, n) => shop(n));
  return Object.fromEntries(
    Object.keys(tables).map((table) => [
      table,
      table === 'settings' || table === 'procedures' || table === 'journal'
        ? tables[table]!
        : shops.flatMap((s) => s[table] ?? []),
    ]),
  );
}

/** What a page needs to write an old store. */
interface Filling {
  readonly version: number;
  readonly tables: Readonly<Record<string, string>>;
  readonly rows: OldStoreRows;
}

/** Writes a store as its code left it; runs in a page, which has `revive` from outside. */
async function fillInPage({ version, tables, rows }: Filling, revive: (v: unknown) => unknown): Promise<void> {
  const opening = indexedDB.open('varmek', version);
  opening.onupgradeneeded = () => {
    for (const [name, keys] of Object.entries(tables)) {
      const [first, ...indices] = keys.split(', ');
      const keyPath = first!.replace('++', '');
      const table = opening.result.createObjectStore(name, { keyPath, autoIncrement: keyPath !== first });
      for (const index of indices) table.createIndex(index, index);
    }
  };
  const db = await new Promise<IDBDatabase>((done, failed) => {
    opening.onsuccess = () => done(opening.result);
    opening.onerror = () => failed(opening.error!);
  });
  const writing = db.transaction([...db.objectStoreNames], 'readwrite');
  for (const [name, of] of Object.entries(rows)) for (const row of of) writing.objectStore(name).put(revive(row));
  await new Promise<void>((done, failed) => {
    writing.oncomplete = () => done();
    writing.onabort = () => failed(writing.error!);
  });
  db.close();
}

/** Writes a store of an earlier version, past the program. */
const fill = (page: Page, version: number): Promise<void> => {
  const filling: Filling = {
    version: version * VERSIONS_PER_STEP,
    tables: tablesOf(version),
    rows: manyShops(version),
  };
  // The page gets both functions as text: it has no program to take them from.
  return page.evaluate(`(() => {
    ${revived.toString()}
    return (${fillInPage.toString()})(${JSON.stringify(filling)}, revived);
  })()`);
};

/** Rows of a store as text by which two of them can be compared, and how often each stands there. */
function told(store: StoreDump): ReadonlyMap<string, number> {
  const rows = new Map<string, number>();
  for (const [table, of] of Object.entries(store)) {
    if (MADE_ANEW.includes(table)) continue;
    // Entries that a migration makes of something else get an id of their own.
    const changes = table === 'entries' ? [...CHANGES, 'id'] : CHANGES;
    for (const row of of) {
      const stays = Object.fromEntries(Object.entries(row).filter(([field]) => !changes.includes(field)));
      const text = `${table} ${JSON.stringify(stays)}`;
      rows.set(text, (rows.get(text) ?? 0) + 1);
    }
  }
  return rows;
}

/** What the program makes of a store of each version when nothing breaks. */
const unbroken = new Map<number, StoreDump>();

async function look(context: BrowserContext, address: string): Promise<StoreDump> {
  const page = await context.newPage();
  await page.goto(`${address}/keeping`);
  await page.getByRole('heading', { name: 'Bin' }).waitFor();
  const store = await dumpStore(page);
  await page.close();
  return store;
}

/** A new place with the store of an earlier version. @param open makes a new, empty browser */
async function garageOf(open: () => Promise<BrowserContext>, address: string, version: number) {
  const context = await open();
  const page = await context.newPage();
  // A file of the origin that is not the program.
  await page.goto(`${address}/offline.js`);
  await fill(page, version);
  await page.close();
  return context;
}

/**
 * Opens a store of an earlier version, breaks its migration off, opens it again, and compares with what comes of it
 * unbroken.
 *
 * @returns what is lost, in words
 */
export async function migrationRound(
  open: () => Promise<BrowserContext>,
  address: string,
  version: number,
  fault: Fault,
): Promise<{ readonly losses: readonly string[]; readonly wasKilled: boolean }> {
  if (!unbroken.has(version)) {
    const whole = await garageOf(open, address, version);
    unbroken.set(version, await look(whole, address));
    await whole.close();
  }
  const context = await garageOf(open, address, version);
  const page = await context.newPage();
  if (fault.kind === 'refusals') await refuseByChance(page, fault.seed);
  let isOver = false;
  const opening = page
    .goto(`${address}/keeping`)
    .then(() => page.getByRole('heading', { name: 'Bin' }).waitFor({ timeout: 3000 }))
    .catch(() => undefined)
    .finally(() => {
      isOver = true;
    });
  await (fault.kind === 'kill'
    ? Promise.race([opening, new Promise((over) => setTimeout(over, SOONER * fault.at_ms))])
    : opening);
  const wasKilled = !isOver;
  await kill(context, page);
  await opening;
  const store = await look(context, address);
  await context.close();
  const now = told(store);
  const whole = unbroken.get(version)!;
  const losses = [...told(whole)]
    .filter(([row, times]) => now.get(row) !== times)
    .map(([row]) => `lost or changed by the migration of ${version}: ${row.slice(0, SHOWN)}`);
  // A store of old may hold what no version of now would leave so.
  const were = halves(whole);
  return { losses: [...losses, ...halves(store).filter((h) => !were.includes(h))], wasKilled };
}
