import * as Comlink from 'comlink';
import { describe, expect, it, vi } from 'vitest';
import { ok, type Result } from '@/core/base';
import { callWorker } from './callWorker';
import type { WorkerBug } from './protocol';
import { caught, drain } from './workerBug';

function fake() {
  const listeners: Record<string, (event: { message: string }) => void> = {};
  const worker = {
    terminate: vi.fn(),
    addEventListener: (name: string, listener: (event: { message: string }) => void) => {
      listeners[name] = listener;
    },
  };
  const released = vi.fn();
  const api = { [Comlink.releaseProxy]: released };
  return {
    worker: worker as unknown as Worker,
    api: api as unknown as Comlink.Remote<unknown>,
    listeners,
    released,
    terminate: worker.terminate,
  };
}

const never = new Promise<Result<number, WorkerBug>>(() => undefined);

describe('a call to a worker', () => {
  it('gives the answer and ends the worker', async () => {
    const f = fake();
    expect(
      await callWorker(
        () => f,
        () => Promise.resolve(ok(7)),
      ).result,
    ).toEqual(ok(7));
    expect(f.terminate).toHaveBeenCalledOnce();
    expect(f.released).toHaveBeenCalledOnce();
  });

  it('ends at once when cancelled', async () => {
    const f = fake();
    const running = callWorker(
      () => f,
      () => never,
    );
    running.cancel();
    expect(await running.result).toEqual({ ok: false, error: { kind: 'cancelled' } });
    expect(f.terminate).toHaveBeenCalledOnce();
  });

  it('says why a worker could not start', async () => {
    const f = fake();
    const running = callWorker(
      () => f,
      () => never,
    );
    f.listeners.error!({ message: 'no such file' });
    expect(await running.result).toMatchObject({ ok: false, error: { kind: 'bug', message: 'no such file' } });
  });
});

describe('a call that breaks off', () => {
  it('is told, whatever it was about, and the worker ends', async () => {
    const f = fake();
    const running = callWorker(
      () => f,
      () => Promise.reject(new Error('the port closed')),
    );
    expect(await running.result).toMatchObject({ ok: false, error: { kind: 'bug', message: 'the port closed' } });
    expect(f.terminate).toHaveBeenCalledOnce();
  });
});

describe('work in a worker', () => {
  it('turns a throw into plain data', async () => {
    const failed = await caught(() => {
      throw new RangeError('too far');
    });
    expect(failed).toMatchObject({ ok: false, error: { kind: 'bug', message: 'too far' } });
    expect(structuredClone(failed)).toEqual(failed);
    expect(await caught(() => 3)).toEqual(ok(3));
  });

  it('reports each step of a generator', () => {
    function* steps(): Generator<number, string, undefined> {
      yield 1;
      yield 2;
      return 'done';
    }
    const seen: number[] = [];
    expect(drain(steps(), (p) => seen.push(p))).toBe('done');
    expect(seen).toEqual([1, 2]);
  });
});
