import { addDays, format, isValid, parseISO } from 'date-fns';
import { JOB_STATES, type JobRecord, type JobStanding, type JobState } from './records';

/** Days until a job is looked at again where nobody named a day. */
const A_WEEK = 7;

const isDay = (text: unknown): text is string =>
  typeof text === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));

/** Where a job stands, from a state and a day that may be missing: a week from then stands for it. */
export const standingOf = (state: JobState, lookAgainOn: unknown, from_ms: number): JobStanding =>
  state === 'look-again'
    ? { state, lookAgainOn: isDay(lookAgainOn) ? lookAgainOn : format(addDays(from_ms, A_WEEK), 'yyyy-MM-dd') }
    : { state };

/** The standing of a job without the rest of it. */
export const standingIn = (job: JobRecord): JobStanding =>
  job.state === 'look-again' ? { state: job.state, lookAgainOn: job.lookAgainOn } : { state: job.state };

/** A state as a stored or travelling job names it; the first for one that this version does not know. */
export const knownState = (state: unknown): JobState => JOB_STATES.find((s) => s === state) ?? JOB_STATES[0];
