import { fail, type Result } from '../../core/base';
import type { Computation, ComputeError } from './computation';
import { COMPUTATIONS } from './computations';

/** How a call ended: its status, and what it prints. */
export interface Answered {
  /** 0: all was answered; 2: the call was not understood; 3: an input could not be answered. */
  readonly status: 0 | 2 | 3;
  readonly stdout: string;
  /** Why the call was not understood. */
  readonly stderr: string;
}

const notUnderstood = (stderr: string): Answered => ({ status: 2, stdout: '', stderr });

/** One input's answer: what a computation throws at it is an error of this input, and leaves the others theirs. */
async function answered(compute: Computation, one: unknown): Promise<Result<object, ComputeError>> {
  try {
    return await compute(one);
  } catch (thrown) {
    const why = thrown instanceof Error ? thrown.message : String(thrown);
    return fail({ code: 'not-computed', message: `This input could not be worked out: ${why}`, path: null });
  }
}

/** Answers one input, or each of an array of them in its order, as JSON in a line. @param read gives the inputs as JSON */
export async function answerCompute(name: string, read: () => Promise<string>): Promise<Answered> {
  const load = Object.hasOwn(COMPUTATIONS, name) ? COMPUTATIONS[name] : undefined;
  if (!load) return notUnderstood(`there is no computation “${name}”`);
  let input: unknown;
  try {
    input = JSON.parse(await read());
  } catch (error) {
    return notUnderstood(`the input is no JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  const compute = await load();
  let failed = false;
  const answers: object[] = [];
  for (const one of Array.isArray(input) ? input : [input]) {
    const result = await answered(compute, one);
    if (result.ok) answers.push(result.value);
    else {
      failed = true;
      const error: ComputeError = result.error;
      answers.push({ error });
    }
  }
  const stdout = `${JSON.stringify(Array.isArray(input) ? answers : answers[0])}\n`;
  return { status: failed ? 3 : 0, stdout, stderr: '' };
}
