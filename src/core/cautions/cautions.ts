/**
 * Cautions of the work, each in one wording. A screen shows those of the step it stands for, unasked. The vehicle
 * maker's instructions and local rules come first.
 */
export const CAUTIONS = {
  'never-open-hot':
    'Never open a hot cooling system. Wait until cold to touch and hose soft; cover the cap, open to the first stop, let pressure go.',
  'any-coolant-burns': 'Any coolant at engine temperature burns. The same holds for waterless ones.',
  'cap-off-running': 'Cap off, engine running: face and hands away; expect overflow; stop before it boils.',
  'no-hot-hoses': 'Do not feel hot hoses; use a probe or infrared thermometer.',
  'fan-starts-alone': 'An electric fan can start with the key off. Unplug or disconnect before hands go near.',
  'belts-and-fan':
    'Belts, pulleys, fan: tie hair; no loose sleeves, gloves or lanyards; never reach over at raised revs.',
  'not-on-a-jack':
    'Firm level ground, chocks, gear/park and brake, stand under a rated point, shake test; never under a car on a jack alone.',
  'rated-stands': 'Rated ramps or stands only.',
  'pad-under-sump': 'Pad under the sump, raise only enough, no fingers in gaps, stand nearby.',
  'lower-before-running': 'Lower the car and refit wheels before running.',
  'revving-in-place': 'Revving in place: brake set, wheels chocked, park/neutral, nobody in front; limit minutes.',
  'carbon-monoxide': 'Run engines outdoors or with extraction; carbon monoxide kills.',
  'coolant-is-poison':
    'Coolant is poisonous, sweet to pets and children. Cover containers, mop up at once, no drink bottles.',
  'label-jars': 'Label jars, keep shut; do not smell or taste.',
  'goggles-and-gloves': 'Goggles and gloves for coolant, air lines, cutting, cleaners.',
  'recycling-point': 'Recycling point; not drain, not soil.',
  'cleaner-label': 'Read the label; do not mix products; neutralise and rinse.',
  'no-cold-water': 'Let it cool; cold water in a hot engine may crack castings.',
  'low-flow-only': 'Low flow only; never above the cap rating.',
  'regulated-air': 'Regulate air below cap rating, close openings gradually, goggles.',
  'slippery-floor': 'Slippery floor: clean up before moving on; keep others and animals off.',
  'coolant-on-belts': 'Coolant on belts, brakes, paint, exhaust: rinse, dry; keep off belts and brakes.',
  'cover-before-rinsing': 'Cover air filter, alternator, connectors before rinsing.',
  'no-solvent': 'No brake cleaner or solvent near hot or live parts; no chlorinated solvent with heat.',
  'cutting-clamps': 'Eye protection; shield rubber; no sparks near fuel; consider other removal.',
  'clamped-hose': 'Clamped hose: pad, tag, tick off on removal.',
  'count-plugs': 'Plugs and rags: count in, count out.',
  'dropped-bolt': 'Dropped bolt: magnet and light; stop until found.',
  'negative-first': 'Negative first off, last on; no ring or tool bridging.',
  'key-off-before-unplugging': 'Key off before unplugging; fit shields.',
  'same-fuse': 'Same fuse type and rating; never bridge; find why it blew.',
  'orange-cables':
    'Hybrid/electric: orange cables, self-starting pump; qualified person only; never drain the inverter loop blindly.',
  'overheating-on-the-road': 'Overheating on the road: heater and blower full, stop safely, engine off, do not open.',
  'doubtful-gauge': 'A doubtful gauge is no gauge: use a scan value with alarm or do not drive.',
  'suspect-car': 'Suspect car: short loop, passenger reads or logger only, stop limit set beforehand, recovery plan.',
  'driver-drives': 'Driver never operates phone, camera or laptop.',
  'sensor-in-air': 'A sensor in air can read low while the engine boils.',
  'stay-with-it': 'Stay with the engine during warm-up and bleeding.',
  'sensing-end': 'Sensing end to engine; vent up; check twice.',
  'no-valve-fitted': 'No valve fitted: mark the car; short runs only.',
  'added-valve': 'Added valve: confirm bypass flow; monitored run; not a repair.',
  'too-weak-freezes': 'Too weak freezes and cracks the block; too strong also freezes sooner.',
  'do-not-mix': 'Do not mix coolants of unknown family; label the cap.',
  waterless: 'Waterless: no water, no top-up; label; different boiling and fire behaviour.',
  'reuse-only-clean': 'Reuse only clean, known, recent coolant.',
  'open-system-waits': 'Open system waiting: cap tied off, sign on wheel.',
  'use-the-value': 'Use the value; plastic cracks and leaks later.',
  'bench-water': 'Tongs, thermometer, no kitchen ware, valve off the bottom, no cold glass.',
  'fan-clutch': 'Never judge or stop a fan clutch by hand; never near running blades.',
  'winter-cover': 'Remove winter cover when warmer or climbing.',
  'screen-must-clear': 'If the screen cannot be cleared, do not drive.',
  'save-before-clearing': 'Save first; clearing removes evidence and readiness.',
  'tow-test': 'Tow test only with stop limit, flat route first.',
  'raw-water': 'Raw-water engine: never run dry; propeller clear.',
  'past-the-limit': 'Past the limit: combustion-gas test before returning it.',
  'maker-first': 'The vehicle maker’s instructions and local rules come first; Varmek’s figures are estimates.',
} as const;

/** Name of a caution. */
export type CautionId = keyof typeof CAUTIONS;
