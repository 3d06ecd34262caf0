/** Longest line, characters: beyond, it is no table. */
export const LONGEST_LINE = 1_000_000;

/** Cuts streamed text into pieces of whole lines, with one kind of line break; looks at each character once. */
export class LineCutter {
  private rest = '';
  /** A return at the end may be half of a line break. */
  private half = false;

  /** Takes text; returns the whole lines so far, '' when there are none yet. */
  push(piece: string): string {
    if (piece === '') return '';
    let text = this.half ? `\r${piece}` : piece;
    this.half = text.endsWith('\r');
    if (this.half) text = text.slice(0, -1);
    if (text.includes('\r')) text = text.replace(/\r\n?/g, '\n');
    const cut = text.lastIndexOf('\n') + 1;
    if (cut === 0) {
      this.rest += text;
      return '';
    }
    const lines = this.rest + text.slice(0, cut);
    this.rest = text.slice(cut);
    return lines;
  }

  /** Characters held back since the last line break. */
  get held(): number {
    return this.rest.length;
  }

  /** The beginning of what is held back. */
  peek(): string {
    return this.rest.slice(0, 1000);
  }

  /** The last line, without a break behind it; a lone return at the end is one. */
  finish(): string {
    const rest = this.half ? `${this.rest}\n` : this.rest;
    this.rest = '';
    this.half = false;
    return rest;
  }
}
