/** Parts on the bench against the truth: `npm run parts -- [tests] [first seed]`. */
import { rollup } from 'd3-array';
import { alikeExam, senderExam, thermostatExam } from './exam/benchExam';

const [count = 300, first = 20_000] = process.argv.slice(2).map(Number);
const seeds = Array.from({ length: count }, (_, i) => first + i);
const percent = (part: number, of: number) => `${((100 * part) / of).toFixed(1)} % (${of})`;
const say = (line: string) => process.stdout.write(`${line}\n`);

const tests = thermostatExam(seeds);
say(`thermostats in hot water: ${count} tests`);
for (const figure of ['opens', 'full', 'closes', 'hysteresis', 'lift'] as const) {
  const errors = tests.flatMap((t) => t.errors.filter((e) => e.figure === figure));
  const within = (by: number) => errors.filter((e) => Math.abs(e.error) < by * e.sd).length;
  const rms = Math.sqrt(errors.reduce((sum, e) => sum + e.error ** 2, 0) / errors.length);
  say(
    `  ${figure.padEnd(11)} rms ${rms.toFixed(2)}  within its sd ${percent(within(1), errors.length)}  within 1.64 ${percent(within(1.645), errors.length)}`,
  );
}
for (const truth of [...new Set(tests.map((t) => t.truth))].sort()) {
  const of = tests.filter((t) => t.truth === truth);
  const counts = rollup(
    of,
    (list) => list.length,
    (t) => t.said,
  );
  const said = [...counts].map(([name, n]) => `${name} ${n}`);
  say(`  ${truth.padEnd(13)} ${said.join(', ')}`);
}

const senders = senderExam(seeds);
const faulty = senders.filter((s) => s.truth !== 'good' && s.over > 3);
const right = faulty.filter((s) => s.said === s.truth).length;
const wrong = faulty.filter((s) => s.said !== null && s.said !== s.truth);
say(`senders: ${count} tests`);
say(`  a fault whose error is over three tolerances at some point, named right: ${percent(right, faulty.length)}`);
const twice = faulty.filter((s) => s.clear >= 2);
say(`  the same at two points or more: ${percent(twice.filter((s) => s.said === s.truth).length, twice.length)}`);
say(`  of those that were named at all, right: ${percent(right, right + wrong.length)}`);
for (const w of wrong) say(`  wrong: ${w.truth} called ${w.said} at ${w.probability.toFixed(2)}`);
const good = senders.filter((s) => s.truth === 'good');
say(`  sound ones called sound: ${percent(good.filter((s) => s.said === 'good').length, good.length)}`);
const told = senders.filter((s) => s.truth !== 'open' && s.truth !== 'short');
const covered = told.filter((s) => Math.abs(s.error90_k) < s.band90_k).length;
say(`  error at 90 °C inside its band of 90 in 100: ${percent(covered, told.length)}`);
const alike = alikeExam(seeds);
const silent = alike.filter((a) => a.said === null).length;
say(`  two faults alike where measured, "cannot tell": ${percent(silent, alike.length)}`);
say(
  `  the same, named and wrong: ${percent(alike.filter((a) => a.said !== null && a.said !== a.truth).length, alike.length)}`,
);
