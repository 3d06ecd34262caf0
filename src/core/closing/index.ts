export { costSheet, type CostBasis, type CostLine, type CostSheet } from './costSheet';
export { dayOf, dueDays, type DueDay, type DueInput, type DueKind } from './dates';
export { handOverSteps, type HandOverStep } from './handOver';
export { type ClosingSheet, type ExtraCostLine, type NextDue } from './sheet';
export { newClosing, readClosing } from './sheetSchema';
export { wasteRecord, type WasteRecord } from './waste';
