export { cautionsGiven } from './cautionsGiven';
export { customerReport, type CustomerReport, type CustomerReportInput, type ReportCurves } from './customerReport';
export { howSure, PLAIN_CAUSE, PLAIN_VERDICT, PLAIN_WORK } from './plainWords';
export { reportCurves, type ReadingCurve } from './reportCurves';
