import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  buildCurve,
  converterStep_k,
  ohmsBehind,
  pinVolts,
  readPoints,
  SENDER_FAMILIES,
  senderCelsius,
  senderOhms,
  USUAL_CIRCUIT,
  type CurveSpec,
} from '.';

const built = (spec: CurveSpec) => {
  const found = buildCurve(spec);
  if (!found.ok) throw new Error(found.error.message);
  return found.value;
};
const refused = (spec: CurveSpec) => {
  const found = buildCurve(spec);
  if (found.ok) throw new Error('it was taken');
  return found.error;
};

/** Resistances in ohm as tables of interchangeable thermistors give them: 2252 Ω and 10 kΩ at 25 °C, two steepnesses. */
const PUBLISHED: Readonly<Record<string, readonly (readonly [number, number])[]>> = {
  '2252 Ω': [
    [0, 7355],
    [10, 4482],
    [20, 2814],
    [25, 2252],
    [30, 1815],
    [40, 1200],
    [50, 811.3],
    [60, 560.3],
    [70, 394.5],
    [80, 282.7],
    [90, 206.1],
    [100, 152.8],
  ],
  '10 kΩ': [
    [0, 32650],
    [10, 19900],
    [20, 12490],
    [25, 10000],
    [30, 8057],
    [40, 5327],
    [50, 3603],
    [60, 2488],
    [70, 1752],
    [80, 1258],
    [90, 918],
    [100, 680],
  ],
  '10 kΩ, flatter': [
    [0, 29490],
    [10, 18790],
    [20, 12260],
    [25, 10000],
    [30, 8194],
    [40, 5592],
    [50, 3893],
    [60, 2760],
    [70, 1990],
    [80, 1458],
    [90, 1084],
    [100, 816.8],
  ],
};

describe('a curve through three points', () => {
  it.each(Object.entries(PUBLISHED))('meets the rest of a published table to 0.1 °C: %s', (_, table) => {
    const three = [table[0]!, table[6]!, table.at(-1)!];
    const { curve } = built({ kind: 'points', points: three });
    for (const [c, ohm] of table) expect(Math.abs(senderCelsius(curve, ohm) - c)).toBeLessThan(0.1);
  });

  it('shows how far it runs from more points', () => {
    const { curve, residuals_k } = built({ kind: 'points', points: PUBLISHED['10 kΩ']! });
    expect(Math.max(...residuals_k.map(Math.abs))).toBeLessThan(0.05);
    expect(senderOhms(curve, 25)).toBeCloseTo(10000, -2);
    const bent = PUBLISHED['10 kΩ']!.map(([c, ohm]) => [c, c === 50 ? ohm * 1.1 : ohm] as const);
    const off = built({ kind: 'points', points: bent }).residuals_k;
    expect(Math.abs(off[6]!)).toBeGreaterThan(1);
  });

  it('takes falling temperatures as well', () => {
    const up = built({ kind: 'points', points: PUBLISHED['2252 Ω']! });
    const down = built({ kind: 'points', points: [...PUBLISHED['2252 Ω']!].reverse() });
    expect(senderOhms(down.curve, 63)).toBeCloseTo(senderOhms(up.curve, 63), 6);
  });
});

describe('other ways to know a curve', () => {
  it('a table is met at every one of its points, both ways, and goes on straight past its ends', () => {
    const points = SENDER_FAMILIES[0]!.points;
    const { curve } = built({ kind: 'table', points });
    for (const [c, ohm] of points) {
      expect(senderOhms(curve, c)).toBeCloseTo(ohm, 6);
      expect(senderCelsius(curve, ohm)).toBeCloseTo(c, 6);
    }
    expect(senderOhms(curve, 135)).toBeLessThan(113);
    expect(senderOhms(curve, 135)).toBeGreaterThan(60);
  });

  it('beta is the two-point formula', () => {
    const { curve } = built({ kind: 'beta', ohm: 10000, at_c: 25, beta_k: 3950 });
    expect(senderOhms(curve, 25)).toBeCloseTo(10000, 6);
    // R = R25 exp(beta (1/T - 1/298.15)).
    expect(senderOhms(curve, 85)).toBeCloseTo(10000 * Math.exp(3950 * (1 / 358.15 - 1 / 298.15)), 6);
    expect(senderCelsius(curve, senderOhms(curve, -12))).toBeCloseTo(-12, 8);
  });

  it.each(SENDER_FAMILIES.map((f) => [f.id]))('family %s is generic, falls, and inverts', (family) => {
    const { curve, generic, residuals_k } = built({ kind: 'family', family });
    expect(generic).toBe(true);
    expect(Math.max(...residuals_k.map(Math.abs))).toBeLessThan(0.3);
    fc.assert(
      fc.property(fc.double({ min: -35, max: 130, noNaN: true }), (c) => {
        expect(senderCelsius(curve, senderOhms(curve, c))).toBeCloseTo(c, 4);
        expect(senderOhms(curve, c + 5)).toBeLessThan(senderOhms(curve, c));
      }),
    );
  });
});

