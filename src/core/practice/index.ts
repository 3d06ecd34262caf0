export { answerTo, drawPractice, drivePractice } from './draw';
export { bareTrace, planOfTrace, practiceFromJob, type ClosedJob } from './fromJob';
export { LEVEL_NAMES, LEVELS, levelOf, type Level, type LevelName } from './level';
export {
  costSoFar,
  driveCost,
  isCured,
  isOver,
  isRight,
  practiceCase,
  repairCost,
  stepCost,
  testCost,
  testsLeft,
  testTaken,
  type Cost,
} from './progress';
export { actionSays, ownWay, reviewOf, testAsks, type OwnWay, type Review, type StepReview } from './review';
export { scoredOf, skills, type Calibration, type Scored, type Skill } from './scores';
export {
  bareFinding,
  readPractice,
  type Answered,
  type DriveStep,
  type PracticeFinding,
  type PracticeResult,
  type PracticeSheet,
  type PracticeSource,
  type PracticeStep,
  type RepairStep,
  type TestStep,
} from './sheet';
export { WAY_TEXT } from './wayText';
