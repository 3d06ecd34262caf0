import * as Comlink from 'comlink';
import { describe, expect, it, vi } from 'vitest';
import { fail, ok, type Result } from '@/core/base';
import { callWorker, keptWorkers } from './callWorker';
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

const alone = (f: ReturnType<typeof fake>) => keptWorkers<unknown>(() => f, 0);

describe('a call to a worker', () => {
  it('gives the answer', async () => {
    const f = fake();
    expect(await callWorker(alone(f), () => Promise.resolve(ok(7))).result).toEqual(ok(7));
    expect(f.terminate).toHaveBeenCalledOnce();
    expect(f.released).toHaveBeenCalledOnce();
  });

  it('ends at once when cancelled', async () => {
    const f = fake();
    const running = callWorker(alone(f), () => never);
    running.cancel();
    expect(await running.result).toEqual({ ok: false, error: { kind: 'cancelled' } });
    expect(f.terminate).toHaveBeenCalledOnce();
  });

  it('is told how far it is, but not after its answer nor after cancelling: that channel may be late', async () => {
    const told: string[] = [];
    const listeners: ((share: number) => void)[] = [];
    const call = (name: string, answer: Promise<Result<number, WorkerBug>>) =>
      callWorker(alone(fake()), (_, heard) => {
        listeners.push(heard((share: number) => told.push(`${name} ${share}`)));
        return answer;
      });
    const first = call('answered', Promise.resolve(ok(7)));
    const second = call('cancelled', never);
    for (const tell of listeners) tell(0.5);
    expect(await first.result).toEqual(ok(7));
    second.cancel();
    for (const tell of listeners) tell(0.9);
    expect(told).toEqual(['answered 0.5', 'cancelled 0.5']);
  });

  it('says why a worker could not start', async () => {
    const f = fake();
    const running = callWorker(alone(f), () => never);
    f.listeners.error!({ message: 'no such file' });
    expect(await running.result).toMatchObject({ ok: false, error: { kind: 'bug', message: 'no such file' } });
  });
});

describe('a call that breaks off', () => {
  it('is told, whatever it was about, and the worker ends', async () => {
    const f = fake();
    const running = callWorker(
      keptWorkers<unknown>(() => f),
      () => Promise.reject(new Error('the port closed')),
    );
    expect(await running.result).toMatchObject({ ok: false, error: { kind: 'bug', message: 'the port closed' } });
    expect(f.terminate).toHaveBeenCalledOnce();
  });
});

describe('a kept worker', () => {
  /** Workers whose openings are counted. */
  function counted() {
    const opened: ReturnType<typeof fake>[] = [];
    const workers = keptWorkers<unknown>(() => {
      opened.push(fake());
      return opened.at(-1)!;
    }, 1000);
    return { opened, workers };
  }
  const seven = () => Promise.resolve(ok(7));

  it('takes the next call, and ends when none comes', async () => {
    vi.useFakeTimers();
    try {
      const { opened, workers } = counted();
      expect(await callWorker(workers, seven).result).toEqual(ok(7));
      vi.advanceTimersByTime(900);
      expect(await callWorker(workers, seven).result).toEqual(ok(7));
      vi.advanceTimersByTime(900);
      expect(opened).toHaveLength(1);
      expect(opened[0]!.terminate).not.toHaveBeenCalled();
      vi.advanceTimersByTime(200);
      expect(opened[0]!.terminate).toHaveBeenCalledOnce();
      expect(await callWorker(workers, seven).result).toEqual(ok(7));
      expect(opened).toHaveLength(2);
    } finally {
      vi.useRealTimers();
    }
  });

  it('does one thing at a time', async () => {
    const { opened, workers } = counted();
    const both = [callWorker(workers, seven).result, callWorker(workers, seven).result];
    expect(opened).toHaveLength(2);
    await Promise.all(both);
  });

  it('is not used again after an error, a cancelled call or a crash', async () => {
    const { opened, workers } = counted();
    const bug = fail({ kind: 'bug' as const, message: 'x', stack: '' });
    expect(await callWorker(workers, () => Promise.resolve(bug)).result).toEqual(bug);
    expect(opened[0]!.terminate).toHaveBeenCalledOnce();
    const stopped = callWorker(workers, () => never);
    stopped.cancel();
    expect((await stopped.result).ok).toBe(false);
    expect(opened[1]!.terminate).toHaveBeenCalledOnce();
    const crashing = callWorker(workers, () => never);
    opened[2]!.listeners.error!({ message: 'out of memory' });
    expect((await crashing.result).ok).toBe(false);
    expect(opened.map((f) => f.terminate.mock.calls.length)).toEqual([1, 1, 1]);
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
