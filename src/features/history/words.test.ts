import { describe, expect, it } from 'vitest';
import { counted } from '@/core/history';
import { countedText } from '@/job/countedText';
import { testName } from './words';

describe('counts in words', () => {
  it('with their range, or that there are too few', () => {
    expect(countedText(counted(0, 0))).toBe('none yet');
    expect(countedText(counted(2, 3))).toBe('2 of 3: too few to say');
    expect(countedText(counted(18, 20))).toMatch(/^90 %, 18 of 20; true share \d+ % to \d+ %$/);
  });
});

describe('tests by name', () => {
  it('are called as on their screens; one that is not known keeps its key', () => {
    expect(testName('drive')).toBe('Logged warm-up drive');
    expect(testName('bench-thermostat')).toBe('Thermostat in hot water');
    expect(testName('soak')).not.toBe('soak');
    expect(testName('cold-start-log')).not.toBe('cold-start-log');
    expect(testName('seance')).toBe('seance');
  });
});
