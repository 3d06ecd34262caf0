import { describe, expect, it } from 'vitest';
import type { LoggedSeries } from '@/core/formats';
import { judgeNow } from '@/core/judge';
import { startingVehicle } from '@/core/planning';
import { drawnLane, wholeRange } from '@/ui/picture/lane';
import { findingLane } from './findingView';

const ect_c = Float64Array.from({ length: 1500 }, (_, t) => Math.round(88 - 80 * Math.exp(-t / 220)));
ect_c[700] = 20;
const trace = { time_s: Float64Array.from(ect_c, (_, i) => i + 40), channels: { ect_c } };
const finding = judgeNow(trace, startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));

describe('the picture of a finding', () => {
  it('shows the reading in front of the best fit, over the band of a sound vehicle, on the time of the drive', () => {
    const lane = findingLane({ trace }, finding);
    expect(lane.curves.map((c) => c.label)).toEqual([expect.stringMatching(/^best fit: /), 'measured']);
    expect(lane.measured.time_s[0]).toBe(0);
    expect(lane.sound.low).toBe(finding.curves.healthyLow_c);
    const { pieces } = drawnLane(lane, wholeRange(lane));
    expect(pieces.find((p) => p.curve === lane.measured)!.indices).toContain(700);
  });

  it('lays a second log beside where it was placed', () => {
    const series: LoggedSeries = {
      ...{ time_s: Float64Array.of(0, 60, 120), clock: null },
      columns: [{ header: 'Hose', channel: null, values_c: Float64Array.of(5, 6, 7) }],
    };
    const companion = { series, alignment: { offset_s: 90, by: 'hand', match: 0 } };
    const lane = findingLane({ trace, companion: companion as never }, finding);
    const hose = lane.curves.find((c) => c.label === 'Hose')!;
    expect([...(hose.time_s as Float64Array)]).toEqual([90, 150, 210]);
    expect(lane.curves.at(-1)).toBe(lane.measured);
  });
});
