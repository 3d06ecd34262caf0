import { countPresent, type Trace, type Vehicle } from '../base';
import { prepareInputs, type TwinInputs, type VehicleMemory } from '../twin';
import { drawDrives, type DrawnDrive } from './fits/healthyBand';
import { SOUND } from './fits/hypotheses';
import { prepareProblem, type TraceProblem } from './fits/traceFit';
import { inspectSignal, maskTrace, type SignalFindings } from './raw/detectors';

/** A drive looked over and made ready for the models. */
export interface PreparedDrive {
  readonly findings: SignalFindings;
  /** The trace with bad samples of the reading taken out. */
  readonly masked: Trace;
  readonly inputs: TwinInputs;
  readonly problem: TraceProblem;
}

/** What is known beside the trace. */
export interface DriveKnowledge {
  readonly memory?: VehicleMemory | null;
  readonly outside_c?: number | null;
}

/** Looks a trace over and prepares it. @param trace at least two rows */
export function prepareDrive(trace: Trace, vehicle: Vehicle, known: DriveKnowledge = {}): PreparedDrive {
  const findings = inspectSignal(trace, vehicle, known.outside_c ?? null);
  const masked = maskTrace(trace, findings);
  const nothingLeft = countPresent(masked.channels.ect_c) < 3;
  const inputs = prepareInputs(nothingLeft ? trace : masked, vehicle, known.outside_c ?? null);
  return { findings, masked, inputs, problem: prepareProblem(inputs, masked, known.memory ?? null) };
}

/** Sound vehicles of the type on this drive, drawn before its trace is seen. */
export const soundDrives = ({ problem }: PreparedDrive, draws: number): DrawnDrive[] =>
  drawDrives(problem, SOUND, draws);
