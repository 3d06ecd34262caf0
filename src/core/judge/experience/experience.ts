import { CAUSES } from '../../base';
import type { Experience } from './network';
import weights from './weights.json' with { type: 'json' };

/** Reads the data file; a file that does not fit is a fault of the build, found by the first test that judges. */
function checked(data: Experience): Experience {
  const inputs = data.names.length;
  const outputs = 2 * CAUSES.length;
  const fits = data.nets.every(
    (net) =>
      net.w1.length === inputs * data.hidden &&
      net.b1.length === data.hidden &&
      net.w2.length === data.hidden * outputs &&
      net.b2.length === outputs,
  );
  if (!fits || data.middle.length !== inputs || data.spread.length !== inputs) {
    throw new RangeError('weights.json: sizes do not fit together; run npm run learn');
  }
  return data;
}

/** What was learned of drives with a known outcome, see docs/accuracy.md. */
export const EXPERIENCE: Experience = checked(weights as Experience);
