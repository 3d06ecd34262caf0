'use client';

import { dueDays } from '@/core/closing';
import { improvements } from '@/core/proof';
import { customerReport, reportCurves, type CustomerReport, type ReadingCurve, type ReportCurves } from '@/core/report';
import { useJob } from '@/job/JobProvider';
import { useClosing } from '@/job/useClosing';
import { useProof, type PairedDrive, type ProofInHand } from '@/job/useProof';

/** What both reports are written from. */
export interface ReportInHand {
  readonly proof: ProofInHand;
  readonly customer: CustomerReport;
  readonly curves: ReportCurves | null;
  readonly ready: boolean;
}

const curveOf = (drive: PairedDrive | null): ReadingCurve | null =>
  drive && { time_s: drive.record.trace.time_s, values: drive.record.trace.channels.ect_c };

/** The report of the open job. */
export function useReport(): ReportInHand {
  const { job, vehicle, entries, case: found, repair } = useJob();
  const { closing, loaded } = useClosing();
  const proof = useProof();
  const { before, after, pair } = proof;
  const sound = after?.finding?.curves ?? null;
  const band = (values: Float64Array | undefined): ReadingCurve | null =>
    sound && values ? { time_s: sound.time_s, values } : null;
  const curves =
    before || after
      ? reportCurves({
          ...{ before: curveOf(before), after: curveOf(after) },
          low: band(sound?.healthyLow_c),
          high: band(sound?.healthyHigh_c),
        })
      : null;
  const lookAgainOn = job.state === 'look-again' ? job.lookAgainOn : null;
  const customer = customerReport({
    ...{ entries, case: found, repair, closing },
    vehicle: vehicle.vehicle,
    plate: vehicle.plate,
    mileage_km: vehicle.mileage_km,
    arrivedAt: job.createdAt,
    complaint: job.complaint,
    changes: pair ? improvements(pair) : [],
    comparable: pair?.comparable ?? null,
    notProven: proof.proposed.lacks,
    due: dueDays({ entries, repair, closing, lookAgainOn, finished: job.state === 'finished' }),
  });
  return { proof, customer, curves, ready: loaded && !proof.measuring && !proof.judging };
}
