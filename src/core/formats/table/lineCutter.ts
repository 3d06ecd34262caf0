/** Longest line, characters: beyond, it is no table. */
export const LONGEST_LINE = 1_000_000;

/** Where text may be cut: behind the last line break that is not inside quotes; 0 where there is none. */
function lastCut(text: string): number {
  const last = text.lastIndexOf('\n') + 1;
  if (last === 0 || !text.includes('"')) return last;
  let cut = 0;
  let at = 0;
  for (;;) {
    const open = text.indexOf('"', at);
    const outside = text.lastIndexOf('\n', open < 0 ? text.length : open) + 1;
    if (outside > cut && outside > at) cut = outside;
    if (open < 0) return cut;
    const close = text.indexOf('"', open + 1);
    if (close < 0) return cut;
    at = close + 1;
  }
}

/** Cuts streamed text into pieces of whole lines, with one kind of line break. */
export class LineCutter {
  private rest = '';

  /** Takes text; returns the whole lines so far, '' when there are none yet. */
  push(text: string): string {
    let joined = this.rest + text;
    let held = '';
    // A return at the end may be half of a line break.
    if (joined.endsWith('\r')) {
      held = '\r';
      joined = joined.slice(0, -1);
    }
    if (joined.includes('\r')) joined = joined.replace(/\r\n?/g, '\n');
    let cut = lastCut(joined);
    // A lone quote somewhere must not hold the whole file back.
    if (cut === 0 && joined.length > LONGEST_LINE) cut = joined.lastIndexOf('\n') + 1;
    this.rest = joined.slice(cut) + held;
    return joined.slice(0, cut);
  }

  /** Characters held back since the last line break. */
  get held(): number {
    return this.rest.length;
  }

  /** The beginning of what is held back. */
  peek(): string {
    return this.rest.slice(0, 1000);
  }

  /** The last line, without a break behind it. */
  finish(): string {
    const rest = this.rest.replace(/\r\n?/g, '\n');
    this.rest = '';
    return rest;
  }
}
