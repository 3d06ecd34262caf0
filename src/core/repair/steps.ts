import type { CautionId } from '../cautions';

/** A step that is ticked, with the cautions that belong to it. */
export interface TickStep {
  readonly id: string;
  readonly says: string;
  readonly cautions: readonly CautionId[];
}

/** What the job needs to be made safe for. */
export interface SafeNeeds {
  readonly hybrid: boolean;
  readonly raise: boolean;
  readonly lift: boolean;
  readonly battery: boolean;
  /** Compressed air is used. */
  readonly air: boolean;
  readonly opens: boolean;
}

interface SafeStep extends TickStep {
  readonly when?: (needs: SafeNeeds) => boolean;
}

const SAFE: readonly SafeStep[] = [
  {
    id: 'hybrid',
    says: 'Hybrid: service mode or plug out as the maker says, by a qualified person. Which loop is this?',
    cautions: ['orange-cables'],
    when: (n) => n.hybrid,
  },
  {
    id: 'place',
    says: 'Hard level ground, not grass, dry and warm enough. Drain covered, children and animals away.',
    cautions: ['coolant-is-poison', 'slippery-floor'],
    when: (n) => n.opens,
  },
  {
    id: 'spill-kit',
    says: 'Spill kit out: tray wider than the engine, bag and pads over belt, alternator and starter, rags, water.',
    cautions: ['coolant-on-belts', 'goggles-and-gloves'],
    when: (n) => n.opens,
  },
  {
    id: 'cool',
    says: 'Cold: scan reading, hand on the hose, time since key-off.',
    cautions: ['never-open-hot', 'any-coolant-burns'],
    when: (n) => n.opens,
  },
  {
    id: 'fan',
    says: 'Fan unplugged, or battery off: hands go near it.',
    cautions: ['fan-starts-alone', 'key-off-before-unplugging'],
  },
  {
    id: 'codes',
    says: 'Codes and freeze frames saved, radio code at hand.',
    cautions: ['save-before-clearing'],
    when: (n) => n.battery,
  },
  { id: 'battery', says: 'Battery off: negative first.', cautions: ['negative-first'], when: (n) => n.battery },
  { id: 'chocks', says: 'Wheels chocked, park or gear, brake set.', cautions: ['not-on-a-jack'], when: (n) => n.raise },
  {
    id: 'raise',
    says: 'Raised at the maker’s point, stands under, shaken. No wooden blocks; no rusty sill. A tilted car keeps air at one end.',
    cautions: ['not-on-a-jack', 'rated-stands'],
    when: (n) => n.raise,
  },
  { id: 'undertray', says: 'Undertray off, its screws counted into a tin.', cautions: [], when: (n) => n.raise },
  {
    id: 'lift',
    says: 'Engine lifted a little for room: this variant only.',
    cautions: ['pad-under-sump'],
    when: (n) => n.lift,
  },
  {
    id: 'air-line',
    says: 'Air line set below the rating of the cap before it comes near.',
    cautions: ['regulated-air', 'goggles-and-gloves'],
    when: (n) => n.air,
  },
];

/** The steps that make this job safe, in their order: only those that it needs. */
export const safeSteps = (needs: SafeNeeds): readonly TickStep[] => SAFE.filter((s) => s.when?.(needs) ?? true);

