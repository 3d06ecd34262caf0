const isBranch = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null;

/** Paths of the values that differ between two rows; at most two, as more than one is already not typing. */
function differing(a: unknown, b: unknown, path: string): string[] {
  if (Object.is(a, b)) return [];
  if (!isBranch(a) || !isBranch(b)) return [path];
  const found: string[] = [];
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
    found.push(...differing(a[key], b[key], `${path}/${key}`));
    if (found.length > 1) break;
  }
  return found;
}

const valueAt = (row: unknown, path: string): unknown =>
  path
    .split('/')
    .slice(1)
    .reduce<unknown>((v, key) => (isBranch(v) ? v[key] : undefined), row);

/**
 * Where a change of a row is one of a single figure or text, as typing makes it: its path; null for any other change.
 *
 * @param ignored fields at the top that follow from others
 */
export function typedPath(before: unknown, after: unknown, ignored: readonly string[]): string | null {
  const cut = (row: unknown) =>
    isBranch(row) ? Object.fromEntries(Object.entries(row).filter(([k]) => !ignored.includes(k))) : row;
  const [path, ...others] = differing(cut(before), cut(after), '');
  if (path === undefined || others.length > 0) return null;
  return ['string', 'number'].includes(typeof valueAt(after, path)) ? path : null;
}
