import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../../planning';
import { buildCurve, pinVolts, senderOhms, type CurveSpec } from '../../sender';
import { consequences } from './consequences';
import { explainSender } from './explain';
import { apparent, checkSenderReadings, type SenderReading } from './reading';

const curveOf = (spec: CurveSpec) => {
  const built = buildCurve(spec);
  if (!built.ok) throw new Error(built.error.message);
  return built.value.curve;
};
const curve = curveOf({ kind: 'family', family: 'generic-2k5' });
const ohms = (c: number) => senderOhms(curve, c);
const CIRCUIT = { reference_v: 5, pullUp_ohm: 2000, second: null, bits: 10 };

const inOhms = (of: (c: number) => number, at: readonly number[] = [0, 20, 50, 80, 98]): SenderReading[] =>
  at.map((true_c) => ({ true_c, trueSd_k: 0.5, of: 'ohm', value: of(true_c), sd_pct: 1 }));
const inVolts = (of: (c: number) => number, pull = 2000): SenderReading[] =>
  [0, 20, 50, 80, 98].map((true_c) => ({
    ...{ true_c, trueSd_k: 0.5, sd_pct: 0.3 },
    of: 'volt',
    value: pinVolts(of(true_c), CIRCUIT, pull),
  }));
const explain = (readings: readonly SenderReading[]) => explainSender(readings, { curve, circuit: CIRCUIT });
const size = (readings: readonly SenderReading[]) => explain(readings).faults[0]!;

describe('the fault that explains the points', () => {
  it.each([
    ['good', inOhms(ohms), null, 0],
    ['offset', inOhms((c) => ohms(c - 4)), -4, 0.5],
    ['offset', inOhms((c) => ohms(c + 7)), 7, 0.5],
    ['series-resistance', inOhms((c) => ohms(c) + 40), 40, 6],
    ['parallel-leak', inOhms((c) => 1 / (1 / ohms(c) + 1 / 5000)), 5000, 400],
    ['wrong-curve', inOhms((c) => 3.9 * ohms(c)), null, 0],
    ['open', inOhms(() => 1e8), null, 0],
    ['short', inOhms(() => 0.2), null, 0],
    ['pull-up-drift', inVolts(ohms, 2400), 20, 3],
    ['series-resistance', inVolts((c) => ohms(c) + 60), 60, 8],
    ['open', inVolts(() => 1e9), null, 0],
  ] as const)('%s is named, with its size', (fault, readings, value, within) => {
    const { named, faults } = explain(readings);
    expect(named).toBe(fault);
    expect(faults.reduce((sum, f) => sum + f.probability, 0)).toBeCloseTo(1, 9);
    if (value === null) return;
    expect(Math.abs(faults[0]!.value! - value)).toBeLessThan(within);
    expect(Math.abs(faults[0]!.value! - value)).toBeLessThan(3 * faults[0]!.sd!);
  });

  it('says nothing before a point, and not more than one point can tell', () => {
    expect(explain([]).named).toBeNull();
    const one = explain(inOhms((c) => ohms(c) + 40, [90]));
    expect(one.named).toBeNull();
    // A plug and an offset err alike at one temperature and part in the cold.
    expect(
      one.faults
        .slice(0, 2)
        .map((f) => f.fault)
        .sort(),
    ).toEqual(['offset', 'series-resistance']);
    expect(one.next!.at_c).toBeLessThan(40);
    const settled = explain([...inOhms((c) => ohms(c) + 40, [90]), ...inOhms((c) => ohms(c) + 40, [10])]);
    expect(settled.named).toBe('series-resistance');
  });

  it('a leak measured only hot asks for a cold point', () => {
    const leak = (c: number) => 1 / (1 / ohms(c) + 1 / 4000);
    const hot = explain(inOhms(leak, [85, 95]));
    expect(hot.named).not.toBe('parallel-leak');
    expect(hot.next!.at_c).toBeLessThanOrEqual(30);
  });

  it('an ohmmeter cannot see the pull-up: it asks for nothing that would be hidden', () => {
    const { faults } = explain(inOhms(ohms));
    expect(faults.find((f) => f.fault === 'pull-up-drift')!.probability).toBeGreaterThan(0.02);
  });

  it('a better instrument gives a smaller band, more points too', () => {
    const at90 = (readings: readonly SenderReading[]) => {
      const band = explain(readings).error.find((e) => e.at_c === 90)!;
      expect(band.low_k).toBeLessThanOrEqual(band.error_k);
      expect(band.high_k).toBeGreaterThanOrEqual(band.error_k);
      return band.high_k - band.low_k;
    };
    const plug = (c: number) => ohms(c) + 40;
    const rough = inOhms(plug).map((r) => ({ ...r, trueSd_k: 3 }));
    expect(at90(inOhms(plug))).toBeLessThan(at90(rough));
    const fair = inOhms(plug).map((r) => ({ ...r, trueSd_k: 0.9 }));
    expect(size(inOhms(plug)).sd!).toBeLessThan(size(fair).sd!);
  });

  it('the error over the range is that of the fault', () => {
    const { error } = explain(inOhms((c) => ohms(c) + 40));
    expect(error[0]!.at_c).toBe(-30);
    expect(error.at(-1)!.at_c).toBe(120);
    const at = (c: number) => error.find((e) => e.at_c === c)!.error_k;
    expect(Math.abs(at(0))).toBeLessThan(0.5);
    expect(at(120)).toBeLessThan(-9);
  });
});

