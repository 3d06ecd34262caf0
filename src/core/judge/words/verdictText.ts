import { neighboursOf } from '../../base';
import { acrossDivide, CAUSE_TEXT, causeName } from '../../evidence';
import type { Finding } from '../finding';
import { remarksText } from './remarkText';

/** Share from which a cause, alone or with its neighbours, is named without a word of caution. */
const LEADS_FROM = 0.5;

/** Share from which a neighbour is named beside the leading cause. */
const NAMED_FROM = 0.05;

/** The verdict of a finding in one or two sentences, with the first figures that speak for it. */
export function verdictText({
  causes,
  quality,
  verdict,
  why,
}: Pick<Finding, 'causes' | 'quality' | 'verdict' | 'why'>): string {
  const leader = causes[0]!;
  if (!quality.usable) return `Cannot tell from this trace: ${quality.problems[0] ?? 'not usable'}`;
  if (verdict.grade === 'inconclusive') {
    // The second cause may be one beside the leader: what fits as well is the one instead of it.
    const rival = why.flat().find((r) => r.kind === 'rival')?.figures.cause;
    const second = acrossDivide(causes)?.cause ?? rival ?? causes[1]!.cause;
    return `Cannot tell yet: ${causeName(leader.cause).toLowerCase()} and ${causeName(second).toLowerCase()} fit this trace about as well.`;
  }
  const { name, means } = CAUSE_TEXT[leader.cause];
  const first = remarksText(why[0] ?? []);
  if (leader.probability >= LEADS_FROM) return `${name}: ${means}. ${first}`;
  const near = neighboursOf(leader.cause);
  const others = causes.slice(1).filter((c) => near.includes(c.cause) && c.probability > NAMED_FROM);
  const together = others.reduce((sum, c) => sum + c.probability, leader.probability);
  if (others.length === 0 || together < LEADS_FROM) {
    return `${name}, by ${Math.round(100 * leader.probability)} % no more than the likeliest of several: ${means}. ${first}`;
  }
  const names = others.map((c) => causeName(c.cause).toLowerCase()).join(' or ');
  return `${name} or ${names}, together ${Math.round(100 * together)} %: this trace cannot part them. ${first}`;
}
