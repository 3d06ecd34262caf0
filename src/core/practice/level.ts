import { CAUSES, type Cause, type ChannelSet } from '../base';

/** What one practises with. */
export interface Level {
  readonly says: string;
  /** What is met there, for who chooses. */
  readonly meets: string;
  /** Causes that are drawn, with their shares. */
  readonly causes: Readonly<Partial<Record<Cause, number>>>;
  /** How far a fault moves the reading of an ordinary drive at least, K RMS. */
  readonly leastEffect_k: number;
  /** How clearly a check answers: above 1 nearly always as its cause would have it, below 1 often not. */
  readonly clearness: number;
  readonly sets: Readonly<Record<ChannelSet, number>>;
}

const ALL = Object.fromEntries(CAUSES.map((c) => [c, 1])) as Record<Cause, number>;

/**
 * The levels. Working figures: the first meets the patterns that a beginner must know by sight, the second a shop's
 * day, the third what makes experienced people replace the wrong part.
 */
export const LEVELS = {
  clear: {
    says: 'Clear',
    meets:
      'Gross faults, full logs, checks that say what they should: a leak, an early opener, a lying sender, a cold day.',
    causes: {
      healthy: 1.5,
      'insufficient-heat': 2,
      'thermostat-stuck-open': 2,
      'thermostat-leaking': 2,
      'thermostat-opens-early': 2,
      'thermostat-stuck-closed': 1,
      'sender-reads-low': 2,
      'sender-reads-high': 1,
      'fan-not-running': 1,
    },
    leastEffect_k: 8,
    clearness: 1.6,
    sets: { full: 1, basic: 0, 'temperature-only': 0 },
  },
  usual: {
    says: 'Usual',
    meets: 'Every cause, as a shop meets them; customers who say half of it, loggers that log half of it.',
    causes: { ...ALL, healthy: 3, 'insufficient-heat': 2 },
    leastEffect_k: 4,
    clearness: 1,
    sets: { full: 0.5, basic: 0.35, 'temperature-only': 0.15 },
  },
  hard: {
    says: 'Hard',
    meets: 'Small faults, vague checks, sparse logs, and neighbours that look alike: who is sure here is often wrong.',
    causes: { ...ALL, healthy: 3 },
    leastEffect_k: 2,
    clearness: 0.75,
    sets: { full: 0.25, basic: 0.4, 'temperature-only': 0.35 },
  },
} as const satisfies Readonly<Record<string, Level>>;

/** Name of a level. */
export type LevelName = keyof typeof LEVELS;

/** Every level, easiest first. */
export const LEVEL_NAMES = Object.keys(LEVELS) as readonly LevelName[];

/** What a level is. */
export const levelOf = (name: LevelName): Level => LEVELS[name];
