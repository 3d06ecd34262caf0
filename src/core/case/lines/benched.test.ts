import { describe, expect, it } from 'vitest';
import type { Cause, PerCause } from '../../base';
import {
  newSenderBench,
  newThermostatBench,
  readingsOf,
  type BenchTest,
  type SenderBench,
  type ThermostatBench,
} from '../../bench';
import { startingVehicle } from '../../planning';
import { waterTest, type PotValve } from '../../plant';
import { buildCurve, SENDER_FAMILIES, senderOhms } from '../../sender';
import { lineContext } from '../context';
import type { BenchEntry, MeasurementEntry } from '../entry';
import { fromBench } from './answered';
import { fromMeasurement } from './measured';

const PETROL = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const CONTEXT = lineContext(PETROL);
const HEATED = lineContext({ ...PETROL, thermostat: { ...PETROL.thermostat, heated: true, heated_rated_c: 80 } });
const VISCOUS = lineContext({ ...PETROL, fan: { ...PETROL.fan, kind: 'viscous' } });

const entry = (test: BenchTest, part: 'old' | 'new' = 'old'): BenchEntry => ({
  ...{ id: 'b', at: 1, kind: 'bench', item: '', answer: '', part, text: '' },
  test,
});
const benched = (test: BenchTest, part: 'old' | 'new' = 'old') => fromBench(entry(test, part), CONTEXT);
/** How much likelier a test makes one cause against another, as a logarithm. */
const apart = (lines: readonly { logLikelihood: PerCause<number> }[], a: Cause, b: Cause): number =>
  lines.reduce((sum, l) => sum + l.logLikelihood[a] - l.logLikelihood[b], 0);

const POINTS = SENDER_FAMILIES[0]!.points;
const built = buildCurve({ kind: 'points', points: POINTS });
if (!built.ok) throw new Error(built.error.message);
const ohms = (c: number) => senderOhms(built.value.curve, c);
const sender = (of: (c: number) => number, change: Partial<SenderBench> = {}): SenderBench => ({
  ...newSenderBench('engine', POINTS),
  readings: readingsOf([5, 50, 95].map((true_c) => ({ true_c, of: 'ohm', value: of(true_c) }))),
  ...change,
});
const scan = (off_k: number, change: Partial<SenderBench> = {}): SenderBench => ({
  ...newSenderBench('engine', []),
  readings: readingsOf([5, 50, 95].map((true_c) => ({ true_c, of: 'shown_c', value: true_c + off_k }))),
  ...change,
});

describe('a sender on the bench', () => {
  it('low, high and sound move the odds each their way, the more the further off', () => {
    expect(apart(benched(sender((c) => ohms(c - 12))), 'sender-reads-low', 'healthy')).toBeGreaterThan(3);
    expect(apart(benched(sender((c) => ohms(c + 12))), 'sender-reads-high', 'healthy')).toBeGreaterThan(3);
    expect(apart(benched(sender(ohms)), 'sender-reads-low', 'healthy')).toBeLessThan(0);
    const steps = [3, 6, 9, 12].map((k) => apart(benched(sender((c) => ohms(c - k))), 'sender-reads-low', 'healthy'));
    expect(steps).toEqual([...steps].sort((a, b) => a - b));
  });

  it('a worse thermometer moves them less', () => {
    const rough = sender((c) => ohms(c - 8));
    const worse = { ...rough, readings: rough.readings.map((r) => ({ ...r, trueSd_k: 8 })) };
    expect(apart(benched(worse), 'sender-reads-low', 'healthy')).toBeLessThan(
      apart(benched(rough), 'sender-reads-low', 'healthy') - 1,
    );
  });

  it('ohms against a generic curve say next to nothing, a scan reading beside a thermometer says all', () => {
    const generic = sender((c) => ohms(c - 12), { curve: { kind: 'family', family: 'generic-2k5' } });
    expect(Math.abs(apart(benched(generic), 'sender-reads-low', 'healthy'))).toBeLessThan(1.5);
    const [line] = benched(scan(-12));
    expect(apart([line!], 'sender-reads-low', 'healthy')).toBeGreaterThan(3);
    // It settles what a housing thermometer would have asked.
    expect(line!.answers).toEqual(['sender-resistance', 'housing-infrared']);
  });

  it('a broken or touching wire is a stuck reading', () => {
    const open = benched(sender(() => 1e8));
    expect(apart(open, 'sender-stuck', 'healthy')).toBeGreaterThan(3);
  });

  it('the gauge’s own sender accuses the gauge only, and nothing against a generic curve', () => {
    const gauge = sender((c) => ohms(c - 15), { which: 'gauge' });
    expect(apart(benched(gauge), 'gauge-sender-fault', 'healthy')).toBeGreaterThan(2);
    expect(apart(benched(gauge), 'sender-reads-low', 'healthy')).toBe(0);
    expect(benched({ ...gauge, curve: { kind: 'family', family: 'generic-gauge-tens' } })).toEqual([]);
  });

  it('a new part, no reading and impossible readings move nothing', () => {
    expect(
      benched(
        sender((c) => ohms(c - 12)),
        'new',
      ),
    ).toEqual([]);
    expect(benched(sender(ohms, { readings: [] }))).toEqual([]);
    expect(benched(sender(() => -5))).toEqual([]);
  });
});

