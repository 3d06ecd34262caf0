import { describe, expect, it } from 'vitest';
import { perCause } from '../base';
import { BASE_RATES, CATALOGUE, catalogueItem } from '../evidence';
import { MONITOR_DEFAULTS } from '../monitor';
import { figuresFile, figuresOf, NO_OWN_FIGURES, readFigures, SHIPPED_FIGURES, type OwnFigures } from './figures';
import { CAR } from '../../../tests/support/madeCases';

const OWN: OwnFigures = {
  baseRates: { 'sender-slow': 0.2 },
  tables: { 'look-belt': { outlet: [perCause(() => 0.4), perCause(() => 0.6)] } },
  prices: { currency: 'kr', labourPerHour: 700 },
  monitors: { grace_s: 60, warmUp: 'time', tables: { ...MONITOR_DEFAULTS.tables, time: [[0, 800]] } },
  risks: { badPart: 0.1 },
  altitude_m: 1500,
};

describe('a shop’s own figures', () => {
  it('come back from their file as they were', () => {
    expect(readFigures(JSON.parse(JSON.stringify(figuresFile(OWN))))).toEqual({ ok: true, value: OWN });
    expect(readFigures(figuresFile(NO_OWN_FIGURES))).toEqual({ ok: true, value: NO_OWN_FIGURES });
  });

  it('stand in place of the shipped ones and leave the rest', () => {
    const figures = figuresOf(OWN);
    expect(figures.baseRates).toEqual({ ...BASE_RATES, 'sender-slow': 0.2 });
    expect(figures.monitors).toEqual({ ...MONITOR_DEFAULTS, ...OWN.monitors });
    expect(catalogueItem('look-belt', figures.catalogue).likelihood('poor', CAR).healthy).toBe(0.4);
    expect(figures.catalogue).toHaveLength(CATALOGUE.length);
    expect(SHIPPED_FIGURES.catalogue).toBe(CATALOGUE);
  });

  const file = (change: object) => ({ ...figuresFile(NO_OWN_FIGURES), ...change });
  const rows = [perCause(() => 0.4), perCause(() => 0.6)];
  it.each<[string, unknown, RegExp]>([
    ['of another kind', { schema: 'other/1' }, /schema must be varmek-figures\/1/],
    ['with an unknown cause', file({ baseRates: { gremlins: 0.1 } }), /baseRates names a cause/],
    ['with a rate of one', file({ baseRates: { healthy: 1 } }), /baseRates.healthy must be below 1/],
    ['with an unknown price', file({ prices: { gold: 1 } }), /prices holds a name/],
    ['with a price below nothing', file({ prices: { sender: -1 } }), /prices.sender must be 0 or more/],
    ['with a limit that cannot be', file({ monitors: { grace_s: -4 } }), /monitors.grace_s must be 0 or more/],
    [
      'with a warm-up of no kind',
      file({ monitors: { warmUp: 'moon' } }),
      /monitors.warmUp must be one of sound-vehicle/,
    ],
    [
      'with a table that falls',
      file({
        monitors: {
          tables: {
            time: [
              [10, 900],
              [0, 700],
            ],
          },
        },
      }),
      /monitors.tables.time must rise/,
    ],
    [
      'with a table of words',
      file({ monitors: { tables: { air: [['cold', 5]] } } }),
      /monitors.tables.air must hold pairs of numbers/,
    ],
    [
      'with an amount that cannot be',
      file({ monitors: { tables: { fuel: [[10, 0]] } } }),
      /monitors.tables.fuel holds an amount/,
    ],
    [
      'with a table of another name',
      file({ monitors: { tables: { coffee: [[10, 1]] } } }),
      /monitors.tables holds a name/,
    ],
    ['from the moon', file({ altitude_m: 90000 }), /altitude_m must be 5000 or less/],
    ['with an unknown item', file({ tables: [{ item: 'x', layout: 'outlet', answers: rows }] }), /unknown item x/],
    [
      'with answers that do not sum to one',
      file({ tables: [{ item: 'look-belt', layout: 'outlet', answers: [rows[0], rows[0]] }] }),
      /answers of look-belt do not sum to 1/,
    ],
    [
      'with too few answers',
      file({ tables: [{ item: 'look-belt', layout: 'outlet', answers: [rows[0]] }] }),
      /look-belt needs 2 answers/,
    ],
    [
      'with a cause left out',
      file({ tables: [{ item: 'look-belt', layout: 'outlet', answers: [{ healthy: 0.4 }, { healthy: 0.6 }] }] }),
      /has no figure for insufficient-heat/,
    ],
    [
      'with a window of starts that nothing passes',
      file({ monitors: { startFrom_c: 60, startTo_c: 50 } }),
      /startFrom_c \(60\) must not be above monitors.startTo_c \(50\)/,
    ],
    ['with one end of it past the shipped other', file({ monitors: { startFrom_c: 55 } }), /startFrom_c \(55\)/],
    ['that are no object', 5, /object/],
  ])('%s are refused, and say where', (_, value, message) => {
    const read = readFigures(value);
    expect(!read.ok && read.error).toMatch(message);
  });
});
