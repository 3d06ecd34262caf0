/** Figures of the trace desk against the simulator's hidden truth: `npm run features -- [drives] [first seed]`. */
import { featureExam, withinTolerance } from './exam/featureExam';

const [count = 200, first = 730_000] = process.argv.slice(2).map(Number);
const { errors, promptOpenings, bendsTold } = featureExam(Array.from({ length: count }, (_, i) => first + i));
const percent = (share: number) => `${(100 * share).toFixed(0)} %`;
process.stdout.write(`${count} drives; prompt openings ${promptOpenings}, told on ${bendsTold}\n`);
for (const [name, tolerance] of [
  ['bend', 2],
  ['opening-time', 20],
  ['plateau', 1],
  ['minutes-to-60', 10],
] as const) {
  const w = withinTolerance(errors, name, tolerance);
  process.stdout.write(
    `${name.padEnd(16)} ${String(w.count).padStart(4)} told  within ${tolerance}: ${percent(w.within)}  within twice its uncertainty: ${percent(w.covered)}\n`,
  );
}
for (const e of errors.filter((x) => x.exists && Math.abs(x.error) > 3 * x.sd)) {
  process.stdout.write(`far off: ${e.seed} ${e.cause} ${e.name} ${e.error.toFixed(1)} (stated ${e.sd.toFixed(1)})\n`);
}
