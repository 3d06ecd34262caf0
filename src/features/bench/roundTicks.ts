/** Round figures that reach over a stretch, `most` of them at most and one before it, 0 among them where it is crossed. */
export function roundTicks(from: number, to: number, most = 6): number[] {
  const step = [1, 2, 5, 10, 20, 30, 50].find((s) => (to - from) / s <= most) ?? 100;
  const first = Math.floor(from / step);
  return Array.from({ length: Math.ceil(to / step) - first + 1 }, (_, i) => (first + i) * step);
}
