import { VEHICLE_PARAMETERS, type VehicleParameterName } from '../twin';
import type { HypothesisFit, TraceProblem } from './fits/traceFit';

/** How much further one fit must bend a parameter than the other for it to be named, in squared standard deviations. */
const NAMED_FROM = 0.4;

/** What is assumed of a parameter, in the words of the work. */
const ASSUMED: Readonly<Record<VehicleParameterName, string>> = {
  heatScale: 'how much of the fuel’s heat this engine gives its coolant',
  heatTilt: 'how its heat grows with load',
  metal: 'how much heat its metal and oil store',
  coupling: 'how quickly its metal warms the coolant',
  slowShare: 'how much of it is block and oil that warm late',
  radiator: 'the size of its radiator',
  heater: 'how much heat the cabin heater takes',
  loss: 'how much the engine loses to the air around it',
  flow: 'how much coolant its pump moves',
  ambient: 'the outside temperature',
  startExcess: 'how warm the engine still was at the start',
  opening: 'where its own thermostat begins to open',
  span: 'over how many degrees its thermostat opens',
  vent: 'how much its vent passes when shut',
  senderOffset: 'how true its sound sender is',
  senderLag: 'how quick its sound sender is',
  waxLag: 'how quick its thermostat answers',
  fanOn: 'when its fan switches on',
  fanFlow: 'how strong its fan is',
  heatingThreshold: 'at which load its control unit heats the thermostat',
  heatingEffect: 'how much its heating element does',
  heatingBase: 'whether its thermostat is heated at any load',
};

/** What nobody logged and the model had to guess; null where nothing is guessed. */
function guessed({ inputs }: TraceProblem): string | null {
  if (inputs.heatSource === 'unknown') return 'how the car was driven: only its temperature was logged';
  if (inputs.vehicle.thermostat.heated && !inputs.thermostatHeater) {
    return 'when the control unit heated the thermostat: it was not logged';
  }
  return null;
}

/**
 * The assumption about vehicle and drive that a verdict leans on most: what the next explanation would have to bend
 * further than the leader does. Null where both bend alike.
 *
 * @param leader fit of the leading cause
 * @param rival fit of the next cause that has one
 */
export function leansOn(problem: TraceProblem, leader: HypothesisFit, rival: HypothesisFit | null): string | null {
  const open = guessed(problem);
  if (open || !rival) return open;
  const further = VEHICLE_PARAMETERS.map(({ name }, i) => ({
    name,
    by: rival.fit.z[i]! ** 2 - leader.fit.z[i]! ** 2,
  })).reduce((a, b) => (b.by > a.by ? b : a));
  return further.by < NAMED_FROM ? null : ASSUMED[further.name];
}
