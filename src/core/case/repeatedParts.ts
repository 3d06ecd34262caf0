/** Names of parts that were replaced more than once: a run of failures points upstream, not to the part. */
export function repeatedParts(parts: readonly { readonly part: string }[]): string[] {
  const counts = new Map<string, { name: string; n: number }>();
  for (const { part } of parts) {
    const key = part.trim().toLowerCase();
    if (key === '') continue;
    const entry = counts.get(key) ?? { name: part.trim(), n: 0 };
    counts.set(key, { ...entry, n: entry.n + 1 });
  }
  return [...counts.values()].filter((c) => c.n > 1).map((c) => c.name);
}
