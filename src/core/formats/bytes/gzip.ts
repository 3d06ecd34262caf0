import { Inflate } from 'pako';
import { importError, type ImportError } from '../importError';

/** Packed bytes taken at once: deflate grows at most about a thousandfold, so a limit is seen in time. */
const STEP = 16 * 1024;

const damaged = (why: string): ImportError =>
  importError('bad-archive', `This gzip file is damaged or cut off (${why}). Copy or export it again.`);

/** Unpacks a gzip stream of one or several members as it comes; checksums and lengths are checked by the library. */
export function gunzip(take: (bytes: Uint8Array) => ImportError | null): {
  readonly push: (bytes: Uint8Array) => ImportError | null;
  readonly finish: () => ImportError | null;
} {
  let problem: ImportError | null = null;
  let ended = false;
  let inflate = fresh();

  function fresh(): Inflate {
    const one = new Inflate();
    one.onData = (chunk) => {
      problem ??= take(chunk as Uint8Array);
    };
    one.onEnd = (status) => {
      ended = true;
      if (status !== 0) problem ??= damaged(one.msg || 'it does not unpack');
    };
    return one;
  }

  const step = (bytes: Uint8Array): void => {
    if (ended) {
      // Some writers fill up the end with zeros.
      if (bytes.every((b) => b === 0)) return;
      ended = false;
      inflate = fresh();
    }
    inflate.push(bytes);
  };

  return {
    push: (bytes) => {
      for (let at = 0; at < bytes.length && !problem; at += STEP) step(bytes.subarray(at, at + STEP));
      return problem;
    },
    finish: () => problem ?? (ended ? null : damaged('its end is missing')),
  };
}