describe('points that cannot be', () => {
  it.each([
    [
      'two',
      [
        [20, 2500],
        [80, 320],
      ],
      'points',
      /3 points/,
    ],
    [
      'a resistance of 0',
      [
        [20, 2500],
        [80, 0],
        [100, 186],
      ],
      'points[1]',
      /above 0/,
    ],
    [
      '300 °C',
      [
        [20, 2500],
        [80, 320],
        [300, 8],
      ],
      'points[2]',
      /-60 and 200/,
    ],
    [
      'out of order',
      [
        [20, 2500],
        [100, 186],
        [80, 320],
      ],
      'points[2]',
      /out of order/,
    ],
    [
      'the same twice',
      [
        [20, 2500],
        [20, 2400],
        [80, 320],
      ],
      'points[1]',
      /out of order/,
    ],
    [
      'rising with temperature',
      [
        [20, 2500],
        [80, 2600],
        [100, 186],
      ],
      'points[1]',
      /must fall/,
    ],
    [
      'not a number',
      [
        [20, 2500],
        [NaN, 320],
        [100, 186],
      ],
      'points[1]',
      /Not a number/,
    ],
  ] as const)('%s', (_, points, path, says) => {
    const error = refused({ kind: 'points', points });
    expect(error.path).toBe(path);
    expect(error.message).toMatch(says);
  });

  it('names an unknown family, and a beta that no sender has', () => {
    expect(refused({ kind: 'family', family: 'x' })).toMatchObject({ path: 'family' });
    expect(refused({ kind: 'beta', ohm: -1, at_c: 25, beta_k: 3900 }).path).toBe('ohm');
    expect(refused({ kind: 'beta', ohm: 1000, at_c: 25, beta_k: 50 }).path).toBe('beta_k');
    expect(refused({ kind: 'beta', ohm: 1000, at_c: 250, beta_k: 3900 }).path).toBe('at_c');
  });
});

describe('pasted points', () => {
  it.each([
    ['tabs', '20\t2500\n80\t320'],
    ['semicolons and decimal commas', '20,0; 2500,0\n80,0; 320'],
    ['a heading and units', 'T °C  R\n20 °C; 2.5 kΩ\n80 °C; 320 Ω'],
    ['commas', '20,2500\n80,320'],
    ['spaces', '  20   2.5k \r\n\r\n80 320'],
  ])('%s', (_, text) => {
    expect(readPoints(text)).toEqual({
      ok: true,
      value: [
        [20, 2500],
        [80, 320],
      ],
    });
  });

  it('names the line that it cannot read', () => {
    expect(readPoints('20 2500\n80 warm 3')).toMatchObject({ ok: false, error: { path: 'line 2' } });
  });
});

describe('the circuit', () => {
  const { curve } = built({ kind: 'family', family: 'generic-2k5' });

  it('a voltage and its resistance belong together, on either pull-up', () => {
    const circuit = { ...USUAL_CIRCUIT, second: { pullUp_ohm: 300, from_c: 55 } };
    for (const c of [0, 30, 50, 60, 90]) {
      const pull = c >= 55 ? 300 : circuit.pullUp_ohm;
      const volt = pinVolts(senderOhms(curve, c), circuit, pull);
      expect(senderCelsius(curve, ohmsBehind(volt, circuit, { curve, near_c: c }))).toBeCloseTo(c, 3);
    }
  });

  it('the steps of a converter are coarse where the curve is flat', () => {
    expect(converterStep_k({ ...USUAL_CIRCUIT, bits: null }, curve, 90)).toBe(0);
    expect(converterStep_k(USUAL_CIRCUIT, curve, 120)).toBeGreaterThan(converterStep_k(USUAL_CIRCUIT, curve, 40));
    const fine = { ...USUAL_CIRCUIT, second: { pullUp_ohm: 200, from_c: 55 } };
    expect(converterStep_k(fine, curve, 110)).toBeLessThan(converterStep_k(USUAL_CIRCUIT, curve, 110));
  });

  it('nothing plugged in is the reference, a bridge is nothing', () => {
    expect(pinVolts(Infinity, USUAL_CIRCUIT, 2000)).toBe(5);
    expect(pinVolts(0, USUAL_CIRCUIT, 2000)).toBe(0);
  });
});
