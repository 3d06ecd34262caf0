import { describe, expect, it } from 'vitest';
import { clock } from './clock';

describe('the clock', () => {
  it('writes minutes and seconds', () => {
    expect([clock(0), clock(65.9), clock(3600), clock(-3)]).toEqual(['0:00', '1:05', '60:00', '0:00']);
  });
});
