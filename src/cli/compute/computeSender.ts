import { array, number, object, string } from 'yup';
import { ok, type Result } from '../../core/base';
import {
  checkSenderReadings,
  explainSender,
  USUAL_TOLERANCE,
  type SenderReading,
  type SenderValue,
} from '../../core/bench';
import { buildCurve, SENDER_FAMILIES, type CurveSpec, type ReadingCircuit } from '../../core/sender';
import type { ComputeError } from './computation';
import { error, isRecord, rounded, validated } from './inputs';

const VALUES: readonly SenderValue[] = ['ohm', 'volt', 'shown_c'];
const tolerance = () => number().strict().moreThan(0).optional();

const inputSchema = object({
  curve: object({
    points: array(array(number().strict().required()).length(2, '${path} must be [c, ohm]').required()).optional(),
    family: string().strict().optional(),
  })
    .noUnknown('unknown field: ${unknown}')
    .required('curve is missing')
    .default(undefined),
  circuit: object({
    reference_v: number().strict().moreThan(0).max(30).required(),
    pullup_ohm: number().strict().moreThan(0).required(),
    second_pullup_ohm: number().strict().moreThan(0).optional(),
    second_from_c: number().strict().optional(),
    bits: number().strict().integer().min(4).max(24).optional(),
  })
    .noUnknown('unknown field: ${unknown}')
    .optional()
    .default(undefined),
  readings: array(
    object({
      true_c: number().strict().required(),
      true_sd_k: tolerance(),
      ohm: number().strict().optional(),
      volt: number().strict().optional(),
      shown_c: number().strict().optional(),
      sd_pct: tolerance(),
    }).noUnknown('unknown field: ${unknown}'),
  )
    .strict()
    .required('readings is missing'),
}).noUnknown('unknown field: ${unknown}');

/** A curve as given: by points, or by the name of a generic family. */
function curveOf(given: {
  readonly points?: unknown;
  readonly family?: string | undefined;
}): Result<CurveSpec, ComputeError> {
  const { points, family } = given;
  if ((points === undefined) === (family === undefined)) {
    return error('wrong-input', 'curve has points, or a family, one of them.', 'curve');
  }
  if (family !== undefined) return ok({ kind: 'family', family });
  return ok({ kind: 'points', points: points as readonly (readonly [number, number])[] });
}

/** `compute sender`: which fault explains the readings, and the error over the whole range. */
export async function computeSender(input: unknown): Promise<Result<object, ComputeError>> {
  const checked = validated(inputSchema, input);
  if (!checked.ok) return checked;
  const given = checked.value;
  if (!isRecord(given.curve)) return error('wrong-input', 'curve is missing', 'curve');
  const spec = curveOf(given.curve);
  if (!spec.ok) return spec;
  const built = buildCurve(spec.value);
  if (!built.ok) {
    const known = built.error.path === 'family' ? ` There are ${SENDER_FAMILIES.map((f) => f.id).join(', ')}.` : '';
    return error('wrong-input', built.error.message + known, `curve.${built.error.path}`);
  }
  const circuit: ReadingCircuit | null = given.circuit
    ? {
        reference_v: given.circuit.reference_v,
        pullUp_ohm: given.circuit.pullup_ohm,
        second:
          given.circuit.second_pullup_ohm === undefined
            ? null
            : { pullUp_ohm: given.circuit.second_pullup_ohm, from_c: given.circuit.second_from_c ?? 50 },
        bits: given.circuit.bits ?? null,
      }
    : null;
  const readings: SenderReading[] = [];
  for (const [i, r] of given.readings.entries()) {
    const of = VALUES.filter((v) => r[v] !== undefined);
    if (of.length !== 1) return error('wrong-input', 'One of ohm, volt, shown_c is needed.', `readings[${i}]`);
    const { trueSd_k, sd_pct } = USUAL_TOLERANCE;
    readings.push({
      ...{ true_c: r.true_c, trueSd_k: r.true_sd_k ?? trueSd_k },
      ...{ of: of[0]!, value: r[of[0]!]!, sd_pct: r.sd_pct ?? sd_pct },
    });
  }
  if (readings.length === 0) return error('wrong-input', 'One reading or more is needed.', 'readings');
  const sane = checkSenderReadings(readings, circuit);
  if (!sane.ok) return error('wrong-input', sane.error.message, sane.error.path);
  const found = explainSender(readings, { curve: built.value.curve, circuit });
  const figure = (v: number | null) => (v === null ? null : rounded(v));
  return ok({
    faults: found.faults.map((f) => ({
      ...{ fault: f.fault, probability: rounded(f.probability) },
      ...{ value: figure(f.value), sd: figure(f.sd), unit: f.unit },
    })),
    error_k: found.error.map((e) => [e.at_c, rounded(e.error_k)]),
    error_band_k: found.error.map((e) => [e.at_c, rounded(e.low_k), rounded(e.high_k)]),
    named: found.named,
    next_c: found.next?.at_c ?? null,
    repeat_reading: found.repeat,
  });
}
