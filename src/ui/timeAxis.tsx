/** Round minutes for a time axis: at most nine of them. */
export function minuteTicks(last: number): number[] {
  const step = [1, 2, 5, 10, 15, 30, 60].find((s) => last / s <= 8) ?? 120;
  return Array.from({ length: Math.floor(last / step) + 1 }, (_, i) => i * step);
}

/** A label of a time axis; the first one starts at the axis so that it is not cut off. */
export function TickLabel({
  x,
  y,
  payload,
}: {
  x?: number | string;
  y?: number | string;
  payload?: { value?: number };
}) {
  const value = payload?.value ?? 0;
  return (
    <text
      x={x}
      y={Number(y) + 12}
      fontSize={12}
      fill="var(--color-base-content)"
      textAnchor={value === 0 ? 'start' : 'middle'}
    >
      {value} min
    </text>
  );
}
