import type { Result, Trace, Vehicle } from '@/core/base';
import type { DriveLook, LookOptions } from '@/core/desk';
import type { Finding, JudgeOptions, JudgeProgress } from '@/core/judge';
import type { VehicleMemory } from '@/core/twin';
import type {
  Alignment,
  ColumnChoices,
  ImportError,
  LogClock,
  LoggedSeries,
  ReadOptions,
  ReadTrace,
  UnpackedLog,
} from '@/core/formats';

/** A second log with the places where it may lie, by clock and by curve; null where one does not tell. */
export interface OpenedSecondLog {
  readonly series: LoggedSeries;
  readonly byClock: Alignment | null;
  readonly byCurve: Alignment | null;
}

/** What a trace is judged with beside its vehicle; plain data. */
export type JudgeSettings = JudgeOptions;

/** Choices made for files with these headers. */
export interface KnownFile {
  readonly headers: readonly string[];
  readonly choices: ColumnChoices;
}

/** What the worker that reads and judges traces offers. Only plain data crosses. */
export interface TraceWorkerApi {
  /** Reads a log, by what is known of files like it; progress is the share of the file that was taken. */
  importFile(
    file: Blob,
    options: ReadOptions,
    known: readonly KnownFile[],
    onProgress: (share: number) => void,
  ): Promise<Result<ReadTrace, ImportError>>;
  /** Takes the logs out of an archive that holds several; null for any other file. */
  unpack(file: Blob): Promise<Result<UnpackedLog[] | null, ImportError>>;
  /** Reads a second log of a drive and looks where it lies on the first. */
  openSecondLog(file: Blob, trace: Trace, clock: LogClock | null): Promise<Result<OpenedSecondLog, ImportError>>;
  /** Measures a drive for the desk. */
  look(trace: Trace, vehicle: Vehicle, options: LookOptions): Promise<Result<DriveLook, WorkerBug>>;
  /** Narrows the vehicle's memory by a known-good trace. */
  learn(trace: Trace, vehicle: Vehicle, before: VehicleMemory | null): Promise<Result<VehicleMemory, WorkerBug>>;
  judge(
    trace: Trace,
    vehicle: Vehicle,
    settings: JudgeSettings,
    onProgress: (progress: JudgeProgress) => void,
  ): Promise<Result<Finding, WorkerBug>>;
}

/** A defect, not a user's mistake: it travels as plain data because exceptions lose their class on the way. */
export interface WorkerBug {
  readonly kind: 'bug';
  readonly message: string;
  readonly stack: string;
}
