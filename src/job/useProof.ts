'use client';

import { useState } from 'react';
import { complainedOf, type WorkEntry } from '@/core/case';
import { compareLooks, type Comparison, type DriveLook } from '@/core/desk';
import type { Finding } from '@/core/judge';
import {
  acceptanceOf,
  notProvenBy,
  pickPair,
  planProofDrive,
  proposeVerdict,
  type AcceptanceRow,
  type ProofDrive,
  type ProofPlan,
  type ProposedVerdict,
} from '@/core/proof';
import type { TraceRecord } from '@/storage/records';
import { deskMarks } from './deskMarks';
import { useJob } from './JobProvider';
import { useDriveLook } from './useDriveLook';

/** A drive of before or after, as far as it is measured. */
export interface PairedDrive {
  readonly record: TraceRecord;
  readonly finding: Finding | null;
  readonly at: number;
  /** Null while it is being measured. */
  readonly look: DriveLook | null;
}

/** Everything that is known of the proof of the open job. */
export interface ProofInHand {
  readonly works: readonly WorkEntry[];
  readonly before: PairedDrive | null;
  readonly after: PairedDrive | null;
  /** Both against each other; null while one is missing or being measured. */
  readonly pair: Comparison | null;
  readonly rows: readonly AcceptanceRow[];
  readonly proposed: ProposedVerdict;
  /** What the drive after the work leaves unproven. */
  readonly notProven: readonly string[];
  readonly plan: ProofPlan;
  readonly measuring: boolean;
  /** Why a drive could not be measured; null when it could. */
  readonly failed: string | null;
  /** Drives are logged that the judge has not come to. */
  readonly judging: boolean;
}

/** One drive of the pair, measured. */
function usePaired(dated: { readonly traceId: string; readonly at: number } | null) {
  const { traces, findings, entries } = useJob();
  const record = traces.find((t) => t.id === dated?.traceId) ?? null;
  const finding = findings.find((f) => f.traceId === record?.id)?.finding ?? null;
  const state = useDriveLook(record, finding, record ? deskMarks(record, traces, entries) : []);
  const look = state.state === 'ready' ? state.look : null;
  const paired: PairedDrive | null = record && dated ? { record, finding, at: dated.at, look } : null;
  return { paired, failed: record && state.state === 'failed' ? state.message : null };
}

/** The proof of the open job: its two drives, the acceptance, and the verdict that the figures allow. */
export function useProof(): ProofInHand {
  const { entries, vehicle, repair, case: found, traces, findings } = useJob();
  const [now] = useState(() => Date.now());
  const works = entries.filter((e): e is WorkEntry => e.kind === 'work' && e.takenBack !== true);
  const picked = pickPair(
    found.drives,
    works.map((w) => w.at),
  );
  const { paired: before, failed: beforeFailed } = usePaired(picked.before);
  const { paired: after, failed: afterFailed } = usePaired(picked.after);
  const pair = before?.look && after?.look ? compareLooks(before.look, after.look) : null;
  const said = complainedOf(entries);
  const drive: ProofDrive | null = after?.look
    ? { traceId: after.record.id, at: after.at, look: after.look, monitors: after.finding?.codes ?? [] }
    : null;
  const rows = acceptanceOf({ vehicle: vehicle.vehicle, entries, repair, drive, now });
  const notProven = after?.look ? notProvenBy(after.look, said, pair) : [];
  return {
    ...{ works, before, after, pair, rows, notProven },
    proposed: proposeVerdict({ case: found, rows, driven: drive !== null, notProven }),
    plan: planProofDrive(said, before?.look ?? null),
    measuring: (before?.look === null && beforeFailed === null) || (after?.look === null && afterFailed === null),
    failed: afterFailed ?? beforeFailed,
    judging: traces.some((t) => t.judging.state === 'wanted' && !findings.some((f) => f.traceId === t.id)),
  };
}
