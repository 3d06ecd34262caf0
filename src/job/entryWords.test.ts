import { describe, expect, it } from 'vitest';
import { newSenderBench, newThermostatBench, readingsOf, type BenchTest } from '@/core/bench';
import { newProof, type Entry } from '@/core/case';
import { entryText } from './entryWords';

const show = (_: string, si: number, digits = 0) => `${si.toFixed(digits)} °C`;
const words = (test: BenchTest, part: 'old' | 'new' = 'old'): string => {
  const entry: Entry = { id: 'b', at: 1, kind: 'bench', item: '', answer: '', part, text: '', test };
  return entryText(entry, show, () => '');
};
const reading = readingsOf([{ true_c: 20, of: 'ohm', value: 2500 }]);

describe('a bench test in the chronicle', () => {
  it.each([
    [{ ...newSenderBench('engine', []), readings: reading }, 'old', 'Sender on the bench: 1 reading'],
    [newSenderBench('gauge', []), 'new', 'Gauge sender on the bench, new part: 0 readings'],
    [newThermostatBench(88, null, 0), 'old', 'Thermostat in hot water, stamped 88 °C: 0 readings'],
    [
      { ...newThermostatBench(88, null, 0), cleaned: true },
      'old',
      'Thermostat in hot water, stamped 88 °C: 0 readings, after cleaning',
    ],
    [
      { of: 'mix', glycol: 'propylene', scale: 'ethylene', reads_c: -30 },
      'old',
      'Refractometer, ethylene scale: -30.0 °C, propylene glycol in the car',
    ],
    [
      {
        ...{ of: 'wiggle', fileName: 'plug.csv', unit: '°C', samples: 9, length_s: 9, scatter: 0, dropped: 0 },
        leaps: [{ at_s: 1, from: 40, to: -40 }],
      },
      'old',
      'Wiggled, plug.csv: 1 leap',
    ],
  ] as const)('%#', (test, part, says) => expect(words(test as BenchTest, part)).toBe(says));

  it('an answered item keeps its words', () => {
    const entry: Entry = { id: 'b', at: 1, kind: 'bench', item: 'fan-fuse', answer: 'blown', part: 'old', text: '' };
    expect(entryText(entry, show, () => '')).toMatch(/Fan fuse.*: blown or dead/);
  });
});

describe('something shown after the work', () => {
  const proof = (fields: Parameters<typeof newProof>[0]) =>
    entryText({ ...newProof(fields), id: 'p', at: 1 }, show, () => '');

  it.each([
    [{ item: 'leaks-hot', answer: 'dry' }, 'Looked for leaks hot, engine off: dry'],
    [{ item: 'pressure', answer: 'left-out', text: 'no tester' }, 'Pressure holds: left out. no tester'],
    [{ item: 'verdict', answer: 'proven', by: 'R. H.' }, 'Verdict: proven. signed by R. H.'],
    [{ text: 'Filled and bled.' }, 'Filled and bled.'],
  ] as const)('%j', (fields, text) => expect(proof(fields)).toBe(text));
});
