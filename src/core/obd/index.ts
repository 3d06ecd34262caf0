export { readAnswer, type ModeOneAnswer } from './answer';
export { answeringUnit, readCanFrame, writeCanFrame, type CanFrame } from './canFrame';
export { reassembly, splitIntoFrames, type Reassembly } from './isoTp';
export { CHANNEL_PIDS, PID_SIGNALS, pidLength, type PidSignal } from './pids';
export {
  LIVE_PIDS,
  OLD_CABLE,
  PROMPT,
  readReply,
  requestText,
  simulatedReply,
  type AdapterReply,
  type AdapterTemper,
} from './adapter';
