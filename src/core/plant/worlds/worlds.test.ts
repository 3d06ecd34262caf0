import { describe, expect, it } from 'vitest';
import { CAUSES, type Cause } from '../../base';
import { startingVehicle } from '../../planning';
import { drawBody } from '../body';
import { drivePhases, type Phase } from '../drive';
import { NO_FAULT, type PlantFault } from '../fault';
import { seededRandom } from '../random';
import { simulateDrive, type PlantRun } from '../simulate';
import { drawWorld } from './drawWorld';
import { drawFaultWay, drawWays, FAULT_PAIRS, FAULT_WAYS } from './faultWays';
import { HOME_WORLD, type World } from './world';
import { drawWorldScenario, worldOf, type WorldRequest } from './worldScenario';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const rated_c = vehicle.thermostat.rated_c;
const PHASES: readonly Phase[] = [
  { kind: 'town', duration_s: 500 },
  { kind: 'road', duration_s: 700 },
  { kind: 'idle', duration_s: 200 },
];

function drive(fault: Partial<PlantFault> = {}, world: Partial<World> = {}, ambient_c = 10, phases = PHASES): PlantRun {
  const body = drawBody(vehicle, seededRandom(5), 0, { ...HOME_WORLD, ...world });
  const demand = drivePhases(phases, 20, seededRandom(6));
  const conditions = { ambient_c, engineStart_c: ambient_c, coverFraction: 0 };
  return simulateDrive(body, { ...NO_FAULT, ...fault }, demand, conditions, seededRandom(7));
}
const last = (values: Float64Array) => values.at(-1)!;
const opensAt_c = (run: PlantRun): number => run.coolant_c[run.lift.findIndex((l) => l > 0.05)] ?? NaN;
const top = (values: Float64Array) => values.reduce((a, b) => Math.max(a, b), -Infinity);

describe('worlds', () => {
  it('of one number are one, and of others are others', () => {
    expect(worldOf(0)).toBe(HOME_WORLD);
    expect(worldOf(7)).toEqual(worldOf(7));
    const drawn = Array.from({ length: 40 }, (_, i) => worldOf(i + 1));
    expect(new Set(drawn.map((w) => JSON.stringify({ ...w, name: '' }))).size).toBe(40);
    for (const place of ['head', 'outlet', 'block']) expect(drawn.some((w) => w.senderPlace === place)).toBe(true);
    for (const shape of ['smooth', 'straight', 'eager', 'late']) {
      expect(drawn.some((w) => w.valveShape === shape)).toBe(true);
    }
    expect(new Set(drawn.map((w) => w.heatingMap)).size).toBe(6);
  });

  it('all warm an engine up to its thermostat on a mild day and keep it there', () => {
    for (let n = 1; n <= 12; n++) {
      const run = drive({}, drawWorld(seededRandom(n), `${n}`));
      for (const t of run.coolant_c) expect(Number.isFinite(t)).toBe(true);
      expect(top(run.coolant_c)).toBeGreaterThan(rated_c - 4);
      expect(top(run.coolant_c)).toBeLessThan(rated_c + 35);
    }
  });

  it('differ by what they are made of', () => {
    const end = (world: Partial<World>) => last(drive({}, world).ect_c);
    const open = { leakFraction: 0.6 };
    expect(last(drive(open, { shutters: 0.9 }, -18).coolant_c)).toBeGreaterThan(
      last(drive(open, {}, -18).coolant_c) + 3,
    );
    const soaked = (oilCooler_kw_k: number) => last(drive({}, { oilCooler_kw_k }).oil_c);
    expect(Math.abs(soaked(0.25) - end({}))).toBeLessThan(Math.abs(soaked(0) - end({})));
    const early = (catalystHeating: number) => drive({}, { catalystHeating }).coolant_c[120]!;
    expect(early(0.5)).toBeGreaterThan(early(0) + 0.5);
    expect(drive({}, { coldIdle: 0.5 }, -10, [{ kind: 'idle', duration_s: 60 }]).rpm[20]!).toBeGreaterThan(
      1.2 * vehicle.engine.idle_rpm,
    );
    const second = (secondPlace: World['secondPlace']) => drive({}, { secondPlace }).ect2_c[300]!;
    expect(second('radiator-outlet')).toBeLessThan(second('engine') - 15);
  });
});

