import { array, mixed, object, string, ValidationError } from 'yup';
import { fail, ok, type Result } from '../../base';
import { importError, type ImportError } from '../importError';
import { parseJson } from './vehicleFile';

const manifestSchema = object({
  schema: mixed<'varmek-manifest/1'>()
    .oneOf(['varmek-manifest/1'], 'schema must be varmek-manifest/1')
    .required('schema is missing'),
  items: array(
    object({
      trace: string(),
      traces: array(string().required('${path} must be a path')).min(1, '${path} is empty'),
      vehicle: string().required('${path} is missing'),
    })
      .required()
      .test(
        'one',
        '${path} needs either trace or traces',
        (item) => (item.trace === undefined) !== (item.traces === undefined),
      ),
  ).required('${path} is missing'),
});

/** Drives with the vehicle they were logged on, as paths: one trace, or several in order of time, judged together. */
export interface ManifestItem {
  readonly traces: readonly string[];
  /** The item named a single trace. */
  readonly single: boolean;
  readonly vehicle: string;
}

/** Reads a list of traces to analyse, `varmek-manifest/1`. */
export function readManifest(text: string): Result<readonly ManifestItem[], ImportError> {
  const json = parseJson(text);
  if (!json.ok) return json;
  try {
    const { items } = manifestSchema.validateSync(json.value, { strict: true, abortEarly: false });
    return ok(
      items.map(({ trace, traces, vehicle }) => ({
        traces: traces ?? [trace!],
        single: trace !== undefined,
        vehicle,
      })),
    );
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return fail(importError('wrong-schema', `Manifest: ${error.errors.join('; ')}.`));
  }
}
