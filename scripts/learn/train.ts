import { median, quantileSorted } from 'd3-array';
import { CAUSES } from '../../src/core/base';
import type { Experience, Net } from '../../src/core/judge';
import { seededRandom, type Random } from '../../src/core/plant';
import type { LearnCase } from './learnCase';

/** How the layer is trained. */
export interface TrainOptions {
  readonly nets: number;
  readonly hidden: number;
  readonly epochs: number;
  readonly batch: number;
  readonly rate: number;
  /** Pull of the weights to nothing. */
  readonly decay: number;
  /** Share of inputs and hidden units left out at random. */
  readonly dropout: number;
  /** Weight of a simulated drive against one of the archive. */
  readonly worldWeight: number;
  readonly deepest: number;
}

/** Set by leaving vehicles and worlds out, see docs/accuracy.md. */
export const TRAIN: TrainOptions = {
  nets: 6,
  hidden: 32,
  epochs: 35,
  batch: 128,
  rate: 0.01,
  decay: 0.004,
  dropout: 0.3,
  worldWeight: 0.5,
  deepest: 8,
};

/**
 * Shares that the worlds are weighed to: sound, too cold, and each fault. Near those of an archive; the sound a little
 * above, as to accuse one of them costs the most (working figures, decision 35).
 */
const SHARES = CAUSES.map((c) => (c === 'healthy' ? 0.22 : c === 'insufficient-heat' ? 0.065 : 0.0447));
const OUTPUTS = 2 * CAUSES.length;
const FURTHEST = 3;
/** What an error of presence costs against one of the odds (working figure, decision 21). */
const PRESENCE = 0.3;

/** Middle and spread of each figure over all drives in which it was seen. */
export function scaleOf(cases: readonly LearnCase[]): Pick<Experience, 'names' | 'middle' | 'spread'> {
  const names = [...new Set(cases.flatMap((c) => Object.keys(c.figures)))].sort();
  const kept: { name: string; middle: number; spread: number }[] = [];
  for (const name of names) {
    const values = cases
      .map((c) => c.figures[name])
      .filter((v): v is number => v !== null && v !== undefined)
      .sort((a, b) => a - b);
    if (values.length < 20) continue;
    const low = quantileSorted(values, 0.05)!;
    const high = quantileSorted(values, 0.95)!;
    const clipped = values.map((v) => Math.min(high, Math.max(low, v)));
    const mean = clipped.reduce((a, b) => a + b, 0) / clipped.length;
    const spread = Math.sqrt(clipped.reduce((a, b) => a + (b - mean) ** 2, 0) / clipped.length) + 1e-3;
    kept.push({ name, middle: median(values)!, spread });
  }
  return { names: kept.map((k) => k.name), middle: kept.map((k) => k.middle), spread: kept.map((k) => k.spread) };
}

/** A case as numbers. */
interface Row {
  readonly x: Float64Array;
  readonly physics: Float64Array;
  readonly y: Float64Array;
  /** How much presence learns from it, and how much the odds: these are of single causes, and learn nothing of pairs. */
  presence: number;
  odds: number;
}

function rowsOf(cases: readonly LearnCase[], scale: ReturnType<typeof scaleOf>, options: TrainOptions): Row[] {
  const rows = cases
    .filter((c) => c.counts)
    .map((c): Row => {
      const most = Math.max(...c.physics);
      const weight = c.origin === 'world' ? options.worldWeight : 1;
      const y = new Float64Array(OUTPUTS);
      for (const cause of c.causes) {
        const i = CAUSES.indexOf(cause);
        y[i]! += 1 / c.causes.length;
        y[CAUSES.length + i] = 1;
      }
      return {
        x: Float64Array.from(scale.names, (name, i) => {
          const v = c.figures[name];
          if (v === null || v === undefined) return 0;
          return Math.max(-FURTHEST, Math.min(FURTHEST, (v - scale.middle[i]!) / scale.spread[i]!));
        }),
        physics: Float64Array.from(c.physics, (p) => Math.max(-options.deepest, p - most)),
        y,
        presence: weight,
        odds: c.origin === 'world' && c.causes.length > 1 ? 0 : weight,
      };
    });
  const worlds = rows.filter((_, i) => cases.filter((c) => c.counts)[i]!.origin === 'world');
  const all = worlds.reduce((sum, r) => sum + r.odds, 0);
  const share = (i: number) => worlds.reduce((sum, r) => sum + r.odds * r.y[i]!, 0) / Math.max(1e-9, all);
  const factor = SHARES.map((wanted, i) => Math.min(4, Math.max(0.2, wanted / Math.max(1e-4, share(i)))));
  for (const row of worlds) {
    const f = factor.reduce((sum, wanted, i) => sum + wanted * row.y[i]!, 0);
    row.odds *= f;
    row.presence *= f;
  }
  return rows;
}

/** Adam's moments of one array of weights. Source: Kingma & Ba, arXiv 1412.6980. */
class Moments {
  private readonly first: Float64Array;
  private readonly second: Float64Array;
  constructor(size: number) {
    this.first = new Float64Array(size);
    this.second = new Float64Array(size);
  }
  step(weights: Float64Array, gradient: Float64Array, rate: number, t: number): void {
    const c1 = 1 - 0.9 ** t;
    const c2 = 1 - 0.999 ** t;
    for (let i = 0; i < weights.length; i++) {
      const g = gradient[i]!;
      const m = (this.first[i] = 0.9 * this.first[i]! + 0.1 * g);
      const v = (this.second[i] = 0.999 * this.second[i]! + 0.001 * g * g);
      weights[i]! -= (rate * (m / c1)) / (Math.sqrt(v / c2) + 1e-8);
    }
  }
}

