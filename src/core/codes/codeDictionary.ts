/**
 * Generic trouble codes that bear on coolant temperature: what they mean, when the monitor runs, and what they do not
 * prove. Meanings: SAE J2012 (generic part). Enabling conditions are typical, never one maker's.
 */

import type { ItemId } from '../evidence';

/** What is known of one code in general. */
export interface CodeMeaning {
  readonly code: string;
  readonly meaning: string;
  /** Typical conditions under which the monitor runs at all. */
  readonly runsWhen: string;
  readonly doesNotProve: string;
  /** Item of the evidence catalogue it answers; null where it says nothing about the causes here. */
  readonly itemId: ItemId | null;
}

const circuit = 'Key on; the circuit is watched all the time.';
const warm = 'After a cold start with some load; intake air and start within limits the maker chose.';

const meanings: readonly [string, string, string, string, ItemId | null][] = [
  [
    'P0115',
    'Coolant temperature sender circuit',
    circuit,
    'That the sender is bad: plug and wire set it too.',
    'code-sender-circuit',
  ],
  [
    'P0116',
    'Coolant temperature range or performance',
    warm,
    'Which of sender, thermostat or soak was off.',
    'code-P0116',
  ],
  [
    'P0117',
    'Coolant temperature circuit low: reads hot, short',
    circuit,
    'That the engine was hot.',
    'code-sender-circuit',
  ],
  [
    'P0118',
    'Coolant temperature circuit high: reads cold, open',
    circuit,
    'That the sender is bad: an unplugged connector sets it.',
    'code-sender-circuit',
  ],
  [
    'P0119',
    'Coolant temperature circuit intermittent',
    circuit,
    'Where the break is: sender, plug or wire.',
    'code-P0119',
  ],
  [
    'P0125',
    'Too cold for closed-loop fuel control',
    warm,
    'A bad thermostat: a cold light drive or a low sender set it alike.',
    'code-too-cold-for-control',
  ],
  [
    'P0126',
    'Too cold for stable operation',
    warm,
    'A bad thermostat: a cold light drive or a low sender set it alike.',
    'code-too-cold-for-control',
  ],
  [
    'P0128',
    'Coolant below thermostat regulating temperature',
    warm,
    'A bad thermostat: seal, sender, level, rating and a cold day set it alike.',
    'code-P0128',
  ],
  [
    'P0217',
    'Engine over temperature',
    'Always.',
    'Why: level, fan, flow, thermostat or a high-reading sender.',
    'code-P0217',
  ],
  [
    'P0480',
    'Fan 1 control circuit',
    circuit,
    'That the fan motor is bad: relay, fuse and wire set it.',
    'code-fan-circuit',
  ],
  [
    'P0481',
    'Fan 2 control circuit',
    circuit,
    'That the fan motor is bad: relay, fuse and wire set it.',
    'code-fan-circuit',
  ],
  [
    'P0597',
    'Thermostat heating element circuit open',
    circuit,
    'A bad thermostat: connector and wire alone set it.',
    'code-thermostat-heater',
  ],
  [
    'P0598',
    'Thermostat heating element circuit low',
    circuit,
    'A bad thermostat: connector and wire alone set it.',
    'code-thermostat-heater',
  ],
  [
    'P0599',
    'Thermostat heating element circuit high',
    circuit,
    'A bad thermostat: connector and wire alone set it.',
    'code-thermostat-heater',
  ],
  [
    'P2181',
    'Cooling system performance',
    warm,
    'Which part: thermostat, sender, level and fan are all watched by it.',
    'code-P2181',
  ],
  ['P2182', 'Second coolant temperature sender circuit', circuit, 'Anything about the first sender.', null],
  ['P2183', 'Second coolant temperature sender range or performance', warm, 'Which of the two senders is off.', null],
  ['P2184', 'Second coolant temperature sender circuit low', circuit, 'That the engine was hot.', null],
  ['P2185', 'Second coolant temperature sender circuit high', circuit, 'That the sender is bad.', null],
  ['P2186', 'Second coolant temperature sender circuit intermittent', circuit, 'Where the break is.', null],
  ['P0111', 'Intake air temperature range or performance', warm, 'Anything about the coolant.', null],
  ['P0112', 'Intake air temperature circuit low', circuit, 'Anything about the coolant.', null],
  ['P0113', 'Intake air temperature circuit high', circuit, 'Anything about the coolant.', null],
  ['P0114', 'Intake air temperature circuit intermittent', circuit, 'Anything about the coolant.', null],
  ['P0071', 'Outside air temperature range or performance', warm, 'Anything about the coolant.', null],
  ['P0072', 'Outside air temperature circuit low', circuit, 'Anything about the coolant.', null],
  ['P0073', 'Outside air temperature circuit high', circuit, 'Anything about the coolant.', null],
  ['P0074', 'Outside air temperature circuit intermittent', circuit, 'Anything about the coolant.', null],
];

/** Every code known here, in order. */
export const CODES: readonly CodeMeaning[] = meanings.map(([code, meaning, runsWhen, doesNotProve, itemId]) => ({
  code,
  meaning,
  runsWhen,
  doesNotProve,
  itemId,
}));

/** What a typed code turned out to be. */
export type CodeReading =
  | { readonly kind: 'known'; readonly meaning: CodeMeaning }
  /** A well-formed code that says nothing about coolant here. */
  | { readonly kind: 'other'; readonly code: string }
  /** Not a code; `perhaps` are known ones a slip away. */
  | { readonly kind: 'malformed'; readonly typed: string; readonly perhaps: readonly string[] };

/** Letters and figures that are read for each other. */
const LOOK_ALIKE: Readonly<Record<string, string>> = { O: '0', Q: '0', I: '1', L: '1', S: '5', B: '8', Z: '2' };

/** Number of places in which two texts of one length differ; Infinity for other lengths. */
function slips(a: string, b: string): number {
  if (a.length !== b.length) return Infinity;
  return [...a].filter((c, i) => c !== b[i]).length;
}

/**
 * Reads a typed code. A wrong letter or a figure too many is questioned, never silently mended.
 * @example readCode('p0128').kind // => 'known'
 */
export function readCode(text: string): CodeReading {
  const typed = text.trim().toUpperCase().replace(/[\s-]/g, '');
  const known = CODES.find((c) => c.code === typed);
  if (known) return { kind: 'known', meaning: known };
  if (/^[PCBU][0-3][0-9A-F]{3}$/.test(typed)) return { kind: 'other', code: typed };
  const plain = typed.slice(0, 1) + [...typed.slice(1)].map((c) => LOOK_ALIKE[c] ?? c).join('');
  const perhaps = CODES.map((c) => c.code).filter(
    (code) =>
      code === plain ||
      slips(code, plain) === 1 ||
      slips(code.slice(1), plain) === 0 ||
      slips(code, `P${plain.slice(1)}`) === 0,
  );
  return { kind: 'malformed', typed, perhaps: perhaps.slice(0, 4) };
}
