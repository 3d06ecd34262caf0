/** The one stretch in which a text differs from what it was: from and up to a place there, and what stands there now. */
interface Change {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

function changeOf(base: string, now: string): Change {
  const most = Math.min(base.length, now.length);
  let from = 0;
  while (from < most && base[from] === now[from]) from++;
  let tail = 0;
  while (tail < most - from && base[base.length - 1 - tail] === now[now.length - 1 - tail]) tail++;
  return { from, to: base.length - tail, text: now.slice(from, now.length - tail) };
}

/**
 * Two texts that were both made of a third: what either changed stands in the result. Where both changed the same words
 * both versions are kept, one after the other, so that nothing typed is lost.
 *
 * @param base the text that both began with
 */
export function mergeText(base: string, mine: string, theirs: string): string {
  if (mine === theirs || base === theirs) return mine;
  if (base === mine) return theirs;
  const a = changeOf(base, theirs);
  const b = changeOf(base, mine);
  const [first, second] = a.from < b.from || (a.from === b.from && a.to <= b.to) ? [a, b] : [b, a];
  const between = (from: number, to: number) => base.slice(from, to);
  if (first.to <= second.from) {
    // Both typed on at one place: the words of each stay together, a space apart.
    const isSamePlace = first.to === second.from && first.from === first.to && second.from === second.to;
    const space = isSamePlace && !/\s$/.test(first.text) && !/^\s/.test(second.text) ? ' ' : '';
    return `${between(0, first.from)}${first.text}${between(first.to, second.from)}${space}${second.text}${base.slice(second.to)}`;
  }
  const to = Math.max(first.to, second.to);
  const whole = (c: Change) => `${between(first.from, c.from)}${c.text}${between(c.to, to)}`;
  return `${between(0, first.from)}${whole(a)} / ${whole(b)}${base.slice(to)}`;
}
