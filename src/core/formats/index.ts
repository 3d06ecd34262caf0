export type { ReadTrace, Remembered } from './buildTrace';
export type { NumberStyle } from './words/cells';
export { CLEANING_KINDS, type Cleaning, type CleaningKind } from './rows/cleaning';
export { UNITS_OF_QUANTITY } from './words/columnUnits';
export {
  createFileReader,
  createRememberingReader,
  createSeriesReader,
  refuseBySize,
  type LogReader,
} from './bytes/fileReader';
export { openArchive, openRangedArchive, type RangedArchive } from './bytes/zipArchive';
export { unpackLogs, type UnpackedLog } from './bytes/unpackLogs';
export type { LoggedColumn, LoggedSeries } from './buildSeries';
export { alignByClock, alignByCurve, layBeside, placeSeries, type Alignment } from './alignSeries';
export { importError, type ImportError, type ImportErrorCode, type ImportQuestion } from './importError';
export type { ColumnChoice, ColumnChoices, ImportReport, ReadOptions } from './importReport';
export type { ColumnGuess, Confidence, Preview, ReadAs, TakenColumn } from './column';
export { readManifest, type ManifestItem } from './vehicle/manifest';
export { readTrace } from './readTrace';
export type { LogClock } from './columns/timeUnit';
export { TIME_UNITS_S } from './words/timeCells';
export { sniffText, type SniffedText } from './bytes/textEncoding';
export { parseJson, parseVehicle, readVehicleFile, vehicleFileSchema, writeVehicleFile } from './vehicle/vehicleFile';
export { withoutParameter, writeCanLog, writeTable, writeTrace, writeTraceJson } from './writeTrace';
