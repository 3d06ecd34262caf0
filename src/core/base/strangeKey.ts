/**
 * The first name in plain data that every object has already (`toString`, `constructor`): no file of ours uses one, and a
 * schema would take it for a field of its own. Null when there is none.
 */
export function strangeKey(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    if (!Array.isArray(value) && key in Object.prototype) return key;
    const found = strangeKey(inner);
    if (found !== null) return found;
  }
  return null;
}