/** What helps while things come off, each with its caution. */
export const STRIP_TIPS: readonly TickStep[] = [
  {
    id: 'stuck-hose',
    says: 'A stuck hose: twist it, grip at two points, slit it lengthways before the neck cracks.',
    cautions: ['no-hot-hoses'],
  },
  {
    id: 'valve-first',
    says: 'A stiff cold hose: take the housing off first and let the hose come with it.',
    cautions: [],
  },
  {
    id: 'studs',
    says: 'No room to slide: studs out with two nuts; leave the pipe behind the housing alone.',
    cautions: [],
  },
  {
    id: 'hidden',
    says: 'Hidden screws: mirror, phone camera, magnet. Count them before the first comes out.',
    cautions: ['dropped-bolt'],
  },
  {
    id: 'crack-all',
    says: 'Crack every bolt before the first comes out; hold the pulley.',
    cautions: ['belts-and-fan'],
  },
  { id: 'plugs', says: 'Plug every open neck and the intake at once.', cautions: ['count-plugs'] },
  {
    id: 'connectors',
    says: 'A plug that will not come: find its lock, do not pull the wire.',
    cautions: ['key-off-before-unplugging'],
  },
  { id: 'pinch', says: 'A hose pinched to lose less: with a padded clamp.', cautions: ['clamped-hose'] },
  {
    id: 'cut-clamp',
    says: 'A clamp that must be cut: weaken it, then pry.',
    cautions: ['cutting-clamps', 'goggles-and-gloves'],
  },
  {
    id: 'pick-out',
    says: 'The thermostat comes out whole: photo first, no lever at its seat. It is evidence.',
    cautions: [],
  },
  { id: 'dropped', says: 'Something fell.', cautions: ['dropped-bolt'] },
];

/** What is looked at and ticked while it goes together. */
export interface SeatStep extends TickStep {
  /** The housing does not close before it. */
  readonly beforeClosing: boolean;
}

/** Fitting, in its order. */
export const SEAT_STEPS: readonly SeatStep[] = [
  {
    id: 'faces-clean',
    says: 'Faces clean and dry: plastic blade or nylon on aluminium, no wire brush; no crumb in the flow.',
    cautions: ['no-solvent'],
    beforeClosing: true,
  },
  {
    id: 'seal',
    says: 'New seal in its groove. Moulded rubber: no liquid sealer, at most the grease its maker names; paper as the maker says.',
    cautions: [],
    beforeClosing: true,
  },
  { id: 'vent-up', says: 'Vent uppermost.', cautions: ['sensing-end'], beforeClosing: true },
  {
    id: 'sensing-end',
    says: 'Sensing end, the spring side, to the engine.',
    cautions: ['sensing-end'],
    beforeClosing: true,
  },
  {
    id: 'side',
    says: 'Right side: inlet or outlet, as it came out. Look-alike hoses on their own ports.',
    cautions: [],
    beforeClosing: true,
  },
  { id: 'clear', says: 'No plug, rag or tool inside: counts agree.', cautions: ['count-plugs'], beforeClosing: true },
  {
    id: 'by-hand',
    says: 'Every screw started by hand; a twist-in housing turned home and jiggled.',
    cautions: [],
    beforeClosing: false,
  },
  {
    id: 'torque',
    says: 'Tightened to the value with a wrench, crosswise; oiled threads need less. Soft housings: value over feel.',
    cautions: ['use-the-value'],
    beforeClosing: false,
  },
  { id: 'over-bead', says: 'Hose over its bead, pushed home.', cautions: [], beforeClosing: false },
  { id: 'clamp-mark', says: 'Clamp in its old mark.', cautions: ['clamped-hose'], beforeClosing: false },
];

/** What is missing before the housing may close; empty when it may. */
export const missingBeforeClosing = (seated: Readonly<Record<string, number>>): readonly SeatStep[] =>
  SEAT_STEPS.filter((s) => s.beforeClosing && seated[s.id] === undefined);

/** Draining, in its order. */
export const DRAIN_STEPS: readonly TickStep[] = [
  {
    id: 'container',
    says: 'Clean container under it, a tube to it, its marks in sight. No drink bottle.',
    cautions: ['coolant-is-poison', 'slippery-floor'],
  },
  { id: 'cap', says: 'Cap off for flow, or shut to drain slowly: cold only.', cautions: ['never-open-hot'] },
  {
    id: 'tap',
    says: 'Radiator tap or plug: some turn, some pull; no force. No tap: the lower hose, slowly, and out of the way.',
    cautions: ['goggles-and-gloves', 'coolant-on-belts'],
  },
  {
    id: 'block',
    says: 'Block or pump plug, if there is one and all of it must come out: it floods wide.',
    cautions: ['goggles-and-gloves'],
  },
  { id: 'squeeze', says: 'Squeeze the hoses until no more comes.', cautions: [] },
  {
    id: 'blow',
    says: 'Blow out the rest, if it must be nearly dry.',
    cautions: ['regulated-air'],
  },
];

