import type { Cause } from '../../src/core/base';

/** What each way shows that others of the same cause do not: the words of docs/causes.md. */
export const SIGNS: Readonly<Record<Cause, Readonly<Record<string, string>>>> = {
  healthy: { plain: 'bends at its rating and holds there, whatever the road' },
  'insufficient-heat': {
    plain: 'climbs as its heat allows, ends under the rating, sags with the blower; the start is right',
  },
  'thermostat-stuck-open': { plain: 'slow from the first minute, no bend, the level follows road speed' },
  'thermostat-leaking': {
    seal: 'slow, and slower the faster the engine turns: the pump presses the seal open',
    debris: 'slow from the start at any speed; the bend is there, but late and soft',
    vent: 'a little slow, a little low on the motorway; shows in the cold only',
  },
  'thermostat-opens-early': {
    'tired-wax': 'warms at the usual pace, bends too low and softly, the level creeps with load',
    'weak-spring': 'bends too low, and lower the faster the engine turns; level in town, low on the road',
    'wrong-part': 'bends sharply at another, round rating and holds there',
  },
  'thermostat-opens-late': {
    shifted: 'warms at the usual pace past its rating, then holds too high',
    barely: 'bends near its rating, then climbs with load: the gap is too small',
    sticky: 'overshoots, opens with a drop, closes late: a saw-tooth of its own',
  },
  'thermostat-stuck-closed': { plain: 'no bend at all; climbs until someone stops or it boils' },
  'thermostat-heating-fault': {
    dead: 'holds at the unheated rating under load and in the heat, where it should be let down',
    'always-on': 'holds at the heated rating at light load, where it should be let up',
  },
  'sender-reads-low': {
    offset: 'off by the same at the soak and when warm; the bend is flat and too low',
    series: 'right when cold, lower the hotter: resistance in plug or wire',
    drift: 'right near 20 °C, off in proportion above',
  },
  'sender-reads-high': {
    offset: 'off by the same at the soak and when warm; fan and mixture act too soon',
    parallel: 'high when cold, right when hot: leakage across the sender',
    drift: 'right near 20 °C, off in proportion above',
  },
  'sender-slow': { plain: 'starts late, rounds every corner, misses every short dip' },
  'sender-intermittent': {
    contact: 'dips of tens of kelvin that come and go',
    open: 'drops to the cold rail',
    short: 'jumps to the hot rail',
  },
  'sender-stuck': {
    frozen: 'stands still from key-on',
    freezes: 'stops in mid-climb and stays',
    'near-frozen': 'follows a twentieth of what the engine does',
  },
  'gauge-sender-fault': {
    low: 'the gauge stands under the reading, which is right by the soak',
    high: 'the gauge stands over the reading, which is right by the soak',
    stuck: 'the gauge stays where it was while the reading goes on',
  },
  'fan-not-running': { plain: 'climbs at standstill, recovers with road speed' },
  'flow-restricted': {
    impeller: 'climbs at idle, recovers with engine speed',
    core: 'climbs with load at any road speed, outlet cold',
    airside: 'climbs with load, worse in heat and slow traffic; fan runs long',
  },
  'low-coolant-or-air': { plain: 'sudden lasting rises when air passes the sender, swings, weak heater' },
  'fan-always-on': { plain: 'never rises at standstill where it should; hardly slows the warm-up' },
};
