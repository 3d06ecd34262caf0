import type { Browser, BrowserContext, BrowserContextOptions } from '@playwright/test';
import { randomLcg, randomUniform } from 'd3-random';
import { OLD_VERSIONS } from '../../tests/fixtures/stores/oldStores';
import { actionsAt, type Claim, type Place } from './actions';
import { drawFault, faultText, kill, limitRoom, refuseByChance, type Fault } from './faultKinds';
import { migrationRound } from './migrationRound';
import { dumpStore, halves } from './store';

/** What came of a run. */
export interface FaultReport {
  readonly rounds: number;
  /** Rounds whose tab was killed before its action was over, and whose writes were refused by chance. */
  readonly killed: number;
  readonly refused: number;
  /** Rounds in a browser with little room, and in those the actions that did not come to their end. */
  readonly tight: number;
  readonly tightBroken: number;
  /** Migrations of earlier stores that were broken off. */
  readonly migrations: number;
  /** What was said to be kept and stood until the end of its garage. */
  readonly claims: number;
  readonly losses: readonly string[];
}

/** Longest wait for an action that nothing kills, ms. */
const PATIENCE_MS = 6000;
/** Share of the rounds that open a store of an earlier version. */
const MIGRATIONS = 0.1;
/** Room of a browser with little of it, bytes: a job with a log takes a tenth of the least. */
const TIGHT_BYTES = [200_000, 1_200_000] as const;
/** Where the room is short, a tab drawn to be killed later than this is left to be told, ms. */
const LEFT_ALONE_FROM_MS = 500;
/** Every so many garages one has little room. */
const TIGHT_EVERY = 3;

/** A garage: a browser of its own with one job, in which rounds are played. */
interface Garage {
  readonly context: BrowserContext;
  readonly place: Place;
  readonly isTight: boolean;
  readonly claims: Map<string, Claim>;
}

/** Opens an empty browser. */
async function emptyBrowser(browser: Browser, options: BrowserContextOptions = {}): Promise<BrowserContext> {
  const context = await browser.newContext({ acceptDownloads: true, ...options });
  // The loader of a script gives functions a helper of its own, which a page does not have.
  await context.addInitScript({ content: 'globalThis.__name = (f) => f;' });
  return context;
}

