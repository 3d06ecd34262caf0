export { circuitAt, hoseExpectation, type CircuitMoment, type CircuitState } from './circuit';
export { compareLooks, type Comparison, type FeatureChange } from './compareLooks';
export { lookAtDrive, type DriveLook, type FeatureRow, type LookOptions } from './driveLook';
export { prepareWhatIf, WHAT_IF_RANGES, type WhatIf, type WhatIfDrive, type WhatIfRun } from './whatIf';
