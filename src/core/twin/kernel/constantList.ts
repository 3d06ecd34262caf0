import type { RunConstants } from '../runConstants';

/** The constants of a run in the order in which the kernel has them. One by one: a judgement asks ten thousand times. */
export function constantList(c: RunConstants): Float64Array {
  return Float64Array.of(
    c.heatScale,
    c.heatTilt,
    c.slowCapacity,
    c.metalCapacity,
    c.coolantCapacity,
    c.liquid,
    c.air,
    c.coupling,
    c.radiator,
    c.heater,
    c.loss,
    c.flow,
    c.pumpScale,
    c.ambient,
    c.startExcess,
    c.leak,
    c.opening,
    c.spring,
    c.perSpan,
    c.hysteresis,
    c.liftLimit,
    c.readingOffset,
    c.senderGain,
    c.waxGain,
    c.fanOn,
    c.fanFlow,
    c.heatingThreshold,
    c.heatingEffect,
    c.heatingBase,
  );
}
