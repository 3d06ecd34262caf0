import type { Page } from '@playwright/test';
import { expect as strict, seriousFindings } from './support';

/** All that is wrong is told, not the first alone. */
const expect = strict.configure({ soft: true });

/** A tablet and a phone in the bay, and a window of 1280 by 800 at twice its size. */
export const NARROW = [
  { name: 'tablet', width: 820, height: 1180 },
  { name: 'phone', width: 390, height: 844 },
  { name: 'at 200 %', width: 640, height: 400 },
] as const;

/** What is wrong with the lie of a page: wider than the window, too small to press, cut off. */
function wrongLie(): string[] {
  const LEAST_PX = 43.5;
  const page = document.documentElement;
  const wrong: string[] = [];
  const over = page.scrollWidth - page.clientWidth;
  if (over > 0) wrong.push(`${over} px wider than the window`);
  const called = (e: Element) =>
    `${e.tagName} "${(e.getAttribute('aria-label') ?? e.textContent).trim().slice(0, 40)}"`;
  const shown = (e: Element) => {
    const { width, height } = e.getBoundingClientRect();
    return width > 1 && height > 1 && e.checkVisibility({ visibilityProperty: true }) && !e.closest('.sr-only');
  };
  // A word within a sentence may be as small as the sentence; what the keyboard skips stands elsewhere too.
  const inSentence = (e: Element) =>
    getComputedStyle(e).display === 'inline' &&
    (e.parentElement?.textContent.trim().length ?? 0) > e.textContent.trim().length + 3;
  for (const e of document.querySelectorAll<HTMLElement>('a[href],button,input,select,textarea,summary')) {
    if (!shown(e) || e.matches(':disabled') || e.tabIndex < 0 || inSentence(e)) continue;
    // What is pressed is the label around a small box or a bare field.
    const { width, height } = ((e instanceof HTMLInputElement && e.closest('label')) || e).getBoundingClientRect();
    if (Math.min(width, height) < LEAST_PX)
      wrong.push(`${Math.round(width)} by ${Math.round(height)} px: ${called(e)}`);
  }
  for (const e of document.querySelectorAll('main *')) {
    if (e.matches('[tabindex="-1"]')) continue;
    const cuts = /hidden|clip/.test(getComputedStyle(e).overflowX);
    if (cuts && shown(e) && e.scrollWidth > e.clientWidth + 1 && !e.matches('input,select,svg'))
      wrong.push(`cut off by ${e.scrollWidth - e.clientWidth} px: ${called(e)}`);
  }
  return wrong;
}

/** What takes the focus by the keyboard without showing it, or below something else. */
function wrongFocus(): string[] {
  const wrong: string[] = [];
  for (const e of document.querySelectorAll<HTMLElement>('a[href],button,input,select,textarea,summary,[tabindex]')) {
    if (e.tabIndex < 0 || e.matches(':disabled') || !e.checkVisibility()) continue;
    e.focus();
    if (document.activeElement !== e) continue;
    const ringed = [e, e.closest('label')].some((x) => {
      if (!x) return false;
      const { outlineStyle, outlineWidth } = getComputedStyle(x);
      return outlineStyle !== 'none' && Number.parseFloat(outlineWidth) >= 2;
    });
    if (!ringed) wrong.push(`focus not seen: ${e.tagName} "${(e.getAttribute('aria-label') ?? e.textContent).trim()}"`);
  }
  return wrong;
}

/** No serious finding of axe in the theme that is on. @param rules those alone, where the others were asked already */
export async function expectAxeClean(page: Page, rules?: string[]): Promise<void> {
  expect(await seriousFindings(page, rules)).toEqual([]);
}

/** The open page in every narrow window: nothing wider, nothing cut off, everything large enough for a glove. */
export async function expectFits(page: Page): Promise<void> {
  for (const { name, width, height } of NARROW) {
    await page.setViewportSize({ width, height });
    // Charts follow the window after a frame.
    await expect
      .poll(async () => (await page.evaluate(wrongLie)).map((w) => `${name}: ${w}`), { timeout: 10_000 })
      .toEqual([]);
  }
}

/** Everything that the keyboard reaches on the open page shows that it has the focus. */
export async function expectFocusSeen(page: Page): Promise<void> {
  await page.keyboard.press('Tab');
  expect(await page.evaluate(wrongFocus)).toEqual([]);
}
