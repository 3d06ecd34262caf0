import { describe, expect, it } from 'vitest';
import { judgeNow, monitorsOf } from '../judge';
import { MONITOR_DEFAULTS, WARM_UP_KINDS } from '../monitor';
import { startingVehicle, simulatedDrive } from '../planning';
import { circuitAt, hoseExpectation, type CircuitState } from './circuit';
import { compareLooks } from './compareLooks';
import { lookAtDrive } from './driveLook';
import { prepareWhatIf } from './whatIf';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const plan = {
  phases: [
    { kind: 'idle', duration_s: 60 },
    { kind: 'road', duration_s: 1500 },
  ],
  ambient_c: 8,
  heater_pct: 20,
  startExcess_k: 0,
} as const;
const drive = (cause: 'healthy' | 'thermostat-stuck-open', ambient_c = 8) =>
  simulatedDrive(vehicle, { ...plan, ambient_c }, cause, 3);
const sound = drive('healthy');
const open = drive('thermostat-stuck-open');
const findings = { sound: judgeNow(sound, vehicle), open: judgeNow(open, vehicle) };
const lookOf = (trace: typeof sound, opening = findings.sound.opening) =>
  lookAtDrive(trace, vehicle, { opening, belowRating_k: 11, limit_c: 115 });

describe('a drive looked at', () => {
  const look = lookOf(sound);
  const row = (name: string) => look.features.find((f) => f.name === name)!;

  it('a sound vehicle lies within what is expected of one', () => {
    for (const name of ['minutes-to-40', 'minutes-to-60', 'plateau', 'rise-per-heat', 'bend']) {
      const { told, expected } = row(name);
      expect(told, name).not.toBeNull();
      expect(expected, name).not.toBeNull();
      const room = 3 * told!.sd;
      expect(told!.value, name).toBeGreaterThan(expected![0] - room);
      expect(told!.value, name).toBeLessThan(expected![1] + room);
    }
    expect(row('bend').told!.value).toBeGreaterThan(vehicle.thermostat.rated_c - 3);
  });

  it('an open thermostat does not: slower, cooler, no bend', () => {
    const broken = lookOf(open, findings.open.opening);
    const of = (name: string) => broken.features.find((f) => f.name === name)!;
    expect(of('minutes-to-60').told!.value).toBeGreaterThan(of('minutes-to-60').expected![1]);
    expect(of('plateau').told!.value).toBeLessThan(of('plateau').expected![0] - 5);
    expect(of('bend').told).toBeNull();
    expect(of('bend').why).not.toBe('');
  });

  it('without a judgement it tells everything but the bend', () => {
    const bare = lookAtDrive(sound, vehicle, { opening: null, belowRating_k: 11, limit_c: 115 });
    expect(bare.features.find((f) => f.name === 'bend')!.why).toMatch(/not been judged/);
    expect(bare.features.find((f) => f.name === 'plateau')!.told).not.toBeNull();
  });
});

describe('two drives held against each other', () => {
  it('before and after in like weather: what changed, and that it became better', () => {
    const found = compareLooks(lookOf(open, findings.open.opening), lookOf(sound));
    expect(found.comparable).toBe(true);
    const became = (name: string) => found.changes.find((c) => c.name === name)?.became;
    expect(became('plateau')).toBe('better');
    expect(became('minutes-to-60')).toBe('better');
    const worse = compareLooks(lookOf(sound), lookOf(open, findings.open.opening));
    expect(worse.changes.find((c) => c.name === 'plateau')!.became).toBe('worse');
    const itself = compareLooks(lookOf(sound), lookOf(sound));
    expect(itself.changes.every((c) => c.became === 'same' && c.change === 0)).toBe(true);
  });

  it('not comparable on a summer day, and nothing is called better', () => {
    const summer = drive('healthy', 31);
    const found = compareLooks(lookOf(open, findings.open.opening), lookOf(summer));
    expect(found.comparable).toBe(false);
    expect(found.conditions.find((c) => c.agrees === false)!.condition).toBe('outside');
    expect(found.changes.map((c) => c.became)).not.toContain('better');
  });
});

