export { binMeans, type BinMeans } from './binMeans';
export { interpolateTable, resample } from './interpolate';
export { logSumExp, normalCdf, smoothStep } from './normal';
