'use client';

import { format } from 'date-fns';
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { ChartLegend } from '@/ui/picture/ChartLegend';
import { familyColour } from '@/ui/colours';
import { useElementWidth } from '@/ui/useElementWidth';
import { useUnits } from '@/ui/units';
import type { DriftPoint } from './drift';

const HEIGHT = 190;
/** Room above and below the readings, K. */
const MARGIN_K = 6;

/** Settled level and fitted opening of a vehicle's traces over time, against its rating. */
export function DriftChart({ points, rated_c }: { points: readonly DriftPoint[]; rated_c: number }) {
  const [attach, width] = useElementWidth();
  const { showTemperature } = useUnits();
  const values = points.flatMap((p) => [p.settled_c, p.opening_c].filter((v) => v !== null));
  const low = Math.min(rated_c, ...values) - MARGIN_K;
  const high = Math.max(rated_c, ...values) + MARGIN_K;
  return (
    <div data-testid="drift">
      <div ref={attach} style={{ minHeight: HEIGHT }}>
        {width > 0 && (
          <LineChart
            width={width}
            height={HEIGHT}
            data={points}
            margin={{ top: 8, right: 24, bottom: 0, left: 0 }}
            accessibilityLayer
            title="Settled level and reading at the opening over time"
          >
            <CartesianGrid stroke="var(--color-base-300)" />
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={points.map((p) => p.at)}
              tickFormatter={(at: number) => format(at, 'd MMM yy')}
              minTickGap={28}
              height={26}
              stroke="var(--color-base-content)"
              fontSize={12}
            />
            <YAxis
              width={64}
              domain={[low, high]}
              tickFormatter={(c: number) => showTemperature(c)}
              stroke="var(--color-base-content)"
              fontSize={12}
            />
            <ReferenceLine y={rated_c} stroke="var(--color-base-content)" strokeDasharray="2 4" />
            <Line
              dataKey="settled_c"
              stroke="var(--trace)"
              strokeWidth={2.5}
              dot={{ r: 4, fill: 'var(--trace)' }}
              isAnimationActive={false}
              connectNulls
            />
            <Line
              dataKey="opening_c"
              stroke={familyColour('open')}
              strokeWidth={2}
              strokeDasharray="8 4"
              dot={{ r: 3, fill: familyColour('open'), strokeDasharray: '0' }}
              isAnimationActive={false}
              connectNulls
            />
          </LineChart>
        )}
      </div>
      <ChartLegend
        indent={false}
        entries={[
          { label: 'settled at', colour: 'var(--trace)' },
          { label: 'reading at the opening', colour: familyColour('open'), width: 2, dash: '8 4' },
          { label: `rated ${showTemperature(rated_c)}`, colour: 'var(--color-base-content)', width: 1, dash: '2 4' },
        ]}
      />
    </div>
  );
}
