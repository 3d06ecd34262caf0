'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useMemo, useState, type ReactNode } from 'react';
import { CAUSE_TEXT, caseOdds, causeName, describeTest, vehicleScale, type Finding } from '@/core/diagnosis';
import { loadJob } from '@/storage/jobs';
import { deleteTrace, restoreTrace, setJudging } from '@/storage/traces';
import type { TraceRecord, VehicleRecord } from '@/storage/records';
import { ChartLegend, type LegendEntry } from '@/ui/ChartLegend';
import { ScaledPicture } from '@/ui/ScaledPicture';
import { useShowImport } from '@/ui/showImport';
import { useToast } from '@/ui/Toasts';
import { useUnits } from '@/ui/units';
import { besideColour, familyColour } from '@/ui/colours';
import { besideCurves, curvePoints, type BesideCurve } from './findingView';
import { MemoryNote } from './MemoryNote';
import { FindingDetails } from './FindingDetails';

const WarmUpChart = dynamic(() => import('./WarmUpChart').then((m) => m.WarmUpChart), { ssr: false });

const PLOT_HEIGHT = 392;

/** Names of the curves of a finding. */
function legendOf(finding: Finding, beside: readonly BesideCurve[]): LegendEntry[] {
  const { cause } = finding.verdict;
  return [
    { label: 'measured', colour: 'var(--trace)' },
    { label: 'sound vehicle, 8 in 10 fall inside', colour: 'var(--family-sound)', band: true },
    {
      label: `best fit: ${causeName(cause).toLowerCase()}`,
      colour: familyColour(CAUSE_TEXT[cause].family),
      dash: '8 4',
    },
    ...beside.map((curve, i) => ({ label: curve.label, colour: besideColour(i), width: 2 })),
  ];
}

function Picture({ record, vehicle, finding }: { record: TraceRecord; vehicle: VehicleRecord; finding: Finding }) {
  const points = useMemo(() => curvePoints(record.trace, finding), [record.trace, finding]);
  const beside = useMemo(() => besideCurves(record), [record]);
  const airLogged = record.trace.channels.ambient_c !== undefined || record.trace.channels.iat_c !== undefined;
  const outside = airLogged ? (finding.parameters.find((p) => p.name === 'ambient')?.value ?? null) : null;
  const scale = useMemo(() => vehicleScale(vehicle.vehicle, outside), [vehicle.vehicle, outside]);
  const rated = vehicle.vehicle.thermostat.rated_c;
  return (
    <div>
      <ScaledPicture scale={scale} height={PLOT_HEIGHT} testId="chart">
        {(width) => (
          <WarmUpChart
            points={points}
            width={width}
            height={PLOT_HEIGHT}
            lines={[rated - 11, rated]}
            colour={familyColour(CAUSE_TEXT[finding.verdict.cause].family)}
            beside={beside}
          />
        )}
      </ScaledPicture>
      <ChartLegend entries={legendOf(finding, beside)} />
    </div>
  );
}

function Waiting({ record }: { record: TraceRecord }) {
  const { judging } = record;
  return (
    <div className="px-5 py-14">
      <p className="text-3xl type-sign">{judging.state === 'wanted' ? 'Judging this trace' : 'Not judged'}</p>
      {judging.state === 'failed' && <p className="mt-2 text-lg">The judge failed: {judging.message}</p>}
      {judging.state === 'wanted' ? (
        <p className="mt-2 text-lg">Its progress stands at the top. You can go on working.</p>
      ) : (
        <button
          type="button"
          className="btn mt-4 btn-lg btn-primary"
          onClick={() => void setJudging(record.id, { state: 'wanted' })}
        >
          Judge it now
        </button>
      )}
    </div>
  );
}

/** The finding of a job's trace: picture, why, next tests, and all details below. */
export function FindingScreen({ jobId, empty }: { jobId: string; empty: ReactNode }) {
  const detail = useLiveQuery(() => loadJob(jobId), [jobId]);
  const toast = useToast();
  const [chosen, setChosen] = useState<string | null>(null);
  const showImport = useShowImport();
  const { say } = useUnits();
  if (!detail) return null;
  const record = detail.traces.find((t) => t.id === chosen) ?? detail.traces[0];
  if (!record) return <>{empty}</>;
  const finding = detail.findings.find((f) => f.traceId === record.id)?.finding;
  const next =
    finding?.quality.usable === true
      ? caseOdds(detail.vehicle.vehicle, detail.job.answers, finding).next.map(describeTest)
      : (finding?.next ?? []);
  const remove = async () => {
    const deleted = await deleteTrace(record.id);
    if (!deleted.ok) return toast({ kind: 'error', text: deleted.error.message });
    toast({
      kind: 'info',
      text: `${record.fileName} removed from this job.`,
      action: { label: 'Undo', run: () => void restoreTrace(deleted.value) },
    });
  };
  return (
    <div className="px-5 pt-3 pb-16">
      <div className="mb-2 flex items-center gap-3">
        {detail.traces.length > 1 ? (
          <select
            className="select w-auto select-sm"
            aria-label="Trace"
            value={record.id}
            onChange={(e) => setChosen(e.target.value)}
          >
            {detail.traces.map((t) => (
              <option key={t.id} value={t.id}>
                {t.fileName}
              </option>
            ))}
          </select>
        ) : (
          <span className="type-label">{record.fileName}</span>
        )}
        <span className="type-label">
          {Math.round(record.report.duration_s / 60)} min, {record.report.rows} rows
        </span>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => showImport(record.id)}>
          How it was read
        </button>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label={`Remove ${record.fileName}`}
          onClick={() => void remove()}
        >
          <Trash2 aria-hidden className="size-4" />
        </button>
      </div>
      {finding ? (
        <>
          <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20.5rem]">
            <Picture record={record} vehicle={detail.vehicle} finding={finding} />
            <div>
              <h2 className="text-2xl type-sign">Why</h2>
              <ol className="mt-2 space-y-3 leading-snug" data-testid="why">
                {finding.why.map((sentence) => (
                  <li key={sentence}>{say(sentence)}</li>
                ))}
              </ol>
              {finding.verdict.grade === 'inconclusive' && (
                <p className="mt-3 border-l-4 border-warning pl-3 leading-snug font-semibold" data-testid="reason">
                  {say(finding.verdict.reason)}
                </p>
              )}
            </div>
          </div>
          <MemoryNote record={record} vehicle={detail.vehicle} finding={finding} />
          <FindingDetails finding={finding} next={next} />
        </>
      ) : (
        <Waiting record={record} />
      )}
    </div>
  );
}