const VALVE: PotValve = {
  ...{ opens_c: 88, full_c: 100, hysteresis_k: 3, lift_mm: 8.5 },
  ...{ cupLag_s: 5, waxLag_s: 9, melting: 1.2, stick_mm: 0, open_mm: 0, moves: true },
};
const pot = (valve: Partial<PotValve> = {}, change: Partial<ThermostatBench> = {}): ThermostatBench => ({
  ...newThermostatBench(88, null, 0),
  readings: waterTest(
    { ...VALVE, ...valve },
    {
      ...{ from_c: 45, to_c: 99, heating_kpmin: 4, cooling_kpmin: 3, every_s: 20 },
      ...{ liftSd_mm: 0.1, thermometerSd_k: 0.2, seed: 5 },
    },
  ),
  ...change,
});

describe('a thermostat on the bench', () => {
  it.each([
    ['thermostat-opens-early', { opens_c: 76, full_c: 88 }, {}],
    ['thermostat-opens-late', { opens_c: 96, full_c: 108 }, {}],
    ['thermostat-stuck-open', { moves: false, open_mm: 6 }, {}],
    ['thermostat-stuck-closed', { moves: false }, {}],
    ['thermostat-leaking', {}, { lightWhenCold: true }],
  ] as const)('%s gains on every other cause', (cause, valve, change) => {
    const lines = benched(pot(valve, change));
    for (const other of ['healthy', 'sender-reads-low', 'thermostat-heating-fault'] as const) {
      expect(apart(lines, cause, other)).toBeGreaterThan(1.5);
    }
  });

  it('one that opens as stamped speaks against every fault of it', () => {
    const lines = benched(pot({}, { lightWhenCold: false }));
    expect(apart(lines, 'thermostat-stuck-open', 'healthy')).toBeLessThan(-1.5);
    expect(apart(lines, 'thermostat-stuck-closed', 'healthy')).toBeLessThan(-1.5);
    expect(lines[0]!.seen).toMatch(/opens as stamped/);
  });

  it('a bad seal is a leak path with the valve sound; a spring is weak evidence', () => {
    const none = newThermostatBench(88, null, 0);
    expect(benched(none)).toEqual([]);
    const seal = apart(benched({ ...none, sealDamaged: true }), 'thermostat-leaking', 'healthy');
    const spring = apart(benched({ ...none, springWeak: true }), 'thermostat-opens-early', 'healthy');
    expect(seal).toBeGreaterThan(2);
    expect(spring).toBeGreaterThan(0);
    expect(spring).toBeLessThan(0.7);
    expect(benched({ ...none, sealDamaged: true })[0]!.seen).toMatch(/seal damaged/);
    expect(apart(benched({ ...none, deposits: false }), 'thermostat-stuck-open', 'healthy')).toBeLessThan(0);
  });

  it('readings that cannot be move nothing', () => {
    const readings = [
      { t_s: 60, water_c: 80, lift_mm: 0, state: null },
      { t_s: 0, water_c: 90, lift_mm: 4, state: null },
    ];
    expect(benched({ ...newThermostatBench(88, null, 0), readings })).toEqual([]);
  });
});