/** Ways to flush, each with its cautions. */
export const FLUSH_WAYS: Readonly<Record<'gentle' | 'hose', TickStep>> = {
  gentle: {
    id: 'gentle',
    says: 'Thermostat out, cover on, fill with water, idle with the heater hot, drain, again. It hardly warms up so.',
    cautions: ['carbon-monoxide', 'no-valve-fitted', 'stay-with-it', 'no-cold-water', 'never-open-hot'],
  },
  hose: {
    id: 'hose',
    says: 'Hose through block, radiator and heater one by one, against the flow, tap half open.',
    cautions: ['low-flow-only', 'no-cold-water', 'goggles-and-gloves', 'cover-before-rinsing'],
  },
};

/** The loops a hose must reach: what is missed keeps the old. */
export const FLUSH_LOOPS = ['Block', 'Radiator', 'Heater', 'Tank'] as const;

/** Reuse of what was drained: all must be true. */
export const REUSE_STEPS: readonly TickStep[] = [
  { id: 'clean', says: 'Clear, no oil, no grit', cautions: [] },
  { id: 'container', says: 'Caught in a clean container', cautions: [] },
  { id: 'recent', says: 'Recent: well within its interval', cautions: [] },
  { id: 'known', says: 'Known kind and strength', cautions: [] },
  { id: 'sound', says: 'Engine without gas in the coolant, no cleaner in it', cautions: [] },
];

/** Filling, in its order. */
export const FILL_STEPS: readonly TickStep[] = [
  { id: 'cold', says: 'Engine cold before anything goes in.', cautions: ['no-cold-water'] },
  {
    id: 'seat',
    says: 'Filled to the open seat first, then the thermostat goes in: this fills the block.',
    cautions: ['sensing-end'],
  },
  {
    id: 'slow',
    says: 'Slowly, by the lowest mark, hoses squeezed.',
    cautions: ['coolant-is-poison', 'goggles-and-gloves'],
  },
  { id: 'start', says: 'The minimum is in before the engine starts: the pump is wet.', cautions: ['stay-with-it'] },
  { id: 'level', says: 'Level at the cold mark, engine cold.', cautions: ['never-open-hot'] },
  { id: 'label', says: 'Cap labelled: kind, strength, date.', cautions: ['do-not-mix'] },
  {
    id: 'rinsed',
    says: 'Spills rinsed off belts, paint and exhaust; intake and plugs covered before.',
    cautions: ['coolant-on-belts', 'cover-before-rinsing', 'no-solvent'],
  },
  { id: 'lowered', says: 'Car lowered, wheels on, before it runs.', cautions: ['lower-before-running'] },
];

/** Cautions of what is no step to tick: each where it is done. */
export const PLACE_CAUTIONS = {
  jars: ['label-jars', 'coolant-is-poison'],
  waste: ['recycling-point', 'coolant-is-poison'],
  cleaner: ['cleaner-label', 'goggles-and-gloves'],
  waterless: ['waterless', 'regulated-air', 'any-coolant-burns'],
  strength: ['too-weak-freezes'],
  coolant: ['do-not-mix', 'any-coolant-burns'],
  reuse: ['reuse-only-clean'],
  counts: ['count-plugs', 'clamped-hose'],
  'cap-off': ['open-system-waits'],
  soak: ['open-system-waits', 'coolant-is-poison'],
  air: ['never-open-hot', 'any-coolant-burns'],
  opening: ['sensor-in-air', 'stay-with-it', 'carbon-monoxide', 'cap-off-running'],
  gas: ['past-the-limit', 'carbon-monoxide'],
} as const satisfies Readonly<Record<string, readonly CautionId[]>>;
