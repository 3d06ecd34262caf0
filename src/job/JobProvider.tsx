'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { usePathname } from 'next/navigation';
import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react';
import type { Case } from '@/core/case';
import { readSheet, type RepairSheet } from '@/core/repair';
import { loadRepair } from '@/storage/repairs';
import { judgeTracesAgain } from '@/storage/traces';
import { loadDrives, loadJob, putSummary, type JobDetail, type JobDrives } from '@/storage/jobs';
import { summaryBasis, summaryOf } from './caseOfJob';
import { soundCase } from './soundFindings';
import { useFigures, type ShopFigures } from './useFigures';
import { useKeep } from './useKeep';
import { useWrite } from './useWrite';

/** An open job: what is kept of it, and what follows from that. */
export interface OpenJob extends JobDetail, JobDrives, ShopFigures {
  readonly case: Case;
  /** The repair that stands; null before the first. */
  readonly repair: RepairSheet | null;
  /** Why the repair that stands cannot be read by this version; null when it can. */
  readonly repairUnread: string | null;
}

const JobContext = createContext<OpenJob | null>(null);

/** The open job; for screens below the provider. @throws {Error} outside of it */
export function useJob(): OpenJob {
  const open = useContext(JobContext);
  if (!open) throw new Error('useJob: no job is open here');
  return open;
}

const NO_REPAIR = { repair: null, repairUnread: null } as const;
const NONE_YET: { readonly open: OpenJob | null; readonly broken: readonly string[] } = { open: null, broken: [] };

/**
 * Opens a job once for all that is shown of it: one query for its chronicle, one for its drives, one case. Screens below
 * read it with `useJob`.
 */
export function JobProvider({
  jobId,
  missing,
  children,
}: {
  jobId: string;
  /** Shown where there is no such job. */
  missing: ReactNode;
  children: ReactNode;
}) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  const drives = useLiveQuery(() => loadDrives(jobId), [jobId]);
  const repair = useLiveQuery(async () => (await loadRepair(jobId)) ?? null, [jobId]);
  const shop = useFigures();
  const write = useWrite();
  const keep = useKeep();
  const sound = useMemo(() => {
    if (!detail || !drives || !shop) return null;
    const { case: found, broken } = soundCase(detail, drives.findings, shop.figures);
    const findings = drives.findings.filter((f) => !broken.includes(f.traceId));
    return { broken, open: { ...detail, ...drives, findings, ...shop, case: found, ...NO_REPAIR } };
  }, [detail, drives, shop]);
  const { open, broken } = sound ?? NONE_YET;
  useEffect(() => {
    if (broken.length > 0) keep(() => judgeTracesAgain(broken), { says: 'A finding could not be read: judged again.' });
  }, [broken, keep]);
  const read = useMemo(() => (repair ? readSheet(repair.sheet) : null), [repair]);
  const whole = useMemo(
    () =>
      open && repair !== undefined
        ? { ...open, repair: read?.ok ? read.value : null, repairUnread: read && !read.ok ? read.error : null }
        : null,
    [open, repair, read],
  );
  useEffect(() => {
    if (!open) return;
    const basis = summaryBasis(open.job, open.vehicle, open.changedAt);
    void write(putSummary(summaryOf(open.job, basis, open.case)));
  }, [open, write]);
  const here = usePathname();
  const plate = open?.vehicle.plate;
  useEffect(() => {
    if (plate !== undefined) document.title = `${plate} · Varmek`;
  }, [plate, here]);
  if (detail === null) return <>{missing}</>;
  if (!whole) return <p className="p-8 type-label">Loading</p>;
  return <JobContext value={whole}>{children}</JobContext>;
}