describe('ways of a fault', () => {
  it('every cause has some, their shares make a whole, and none has another by its name', () => {
    for (const cause of CAUSES) {
      const ways = FAULT_WAYS[cause];
      expect(ways.reduce((sum, w) => sum + w.share, 0)).toBeCloseTo(1, 9);
      expect(new Set(ways.map((w) => w.way)).size).toBe(ways.length);
    }
    expect(() => drawFaultWay('sender-slow', 'sticky', seededRandom(1), vehicle)).toThrow(/no way called sticky/);
  });

  it('each changes something of the car, but those that are no fault', () => {
    for (const cause of CAUSES) {
      for (const { way } of FAULT_WAYS[cause]) {
        const fault = { ...drawFaultWay(cause, way, seededRandom(3), vehicle), cause: 'healthy' as Cause };
        if (cause === 'healthy' || cause === 'insufficient-heat') expect(fault).toEqual(NO_FAULT);
        else expect(fault).not.toEqual(NO_FAULT);
      }
    }
  });

  it('a sticking stem opens late and closes late', () => {
    const sound = drive();
    const sticky = drive({ stick_k: 10 });
    expect(opensAt_c(sticky)).toBeGreaterThan(opensAt_c(sound) + 6);
    const opened = sticky.lift.findIndex((l) => l > 0.05);
    const shut = sticky.lift.findIndex((l, k) => k > opened && l < 0.01);
    if (shut > 0) expect(sticky.coolant_c[shut]!).toBeLessThan(opensAt_c(sticky) - 10);
  });

  it('a weak spring opens lower on the road than in town', () => {
    const level = (kind: Phase['kind']) =>
      last(drive({ openingShift_k: -8, springPerRpm_k: 8 }, {}, 10, [{ kind, duration_s: 1500 }]).coolant_c);
    expect(level('idle')).toBeGreaterThan(level('motorway') + 4);
  });

  it('a seal that is pressed open passes more at speed', () => {
    const at = (leakPerRpm: number) =>
      drive({ leakFraction: 0.1, leakPerRpm }, {}, -5, [{ kind: 'motorway', duration_s: 420 }]);
    expect(last(at(0.5).coolant_c)).toBeLessThan(last(at(0).coolant_c) - 1);
  });

  it('a sender that is all but dead follows a little, one that drifts is right at 20 °C', () => {
    const dead = drive({ senderGain: 0.06, senderRest_c: 15 });
    expect(top(dead.ect_c) - dead.ect_c[0]!).toBeLessThan(9);
    expect(last(dead.ect_c)).toBeGreaterThan(dead.ect_c[0]! + 1);
    const drifts = drive({ senderDrift: -0.2 }, {}, 20);
    expect(Math.abs(drifts.ect_c[0]! - 20)).toBeLessThan(1.5);
    expect(last(drifts.coolant_c) - last(drifts.ect_c)).toBeGreaterThan(9);
  });

  it('drop-outs show what broke', () => {
    const shown = (dropoutKind: PlantFault['dropoutKind']) => drive({ dropoutsPerMin: 2, dropoutKind }).ect_c;
    expect(shown('open').some((v) => v === -40)).toBe(true);
    expect(shown('open').some((v) => v > 130)).toBe(false);
    expect(shown('short').some((v) => v === 140)).toBe(true);
    expect(shown('contact').every((v) => v < 130)).toBe(true);
  });

  it('two in one car are both there', () => {
    for (const pair of FAULT_PAIRS) {
      const { fault, ways } = drawWays(pair, seededRandom(9), vehicle);
      expect(ways.map((w) => w.cause)).toEqual(pair);
      expect(fault.cause).toBe(pair[0]);
      const changed = Object.keys(fault).filter(
        (k) => k !== 'cause' && fault[k as keyof PlantFault] !== NO_FAULT[k as keyof PlantFault],
      );
      expect(changed.length).toBeGreaterThanOrEqual(2);
    }
  });
});

describe('a drive in a world', () => {
  const request: WorldRequest = {
    ...{ seed: 77, world: 3, causes: ['thermostat-stuck-open'], channelSet: 'full', start: 'cold' },
  };

  it('is the same for the same request', () => {
    expect(drawWorldScenario(request)).toEqual(drawWorldScenario(request));
  });

  it('tells what was wrong and how far it moved the reading', () => {
    const s = drawWorldScenario(request);
    expect(s.causes).toEqual(['thermostat-stuck-open']);
    expect(s.effect_k).toBeGreaterThan(1);
    const sound = drawWorldScenario({ ...request, causes: ['healthy'] });
    expect(sound.effect_k).toBe(0);
    expect(['healthy', 'insufficient-heat']).toContain(sound.causes[0]);
  });

  it('a gauge’s fault is seen on the gauge, which is logged', () => {
    const s = drawWorldScenario({ ...request, causes: ['gauge-sender-fault'], channelSet: 'basic' });
    expect(s.trace.channels.gauge_c).toBeDefined();
    expect(s.effect_k).toBeGreaterThan(2);
  });

  it('a hot start begins near the rating', () => {
    const { trace, vehicle: v } = drawWorldScenario({ ...request, start: 'hot', causes: ['healthy'] });
    expect(trace.channels.ect_c.find(Number.isFinite)!).toBeGreaterThan(v.thermostat.rated_c - 25);
  });
});
