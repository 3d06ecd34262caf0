'use client';

import { Trash2 } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useState, type ReactNode } from 'react';
import { causeName } from '@/core/evidence';
import { verdictText, type Finding, type Remark } from '@/core/judge';
import { useJob } from '@/job/JobProvider';
import { PrintHead } from '@/job/PrintHead';
import { Simulated } from '@/job/Simulated';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import type { TraceRecord } from '@/storage/records';
import { putBackDeleted } from '@/storage/bin';
import { deleteTrace, setJudging } from '@/storage/traces';
import { Caution } from '@/ui/Caution';
import { useShowImport } from '@/ui/showImport';
import { useUnits } from '@/ui/units';
import { DrivesUsed } from './DrivesUsed';
import { FindingDetails } from './FindingDetails';
import { FindingPicture } from './FindingPicture';
import { MemoryNote } from './MemoryNote';
import { WhyList } from './WhyList';

function Waiting({ record }: { record: TraceRecord }) {
  const { judging } = record;
  const keep = useKeep();
  return (
    <div className="px-5 py-14">
      <p className="text-3xl type-sign">{judging.state === 'wanted' ? 'Judging this trace' : 'Not judged'}</p>
      {judging.state === 'failed' && <p className="mt-2 text-lg">The judge failed: {judging.message}</p>}
      {judging.state !== 'wanted' && (
        <button
          type="button"
          className="btn mt-4 btn-lg btn-primary"
          onClick={() => keep(() => setJudging(record.id, { state: 'wanted' }))}
        >
          Judge it now
        </button>
      )}
    </div>
  );
}

function TraceHead({ record, onChoose }: { record: TraceRecord; onChoose: (id: string) => void }) {
  const { traces } = useJob();
  const write = useWrite();
  const showImport = useShowImport();
  const remove = () =>
    write(deleteTrace(record.id), { says: `${record.fileName} removed from this job.`, undo: putBackDeleted });
  return (
    <div className="mb-2 flex flex-wrap items-center gap-3 print:hidden">
      {traces.length > 1 ? (
        <select
          className="select w-auto max-w-full select-sm"
          aria-label="Trace"
          value={record.id}
          onChange={(e) => onChoose(e.target.value)}
        >
          {traces.map((t) => (
            <option key={t.id} value={t.id}>
              {t.fileName}
            </option>
          ))}
        </select>
      ) : (
        <span className="type-label">{record.fileName}</span>
      )}
      {record.simulated && <Simulated />}
      <span className="type-label">
        {Math.round(record.report.duration_s / 60)} min, {record.report.rows} rows
      </span>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => showImport(record.id)}>
        How it was read
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => showImport(record.id)}>
        {record.companion ? 'Second log' : 'Add a second log'}
      </button>
      <Link href={`/jobs/${record.jobId}/desk`} className="btn btn-ghost btn-sm">
        On the desk
      </Link>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label={`Remove ${record.fileName}`}
        onClick={() => void remove()}
      >
        <Trash2 aria-hidden className="size-4" />
      </button>
    </div>
  );
}

/** A second fault that is likelier than not, and the assumption that the verdict leans on most. */
function Besides({ finding: { also = [], leansOn = null } }: { finding: Finding }) {
  if (also.length === 0 && !leansOn) return null;
  return (
    <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-3 gap-y-2 border-t border-base-content/30 pt-3 leading-snug">
      {also.length > 0 && (
        <>
          <dt className="font-semibold">Beside it</dt>
          <dd>{also.map((cause) => causeName(cause).toLowerCase()).join(', ')}: likelier than not, look for both.</dd>
        </>
      )}
      {leansOn && (
        <>
          <dt className="font-semibold">Leans on</dt>
          <dd>{leansOn}.</dd>
        </>
      )}
    </dl>
  );
}

function PictureAndWhy({ record, finding }: { record: TraceRecord; finding: Finding }) {
  const { say } = useUnits();
  const [pointed, setPointed] = useState<Remark | null>(null);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20.5rem]">
      <FindingPicture record={record} finding={finding} pointed_s={pointed?.at_s ?? null} />
      <div>
        <h2 className="text-2xl type-sign">Why</h2>
        <WhyList why={finding.why} pointed={pointed} onPoint={setPointed} />
        <Besides finding={finding} />
        {finding.verdict.grade === 'inconclusive' && (
          <Caution className="mt-3 font-semibold" testId="reason">
            {say(verdictText(finding))}
          </Caution>
        )}
      </div>
    </div>
  );
}

/** The finding of a job's trace: picture, why, next tests, and all details below. */
export function FindingScreen({ empty }: { empty: ReactNode }) {
  const { traces, findings, vehicle } = useJob();
  const [chosen, setChosen] = useState<string | null>(null);
  const record = traces.find((t) => t.id === chosen) ?? traces[0];
  if (!record) return <>{empty}</>;
  const finding = findings.find((f) => f.traceId === record.id)?.finding;
  return (
    <div className="px-5 pt-3 pb-16">
      <PrintHead title="Finding" log={record.fileName} />
      <TraceHead record={record} onChoose={setChosen} />
      {finding ? (
        <>
          <PictureAndWhy key={record.id} record={record} finding={finding} />
          <DrivesUsed onLook={setChosen} />
          <MemoryNote record={record} vehicle={vehicle} finding={finding} />
          <FindingDetails finding={finding} fileName={record.fileName} />
        </>
      ) : (
        <Waiting record={record} />
      )}
    </div>
  );
}
