import { array, mixed, object, string, ValidationError } from 'yup';
import { fail, ok, type Result } from '../base';
import { importError, type ImportError } from './importError';
import { parseJson } from './vehicleFile';

const manifestSchema = object({
  schema: mixed<'varmek-manifest/1'>()
    .oneOf(['varmek-manifest/1'], 'schema must be varmek-manifest/1')
    .required('schema is missing'),
  items: array(
    object({
      trace: string().required('trace is missing'),
      vehicle: string().required('vehicle is missing'),
    }).required(),
  ).required('items is missing'),
});

/** One trace with the vehicle it was logged on, as paths. */
export interface ManifestItem {
  readonly trace: string;
  readonly vehicle: string;
}

/** Reads a list of traces to analyse, `varmek-manifest/1`. */
export function readManifest(text: string): Result<readonly ManifestItem[], ImportError> {
  const json = parseJson(text);
  if (!json.ok) return json;
  try {
    return ok(manifestSchema.validateSync(json.value, { strict: true, abortEarly: false }).items);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return fail(importError('wrong-schema', `Manifest: ${error.errors.join('; ')}.`));
  }
}
