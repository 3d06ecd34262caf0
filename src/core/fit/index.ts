export { squared } from './sums';
export { MAP_DEFAULTS, mapFit, type MapFit, type MapOptions, type MapProblem, TOGETHER } from './mapFit';
export { makeWhitener, type NoiseModel, type Whitener } from './whiten';
export { SAMPLING_DEFAULTS, sampledEvidence, type SamplingOptions } from './sampledEvidence';
export { walk, WALK_DEFAULTS, type WalkOptions } from './metropolis';
