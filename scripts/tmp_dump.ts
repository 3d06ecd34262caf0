import { writeFileSync } from 'node:fs';
import v8 from 'node:v8';
import { judgeNow } from '../src/core/judge';
import { drawScenario } from '../src/core/plant';
import { requestFor } from './exam/case';
const [from, to, out] = process.argv.slice(2);
const exam = { seed: 620000, only: null };
const rows = [];
for (let i = Number(from); i < Number(to); i++) {
  const request = { ...requestFor(i, exam), hotStart: false };
  const asked = request.cause === 'gauge-sender-fault' ? { ...request, channelSet: 'full' as const } : request;
  const one = drawScenario(asked);
  const two = drawScenario({ ...asked, seed: asked.seed + 7_000_000, vehicle: one.vehicle, same: { body: one.body, fault: one.fault } });
  const f = [one, two].map((s) => { const { quality, evidence, ways, basis } = judgeNow(s.trace, one.vehicle); return { quality, evidence, ways, basis }; });
  rows.push({ i, vehicle: one.vehicle, causes: [one.cause, two.cause], effects: [one.effect_k, two.effect_k], set: one.channelSet, f });
}
writeFileSync(out!, v8.serialize(rows));
