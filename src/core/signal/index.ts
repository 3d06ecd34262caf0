export { binMeans, type BinMeans } from './binMeans';
export { interpolateTable, resample } from './interpolate';
export { cubicAt, monotoneCubic, type MonotoneCubic } from './monotoneCubic';
export { thin } from './thin';
export { blurredUniform, inverseNormal, logSumExp, normalCdf, smoothStep, studentLog } from './normal';
export { sharedGaussian, type JointLog } from './sharedGaussian';
