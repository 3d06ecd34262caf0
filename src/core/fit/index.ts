export { MAP_DEFAULTS, mapFit, type MapFit, type MapOptions, type MapProblem } from './mapFit';
export { makeWhitener, type NoiseModel, type Whitener } from './whiten';