describe('a wiggled wire and a mix', () => {
  const wiggle = {
    of: 'wiggle',
    fileName: 'w.csv',
    unit: '°C',
    samples: 100,
    length_s: 30,
    scatter: 0,
    dropped: 0,
  } as const;
  it('leaps accuse the contact, a steady one clears it, a short one says nothing', () => {
    const leaps = [{ at_s: 3, from: 40, to: -40 }];
    expect(
      apart(benched({ ...wiggle, leaps: [...leaps, ...leaps] }), 'sender-intermittent', 'healthy'),
    ).toBeGreaterThan(2);
    expect(apart(benched({ ...wiggle, leaps: [] }), 'sender-intermittent', 'healthy')).toBeLessThan(-0.5);
    expect(benched({ ...wiggle, leaps: [], length_s: 5 })).toEqual([]);
    expect(benched({ of: 'mix', glycol: 'ethylene', scale: 'ethylene', reads_c: -30 })).toEqual([]);
  });
});

describe('measured circuits', () => {
  const measure = (name: MeasurementEntry['name'], values: Record<string, number>, context = CONTEXT) =>
    fromMeasurement({ id: 'm', at: 1, kind: 'measurement', name, values, tolerance: {}, place: '', text: '' }, context);

  it('a fan without current, with current, and nothing measured', () => {
    expect(apart(measure('fan', { supply_v: 12.3, running_a: 0 }), 'fan-not-running', 'healthy')).toBeGreaterThan(2);
    expect(apart(measure('fan', { supply_v: 12.3, running_a: 12 }), 'fan-not-running', 'healthy')).toBeLessThan(-1.5);
    expect(measure('fan', { fuse_a: 30 })).toEqual([]);
  });

  it('the heater of a thermostat, only where there is one', () => {
    const values = { part_ohm: 2_000_000 };
    expect(apart(measure('element', values, HEATED), 'thermostat-heating-fault', 'healthy')).toBeGreaterThan(2);
    expect(measure('element', values)).toEqual([]);
    const wire = measure('element', { part_ohm: 14, supply_v: 0.1, control_v: 0, wiggle_ohm: 0 }, HEATED);
    expect(apart(wire, 'thermostat-heating-fault', 'healthy')).toBeGreaterThan(2);
  });

  it('a pressure that falls is lost coolant', () => {
    const fell = measure('hold', { start_kpa: 100, end_kpa: 60, minutes: 10 });
    expect(apart(fell, 'low-coolant-or-air', 'healthy')).toBeGreaterThan(1.5);
    expect(measure('hold', { start_kpa: 100, minutes: 10 })).toEqual([]);
  });

  it('a viscous fan by when it roars', () => {
    expect(apart(measure('clutch', { roars_c: 20 }, VISCOUS), 'fan-always-on', 'healthy')).toBeGreaterThan(2);
    expect(apart(measure('clutch', { roars_c: 118 }, VISCOUS), 'fan-not-running', 'healthy')).toBeGreaterThan(1.5);
    expect(apart(measure('clutch', { roars_c: 95 }, VISCOUS), 'fan-not-running', 'healthy')).toBeLessThan(-1.5);
    expect(measure('clutch', { roars_c: 95 })).toEqual([]);
  });

  it('scan, needle and reference at one moment: the odd one out is accused', () => {
    const scanLow = measure('moment', { reference_c: 90, scan_c: 76, gauge_c: 90 });
    expect(apart(scanLow, 'sender-reads-low', 'gauge-sender-fault')).toBeGreaterThan(2);
    const needleLow = measure('moment', { reference_c: 90, scan_c: 90, gauge_c: 60 });
    expect(apart(needleLow, 'gauge-sender-fault', 'sender-reads-low')).toBeGreaterThan(2);
    expect(needleLow[0]!.answers).toEqual(['housing-infrared', 'gauge-against-scan']);
    expect(measure('moment', { reference_c: 90, scan_c: 90 })[0]!.answers).toEqual(['housing-infrared']);
    expect(measure('moment', { scan_c: 90, gauge_c: 60 })).toEqual([]);
  });
});
