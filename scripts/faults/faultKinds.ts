import type { BrowserContext, Page } from '@playwright/test';

/** Longest time from the first touch until a tab is killed, ms: most actions take about this long. */
const KILLED_WITHIN_MS = 1500;
/** Share of the writes that are refused. */
const REFUSED = 0.3;
/** Share of the faults that kill. */
const KILLS = 0.7;

/** Longest time that a process takes to die, ms. */
const DIES_WITHIN_MS = 3000;

/** What breaks. */
export type Fault =
  | { readonly kind: 'kill'; readonly at_ms: number }
  /** About every third write of the page is refused. */
  | { readonly kind: 'refusals'; readonly seed: number };

/** Draws what breaks. @param draw uniform between 0 and 1 */
export function drawFault(draw: () => number): Fault {
  const kind = draw();
  const size = draw();
  if (kind < KILLS) return { kind: 'kill', at_ms: size * KILLED_WITHIN_MS };
  return { kind: 'refusals', seed: Math.floor(size * 2 ** 32) };
}

/** A fault in words. */
export function faultText(fault: Fault): string {
  return fault.kind === 'kill' ? `killed at ${Math.round(fault.at_ms)} ms` : 'with writes refused';
}

/** Lets writes of a page be refused as on a full disk, by chance. */
export const refuseByChance = (page: Page, seed: number) =>
  page.addInitScript(
    ([from, refused]) => {
      let state = from!;
      // Source of the constants: Numerical Recipes, chapter 7.1.
      const chance = () => (state = (1_664_525 * state + 1_013_904_223) % 4_294_967_296) / 4_294_967_296;
      for (const name of ['put', 'add'] as const) {
        const write = IDBObjectStore.prototype[name];
        IDBObjectStore.prototype[name] = function refusing(this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
          if (chance() < refused!) throw new DOMException('The disk is full.', 'QuotaExceededError');
          return write.apply(this, args);
        };
      }
    },
    [seed, REFUSED],
  );

/**
 * Gives a browser so much room for an origin and no more, in pages and workers. The browser remembers how much there
 * was, so this comes before its store is opened, and holds until the context is closed.
 */
export async function limitRoom(context: BrowserContext, address: string, room_bytes: number): Promise<void> {
  const page = await context.newPage();
  await page.goto(`${address}/offline.js`);
  const session = await context.newCDPSession(page);
  await session.send('Storage.overrideQuotaForOrigin', { origin: new URL(address).origin, quotaSize: room_bytes });
}

/** Kills the process of a tab, as the system does when it runs out of memory. */
export async function kill(context: BrowserContext, page: Page): Promise<void> {
  const session = await context.newCDPSession(page);
  const crashed = page.waitForEvent('crash', { timeout: DIES_WITHIN_MS }).catch(() => undefined);
  // It never answers: there is nobody left to.
  void session.send('Page.crash').catch(() => undefined);
  await crashed;
  await page.close();
}
