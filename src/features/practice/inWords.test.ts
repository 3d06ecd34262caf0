import { fail, ok } from '@/core/base';
import { describe, expect, it } from 'vitest';
import { inWords } from './inWords';

describe('a failure of a worker in words', () => {
  it('says why and what to do; says nothing of what a person stopped', async () => {
    expect(await inWords(Promise.resolve(ok(3)))).toEqual(ok(3));
    expect(await inWords(Promise.resolve(fail({ kind: 'cancelled' })))).toEqual(fail(null));
    const failed = await inWords(Promise.resolve(fail({ kind: 'bug', message: 'no memory' })));
    expect(failed).toMatchObject({ ok: false, error: expect.stringMatching(/no memory.*try again/) as string });
  });
});
