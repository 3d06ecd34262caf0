export { nextDue } from './due';
export {
  asRun,
  elapsedAt,
  NOT_BEGUN,
  paused,
  standingAt,
  started,
  stepEnded,
  type Run,
  type Standing,
  type Step,
} from './runner';
