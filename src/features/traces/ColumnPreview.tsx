'use client';

import { Line, LineChart, YAxis } from 'recharts';
import type { Preview } from '@/core/formats';

/** The course of a column over the file, small. */
export function ColumnPreview({ course, label }: { course: Preview; label: string }) {
  const present = course.filter(Number.isFinite);
  if (present.length < 2) return <span className="type-label">no numbers</span>;
  const data = course.map((value, at) => ({ at, value: Number.isFinite(value) ? value : null }));
  return (
    <LineChart width={150} height={34} data={data} margin={{ top: 3, right: 2, bottom: 3, left: 2 }} title={label}>
      <YAxis hide domain={['dataMin', 'dataMax']} />
      <Line dataKey="value" stroke="var(--trace)" strokeWidth={2} dot={false} isAnimationActive={false} connectNulls />
    </LineChart>
  );
}

const shown = (value: number): string =>
  Math.abs(value) >= 1000 ? value.toFixed(0) : String(Math.round(10 * value) / 10);

/** First and last value of a column, in words for those who cannot see the picture. */
export function columnSpan(course: Preview): string {
  const present = course.filter(Number.isFinite);
  if (present.length === 0) return '';
  return `${shown(present[0]!)} to ${shown(present.at(-1)!)}`;
}