async function beginJob(context: BrowserContext, address: string): Promise<Place> {
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

async function openGarage(browser: Browser, address: string, room_bytes: number | null): Promise<Garage> {
  // The copy for use without the server would take all the room there is.
  const context = await emptyBrowser(browser, room_bytes === null ? {} : { serviceWorkers: 'block' });
  if (room_bytes !== null) await limitRoom(context, address, room_bytes);
  return {
    context,
    place: await beginJob(context, address),
    isTight: room_bytes !== null,
    claims: new Map(),
  };
}

/** What one round came to. */
interface Round {
  readonly wasKilled: boolean;
  /** Why the action did not come to its end; empty where it did. */
  readonly why: string;
  readonly losses: readonly string[];
}

/** Does one thing in a garage, breaks it off, and looks at everything that was said to be kept there. */
async function playRound(
  garage: Garage,
  number: number,
  pick: number,
  fault: Fault | null,
): Promise<Round & { what: string }> {
  const { context, place, claims } = garage;
  const actions = actionsAt(place);
  const action = actions[Math.floor(pick * actions.length)]!;
  const page = await context.newPage();
  page.setDefaultTimeout(PATIENCE_MS);
  if (fault?.kind === 'refusals') await refuseByChance(page, fault.seed);
  // How many are ticked is not known once a tick was broken off.
  if (action.name === 'a tick') claims.delete(action.name);
  let isOver = false;
  let why = '';
  const isHere = await action.come(page, number).then(
    () => true,
    (error: unknown) => {
      // A browser without room may not even get there.
      if (!garage.isTight) throw error;
      return false;
    },
  );
  // One claim of a kind stands: a later text takes the place of an earlier one.
  const claim = (c: Claim) => void claims.set(action.name === 'a tick' ? 'a tick' : c.what, c);
  const done = (isHere ? action.run(page, number, claim) : Promise.reject(new Error('not even there')))
    .catch((error: unknown) => {
      // Broken off, as it should be; told, so that an action that never gets anywhere is seen.
      why = error instanceof Error ? error.message.split('\n')[0]! : String(error);
    })
    .finally(() => {
      isOver = true;
    });
  // A full disk is left to be told; a tab is killed at its moment.
  const killedAt = fault?.kind === 'kill' ? fault.at_ms : null;
  await (killedAt === null ? done : Promise.race([done, new Promise((over) => setTimeout(over, killedAt))]));
  const wasKilled = !isOver;
  await kill(context, page);
  await done;
  const store = await lookInto(context, place.address);
  const lost = [...claims.values()].filter((c) => !c.holds(store)).map((c) => `lost: ${c.what}`);
  const losses = [...lost, ...halves(store).map((h) => `half: ${h}`)];
  if (losses.length > 0) claims.clear();
  return { what: action.name, wasKilled, why: wasKilled ? '' : why, losses };
}

async function lookInto(context: BrowserContext, address: string) {
  const page = await context.newPage();
  // A new tab may be given the process that is just dying, and goes with it.
  await page.goto(`${address}/keeping`).catch(() => page.goto(`${address}/keeping`));
  await page.getByRole('heading', { name: 'Bin' }).waitFor();
  const store = await dumpStore(page);
  await page.close();
  return store;
}

/**
 * Does something, breaks it off at a moment drawn by chance, and looks whether everything that was said to be kept is
 * there and nothing is there by half; over and over in one garage, then in the next.
 *
 * @param seed the same seed draws the same rounds, and about the same moments
 * @param roundsOfGarage rounds until a new garage is opened
 */
export async function runFaults(
  browser: Browser,
  address: string,
  { seed, rounds, roundsOfGarage = 25 }: { seed: number; rounds: number; roundsOfGarage?: number },
  tell: (line: string) => void = () => undefined,
): Promise<FaultReport> {
  const draw = randomUniform.source(randomLcg(seed))(0, 1);
  const losses: string[] = [];
  const counts = { killed: 0, refused: 0, tight: 0, tightBroken: 0, migrations: 0, claims: 0 };
  let garage: Garage | null = null;
  const leave = async () => {
    counts.claims += garage?.claims.size ?? 0;
    await garage?.context.close();
    garage = null;
  };
  for (let number = 1; number <= rounds; number++) {
    const nth = Math.floor((number - 1) / roundsOfGarage);
    if ((number - 1) % roundsOfGarage === 0) await leave();
    const [little, much] = TIGHT_BYTES;
    const room_bytes = nth % TIGHT_EVERY === 1 ? little + Math.floor(draw() * (much - little)) : null;
    garage ??= await openGarage(browser, address, room_bytes);
    const isMigration = draw() < MIGRATIONS;
    const pick = draw();
    const drawn = drawFault(draw);
    // Where the room is short, that is what breaks.
    const isLeftAlone =
      garage.isTight && !isMigration && (drawn.kind === 'refusals' || drawn.at_ms > LEFT_ALONE_FROM_MS);
    const fault = isLeftAlone ? null : drawn;
    const version = OLD_VERSIONS[Math.floor(pick * OLD_VERSIONS.length)]!;
    const round = isMigration
      ? {
          what: `a migration of ${version}`,
          why: '',
          ...(await migrationRound(() => emptyBrowser(browser), address, version, drawn)),
        }
      : await playRound(garage, number, pick, fault);
    if (round.wasKilled) counts.killed++;
    if (fault?.kind === 'refusals') counts.refused++;
    if (isMigration && (round.wasKilled || drawn.kind === 'refusals')) counts.migrations++;
    if (garage.isTight && !isMigration) counts.tight++;
    if (garage.isTight && round.why !== '') counts.tightBroken++;
    const where = garage.isTight && !isMigration ? ' with little room' : '';
    const how = fault && (round.wasKilled || fault.kind !== 'kill') ? `, ${faultText(fault)}` : '';
    for (const loss of round.losses) losses.push(`round ${number}, ${round.what}${where}${how}: ${loss}`);
    const came = round.losses.length > 0 ? ` LOST ${round.losses.length}` : round.why === '' ? '' : ` (${round.why})`;
    tell(`${number} ${round.what}${where}${how}${came}, ${garage.claims.size} claims stand`);
  }
  await leave();
  return { rounds, ...counts, losses };
}
