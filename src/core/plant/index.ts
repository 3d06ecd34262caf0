export { drawBody, type PlantBody } from './body';
export { DRIVE_STEP_S, drivePhases, roadSpeed_kmh, type DriveDemand, type Phase, type PhaseKind } from './drive';
export { drawFault, NO_FAULT, type PlantFault } from './fault';
export { CHANNELS_OF_SET, logRun, type LoggerSettings } from './logger';
export { seededRandom, type Random } from './random';
export { drawVehicle } from './randomVehicle';
export { drawScenario, type Scenario, type ScenarioRequest } from './scenario';
export { RECORD_STEP_S, simulateDrive, type PlantConditions, type PlantRun } from './simulate';
export { waterTest, type PotCourse, type PotReading, type PotValve } from './waterTest';
