/** Words of this tab that are typed and not saved yet: a reload in the middle of a word finds them again. */

/** Without a store of the tab (blocked in some private windows) words are only as safe as the field that holds them. */
function tabStore(): Storage | null {
  try {
    return typeof window === 'undefined' ? null : window.sessionStorage;
  } catch (error) {
    if (error instanceof DOMException) return null;
    throw error;
  }
}

/** The words that wait under a name; null without any. */
export const readDraft = (name: string): string | null => tabStore()?.getItem(`draft ${name}`) ?? null;

/** Keeps words under a name; a full store keeps those of before. */
export function keepDraft(name: string, words: string): void {
  try {
    tabStore()?.setItem(`draft ${name}`, words);
  } catch (error) {
    if (!(error instanceof DOMException)) throw error;
  }
}

/** Forgets words that were saved; others typed meanwhile stay. */
export function dropDraft(name: string, saved: string): void {
  if (readDraft(name) === saved) tabStore()?.removeItem(`draft ${name}`);
}
