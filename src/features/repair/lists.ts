/** A list with one of its things changed, by id. */
export const changed = <T extends { readonly id: string }>(list: readonly T[], id: string, to: Partial<T>): T[] =>
  list.map((x) => (x.id === id ? { ...x, ...to } : x));

/** A list without one of its things, by id. */
export const without = <T extends { readonly id: string }>(list: readonly T[], id: string): T[] =>
  list.filter((x) => x.id !== id);

/** A list with a key, or without it where it was in. */
export const switched = (list: readonly string[], key: string): string[] =>
  list.includes(key) ? list.filter((k) => k !== key) : [...list, key];