describe('an outlier is evidence', () => {
  const right = inOhms(ohms, [0, 20, 40]);
  const withHot = (ohm: number) => explain([...right, { ...right[0]!, true_c: 80, value: ohm }]);
  const good = (found: ReturnType<typeof explain>) => found.faults.find((f) => f.fault === 'good')!.probability;

  it('a worse reading never makes the part better, and an impossible one is not good', () => {
    const steps = [1, 1.1, 1.3, 1.6, 2.2, 3, 6, 20, 1e3, 1e5].map((times) => good(withHot(ohms(80) * times)));
    expect(steps[0]!).toBeGreaterThan(0.6);
    for (let i = 1; i < steps.length; i++) expect(steps[i]!).toBeLessThanOrEqual(steps[i - 1]! + 1e-9);
    expect(steps.at(-1)!).toBeLessThan(0.05);
    const falling = [1, 0.8, 0.5, 0.2, 0.05].map((times) => good(withHot(ohms(80) * times)));
    for (let i = 1; i < falling.length; i++) expect(falling[i]!).toBeLessThanOrEqual(falling[i - 1]! + 1e-9);
  });

  it('names the reading to repeat, and no fault by it alone', () => {
    const odd = withHot(1000);
    expect(odd).toMatchObject({ repeat: 3, named: null });
    expect(explain(right).repeat).toBeNull();
    // Two that differ from one say as little of which is right.
    expect(explain(inOhms((c) => ohms(c - 12))).repeat).toBeNull();
  });

  it('open at one temperature and right at another is a wire that breaks, not a good part', () => {
    for (const readings of [
      inOhms((c) => (c < 50 ? 5e6 : ohms(c)), [20, 90]),
      [...right, ...inOhms(() => 5e6, [80])],
    ]) {
      const found = explain(readings);
      expect(found.faults[0]!.fault).toBe('open');
      expect(good(found)).toBeLessThan(0.05);
    }
  });
});

describe('one thermometer asked again and again', () => {
  const sure = (count: number) => {
    const readings = Array.from({ length: count }, () => ({ ...inOhms((c) => ohms(c - 3), [20])[0]!, trueSd_k: 2 }));
    return explain(readings).faults.find((f) => f.fault === 'good')!.probability;
  };

  it('does not become a better one', () => {
    expect(sure(200)).toBeGreaterThan(0.25);
    expect(sure(200)).toBeGreaterThan(sure(1) / 3);
  });
});

describe('readings that cannot be', () => {
  const one = (change: Partial<SenderReading>) =>
    checkSenderReadings([...inOhms(ohms, [20]), { ...inOhms(ohms, [50])[0]!, ...change }], CIRCUIT);
  it.each([
    [{ value: -3 }, 'readings[1].ohm', /not below 0/],
    [{ true_c: 300 }, 'readings[1].true_c', /300 °C/],
    [{ of: 'volt', value: 6 }, 'readings[1].volt', /between 0 and the reference/],
    [{ of: 'shown_c', value: 400 }, 'readings[1].shown_c', /no scan tool/],
    [{ trueSd_k: 0 }, 'readings[1].true_sd_k', /above 0/],
    [{ sd_pct: 0 }, 'readings[1].sd_pct', /above 0/],
    [{ value: NaN }, 'readings[1].ohm', /Not a number/],
  ] as const)('%o', (change, path, says) => {
    const checked = one(change as Partial<SenderReading>);
    expect(checked).toMatchObject({ ok: false, error: { path } });
    if (!checked.ok) expect(checked.error.message).toMatch(says);
  });

  it('volts need their circuit', () => {
    const volt = [{ ...inOhms(ohms, [20])[0]!, of: 'volt' as const, value: 2 }];
    expect(checkSenderReadings(volt, null)).toMatchObject({ ok: false, error: { path: 'readings[0].volt' } });
    expect(checkSenderReadings(volt, CIRCUIT).ok).toBe(true);
  });

  it('a scan reading is as coarse as its degrees, an ohmmeter as its per cent', () => {
    const scan = apparent(
      { true_c: 80, trueSd_k: 0.01, of: 'shown_c', value: 78, sd_pct: 1 },
      { curve, circuit: null },
    );
    expect(scan.error_k).toBe(-2);
    expect(scan.sd_k).toBeCloseTo(0.29, 2);
    const ohm = apparent(
      { true_c: 80, trueSd_k: 0.01, of: 'ohm', value: ohms(80), sd_pct: 3.5 },
      { curve, circuit: null },
    );
    // About 3 % a kelvin near 80 °C.
    expect(ohm.sd_k).toBeGreaterThan(0.9);
    expect(ohm.sd_k).toBeLessThan(1.6);
  });
});

describe('what is noticed', () => {
  const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
  const says = (of: (c: number) => number) => consequences(explain(inOhms(of)).error, vehicle, 77);

  it('a sender that reads low sets the slow warm-up code, delays the fan and hides overheating', () => {
    const found = says((c) => ohms(c - 14));
    expect(found.map((f) => f.says).join(' ')).toMatch(/P0128/);
    expect(found.some((f) => f.danger && /hides overheating/.test(f.says))).toBe(true);
    expect(found.some((f) => /fan set for 98 °C comes in at 11\d °C/.test(f.says))).toBe(true);
  });

  it('one that reads high does not, and a sound one is not noticed', () => {
    const high = says((c) => ohms(c + 9));
    expect(high.some((f) => f.danger)).toBe(false);
    expect(high.map((f) => f.says).join(' ')).toMatch(/hotter/);
    expect(says(ohms)).toHaveLength(1);
  });

  it('resistance in the plug can keep the fan from ever running', () => {
    const found = says((c) => ohms(c) + 260);
    expect(found.some((f) => f.danger && /never reaches/.test(f.says))).toBe(true);
  });
});
