export { acceptanceOf } from './acceptance/acceptance';
export type { AcceptanceInput, AcceptanceItem, AcceptanceRow, AcceptanceState } from './acceptance/row';
export { conditionsShown, notProvenBy, type ConditionShown } from './conditions';
export { changeInSds, improvements } from './improvement';
export { courseOf, planProofDrive, type ProofPlan } from './planProof';
export { asSound, figureOf, type ProofDrive } from './proofDrive';
export { pickPair, type DatedDrive } from './pair';
export { proposeVerdict, soundShare, type ProposedVerdict, type VerdictInput } from './verdict';