function trainNet(rows: readonly Row[], inputs: number, random: Random, o: TrainOptions): Net {
  const { hidden: H } = o;
  const normal = (n: number, sd: number) => Float64Array.from({ length: n }, () => random.normal(0, sd));
  const w1 = normal(inputs * H, 1 / Math.sqrt(inputs));
  const b1 = new Float64Array(H);
  const w2 = normal(H * OUTPUTS, 0.1 / Math.sqrt(H));
  const b2 = new Float64Array(OUTPUTS);
  b2.fill(-3, CAUSES.length);
  const gain = Float64Array.of(1);
  const all = [w1, b1, w2, b2, gain];
  const gradients = all.map((a) => new Float64Array(a.length));
  const moments = all.map((a) => new Moments(a.length));
  const [g1, gb1, g2, gb2, gGain] = gradients as [Float64Array, Float64Array, Float64Array, Float64Array, Float64Array];
  const order = rows.map((_, i) => i);
  const keep = 1 / (1 - o.dropout);
  const x = new Float64Array(inputs);
  const a = new Float64Array(H);
  const mask = new Float64Array(H);
  const back = new Float64Array(H);
  const out = new Float64Array(OUTPUTS);
  let t = 0;
  for (let epoch = 0; epoch < o.epochs; epoch++) {
    for (let i = order.length - 1; i > 0; i--) {
      const j = Math.min(i, Math.floor(random.uniform(0, i + 1)));
      [order[i], order[j]] = [order[j]!, order[i]!];
    }
    const rate = o.rate * (0.5 * (1 + Math.cos((Math.PI * epoch) / o.epochs)) + 0.02);
    for (let from = 0; from < order.length; from += o.batch) {
      const batch = order.slice(from, from + o.batch);
      for (const g of gradients) g.fill(0);
      for (const n of batch) {
        const row = rows[n]!;
        a.set(b1);
        for (let i = 0; i < inputs; i++) {
          const v = (x[i] = row.x[i] !== 0 && !random.chance(o.dropout) ? row.x[i]! * keep : 0);
          if (v !== 0) for (let h = 0; h < H; h++) a[h]! += v * w1[i * H + h]!;
        }
        out.set(b2);
        for (let h = 0; h < H; h++) {
          a[h] = Math.tanh(a[h]!);
          mask[h] = random.chance(o.dropout) ? 0 : keep;
          const v = a[h]! * mask[h]!;
          if (v !== 0) for (let k = 0; k < OUTPUTS; k++) out[k]! += v * w2[h * OUTPUTS + k]!;
        }
        let most = -Infinity;
        for (let k = 0; k < CAUSES.length; k++) most = Math.max(most, (out[k]! += gain[0]! * row.physics[k]!));
        let total = 0;
        for (let k = 0; k < CAUSES.length; k++) total += Math.exp(out[k]! - most);
        for (let k = 0; k < OUTPUTS; k++) {
          const first = k < CAUSES.length;
          const p = first ? Math.exp(out[k]! - most) / total : 1 / (1 + Math.exp(-out[k]!));
          const e = ((p - row.y[k]!) * (first ? row.odds : PRESENCE * row.presence)) / batch.length;
          out[k] = e;
          gb2[k]! += e;
          if (first) gGain[0]! += e * row.physics[k]!;
        }
        for (let h = 0; h < H; h++) {
          const v = a[h]! * mask[h]!;
          let sum = 0;
          for (let k = 0; k < OUTPUTS; k++) {
            const e = out[k]!;
            g2[h * OUTPUTS + k]! += v * e;
            sum += w2[h * OUTPUTS + k]! * e;
          }
          back[h] = sum * mask[h]! * (1 - a[h]! * a[h]!);
          gb1[h]! += back[h]!;
        }
        for (let i = 0; i < inputs; i++) {
          const v = x[i]!;
          if (v !== 0) for (let h = 0; h < H; h++) g1[i * H + h]! += v * back[h]!;
        }
      }
      for (let i = 0; i < w1.length; i++) g1[i]! += o.decay * w1[i]!;
      for (let i = 0; i < w2.length; i++) g2[i]! += o.decay * w2[i]!;
      t++;
      all.forEach((w, i) => moments[i]!.step(w, gradients[i]!, rate, t));
    }
  }
  const round = (values: Float64Array) => Array.from(values, (v) => Math.round(v * 1e3) / 1e3);
  return { w1: round(w1), b1: round(b1), w2: round(w2), b2: round(b2), gain: Math.round(gain[0]! * 1e4) / 1e4 };
}

/** Trains the layer. @param seed same seed, same weights */
export function train(cases: readonly LearnCase[], seed: number, options: TrainOptions = TRAIN): Experience {
  const scale = scaleOf(cases);
  const rows = rowsOf(cases, scale, options);
  const nets = Array.from({ length: options.nets }, (_, i) =>
    trainNet(rows, scale.names.length, seededRandom(seed + i), options),
  );
  return {
    schema: 'varmek-experience/1',
    ...scale,
    hidden: options.hidden,
    nets,
    deepest: options.deepest,
  };
}