describe('what if', () => {
  const whatIf = prepareWhatIf(sound, vehicle, findings.sound);
  const end = (change: Partial<typeof whatIf.sound>) => whatIf.run({ ...whatIf.sound, ...change }).reading_c.at(-1)!;

  it('as fitted it is the fitted curve', () => {
    for (const [trace, finding] of [
      [sound, findings.sound],
      [open, findings.open],
    ] as const) {
      const made = prepareWhatIf(trace, vehicle, finding);
      const { reading_c } = made.run(made.asFitted);
      reading_c.forEach((v, k) => expect(Math.abs(v - finding.curves.best_c[k]!)).toBeLessThan(0.3));
    }
  });

  it('each slider moves the reading as the physics say', () => {
    const base = end({});
    expect(end({ rated_c: vehicle.thermostat.rated_c - 15 })).toBeLessThan(base - 8);
    expect(end({ leak: 0.6 })).toBeLessThan(base - 10);
    expect(end({ opening_k: 10 })).toBeGreaterThan(base + 2);
    expect(end({ offset_k: -10 })).toBeLessThan(base - 5);
    expect(end({ series_ohm: 200 })).toBeLessThan(base - 3);
    const early = (change: Partial<typeof whatIf.sound>) => whatIf.run({ ...whatIf.sound, ...change }).reading_c[20]!;
    expect(early({ outside_c: -15 })).toBeLessThan(early({}) - 5);
    expect(early({ heater_pct: 100 })).toBeLessThan(early({ heater_pct: 0 }));
    const leaky = { leak: 0.5 };
    expect(early({ ...leaky, cover_pct: 100 })).toBeGreaterThan(early(leaky) + 1);
    expect(early({ ...leaky, altitude_m: 3000 })).toBeGreaterThan(early(leaky));
  });

  it('a colder-rated part sets the code with nothing broken; the papers’ part does not', () => {
    const code = (rated_c: number) => whatIf.warmUpCode({ ...whatIf.sound, rated_c }, MONITOR_DEFAULTS, 'sound');
    expect(code(vehicle.thermostat.rated_c)).toMatchObject({ ran: true, wouldSet: false });
    const colder = code(vehicle.thermostat.rated_c - 20);
    expect(colder).toMatchObject({ ran: true, wouldSet: true });
    expect(colder.margin_k!).toBeLessThan(0);
  });

  it('nothing changed is the drive’s own answer, by any way of deciding', () => {
    for (const warmUp of WARM_UP_KINDS) {
      const settings = { ...MONITOR_DEFAULTS, warmUp };
      const own = monitorsOf(sound, vehicle, settings).find((r) => r.code === 'P0128');
      expect(whatIf.warmUpCode(whatIf.asFitted, settings)).toEqual(own);
    }
  });

  it('a frosty start is not judged, and that is no pass', () => {
    expect(whatIf.warmUpCode({ ...whatIf.sound, outside_c: -20 }, MONITOR_DEFAULTS, 'sound')).toMatchObject({
      ran: false,
      wouldSet: null,
    });
  });
});

describe('the circuit at a moment', () => {
  const state: CircuitState = {
    ...{ coolant_c: 60, lift: 0, outlet_c: 10, outside_c: 8, leak: 0.007, pump: 0.8, fanRuns: false, heated: false },
  };
  const inlet = { ...vehicle, thermostat: { ...vehicle.thermostat, location: 'inlet' as const } };
  const hose = (s: CircuitState, name: string, v = vehicle) => circuitAt(s, v).feels.find((f) => f.hose === name)!;

  it('shut at the outlet: the upper hose is cold; shut at the inlet: it is warm and the lower one cold', () => {
    expect(hose(state, 'Upper hose').feel).toBe('cold');
    expect(hose(state, 'Upper hose', inlet).feel).not.toBe('cold');
    expect(hose(state, 'Lower hose', inlet).feel).toBe('cold');
    expect(circuitAt(state, vehicle).says).toMatch(/valve shut/);
    expect(circuitAt(state, inlet).says).toMatch(/pump inlet/);
  });

  it('open, leaking, off: flows add up and the words follow', () => {
    const opened = circuitAt({ ...state, coolant_c: 92, lift: 0.4, outlet_c: 55 }, vehicle);
    expect(opened.radiatorShare + opened.bypassShare).toBeCloseTo(0.87, 6);
    expect(opened.says).toMatch(/holds the valve at 40 %/);
    expect(circuitAt({ ...state, leak: 0.5 }, vehicle).says).toMatch(/slips past/);
    const off = circuitAt({ ...state, pump: 0 }, vehicle);
    expect([off.radiatorShare, off.bypassShare]).toEqual([0, 0]);
    expect(off.says).toMatch(/engine is off/);
    expect(circuitAt({ ...state, lift: 1 }, vehicle).says).toMatch(/wide open/);
  });
});

describe('what a hose should do', () => {
  const at = (location: 'inlet' | 'outlet', place: string) =>
    hoseExpectation({ ...vehicle, thermostat: { ...vehicle.thermostat, location } }, place, 540);

  it('follows the layout: the tell-tale hose is the upper one at an outlet, the lower one at an inlet', () => {
    expect(at('outlet', 'upper hose')).toMatch(/cold until the opening at minute 9\.0/);
    expect(at('inlet', 'upper hose')).toMatch(/tells nothing of the valve/);
    expect(at('inlet', 'lower hose')).toMatch(/cold until the opening at minute 9\.0/);
    expect(at('outlet', 'radiator top')).toBe('');
  });
});
