import type { BrowserContext, Page } from '@playwright/test';
import { randomLcg, randomUniform } from 'd3-random';
import { actionsAt, type Claim, type Place } from './actions';
import { dumpStore, halves } from './store';

/** What came of a run. */
export interface FaultReport {
  readonly rounds: number;
  /** Rounds whose tab was killed before its action was over, and whose disk was full. */
  readonly killed: number;
  readonly full: number;
  readonly claims: number;
  readonly losses: readonly string[];
}

/** Longest time from the first touch until a tab is killed, ms: most actions take about this long. */
const KILLED_WITHIN_MS = 1500;
/** Longest wait for an action that nothing kills, ms. */
const PATIENCE_MS = 6000;

/** Lets writes of a page fail as on a full disk, by chance. */
const fillByChance = (page: Page, seed: number) =>
  page.addInitScript((from) => {
    let state = from;
    // Source of the constants: Numerical Recipes, chapter 7.1.
    const chance = () => (state = (1_664_525 * state + 1_013_904_223) % 4_294_967_296) / 4_294_967_296;
    for (const name of ['put', 'add'] as const) {
      const write = IDBObjectStore.prototype[name];
      IDBObjectStore.prototype[name] = function refusing(this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
        if (chance() < 0.3) throw new DOMException('The disk is full.', 'QuotaExceededError');
        return write.apply(this, args);
      };
    }
  }, seed);

/** Kills the process of a tab, as the system does when it runs out of memory. */
async function kill(context: BrowserContext, page: Page): Promise<void> {
  const session = await context.newCDPSession(page);
  // It never answers: there is nobody left to.
  void session.send('Page.crash').catch(() => undefined);
  await new Promise((done) => setTimeout(done, 50));
  await page.close();
}

async function begin(context: BrowserContext, address: string): Promise<Place> {
  const page = await context.newPage();
  await page.goto(`${address}/vehicles/new?then=job`);
  await page.getByLabel('Name or plate').fill('Faults 1');
  await page.getByRole('button', { name: 'Save the vehicle' }).click();
  await page.getByRole('heading', { name: 'New job' }).waitFor();
  await page.locator('select:not([value=""])').first().waitFor();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await page.getByRole('heading', { name: 'Stored codes' }).waitFor();
  const jobId = /jobs\/([^/]+)/.exec(page.url())![1]!;
  await page.close();
  return { address, jobId };
}

/**
 * Does something, breaks it off at a moment drawn by chance, and looks whether everything that was said to be kept is
 * there and nothing is there by half; over and over in one store.
 *
 * @param seed the same seed draws the same rounds, and about the same moments
 */
export async function runFaults(
  context: BrowserContext,
  address: string,
  seed: number,
  rounds: number,
  tell: (line: string) => void = () => undefined,
): Promise<FaultReport> {
  const draw = randomUniform.source(randomLcg(seed))(0, 1);
  const place = await begin(context, address);
  const actions = actionsAt(place);
  const claims = new Map<string, Claim>();
  const losses: string[] = [];
  let killed = 0;
  let full = 0;
  for (let round = 1; round <= rounds; round++) {
    const action = actions[Math.floor(draw() * actions.length)]!;
    const isFull = draw() < 0.3;
    const at_ms = draw() * KILLED_WITHIN_MS;
    const page = await context.newPage();
    page.setDefaultTimeout(PATIENCE_MS);
    if (isFull) {
      await fillByChance(page, Math.floor(draw() * 2 ** 32));
      full++;
    }
    // How many are ticked is not known once a tick was broken off.
    if (action.name === 'a tick') claims.delete(action.name);
    await action.come(page, round);
    let isOver = false;
    let why = '';
    // One claim of a kind stands: a later text takes the place of an earlier one.
    const done = action
      .run(page, round, (claim) => void claims.set(action.name === 'a tick' ? 'a tick' : claim.what, claim))
      .catch((error: unknown) => {
        // Broken off, as it should be; told, so that an action that never gets anywhere is seen.
        why = error instanceof Error ? error.message.split('\n')[0]! : String(error);
      })
      .finally(() => {
        isOver = true;
      });
    // A full disk is left to be told; a tab is killed at its moment.
    await (isFull ? done : Promise.race([done, new Promise((over) => setTimeout(over, at_ms))]));
    const wasKilled = !isOver;
    if (wasKilled) killed++;
    await kill(context, page);
    await done;
    const looking = await context.newPage();
    await looking.goto(`${address}/keeping`);
    await looking.getByRole('heading', { name: 'Bin' }).waitFor();
    const store = await dumpStore(looking);
    await looking.close();
    const lost = [...claims.values()].filter((c) => !c.holds(store)).map((c) => `lost: ${c.what}`);
    const found = [...lost, ...halves(store).map((h) => `half: ${h}`)];
    for (const loss of found)
      losses.push(`round ${round}, ${action.name}${isFull ? ', full' : `, ${Math.round(at_ms)} ms`}: ${loss}`);
    if (found.length > 0) claims.clear();
    const how = isFull ? ' on a full disk' : wasKilled ? ` killed at ${Math.round(at_ms)} ms` : '';
    const came = found.length > 0 ? ` LOST ${found.length}` : wasKilled || why === '' ? '' : ` (${why})`;
    tell(`${round} ${action.name}${how}${came}, ${claims.size} claims stand`);
  }
  return { rounds, killed, full, claims: claims.size, losses };
}
