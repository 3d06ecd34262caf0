'use client';

import { Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useMemo, useState, type ReactNode } from 'react';
import { coolantState } from '@/core/case';
import { causeName } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import { vehicleScale } from '@/core/limits';
import { causeLook } from '@/job/causeLook';
import { useJob } from '@/job/JobProvider';
import { Simulated } from '@/job/Simulated';
import { useWrite } from '@/job/useWrite';
import type { TraceRecord } from '@/storage/records';
import { deleteTrace, restoreTrace, setJudging } from '@/storage/traces';
import { Caution } from '@/ui/Caution';
import { ChartLegend, type LegendEntry } from '@/ui/ChartLegend';
import { besideColour } from '@/ui/colours';
import { ScaledPicture } from '@/ui/ScaledPicture';
import { useShowImport } from '@/ui/showImport';
import { useUnits } from '@/ui/units';
import { DrivesUsed } from './DrivesUsed';
import { FindingDetails } from './FindingDetails';
import { besideCurves, curvePoints, type BesideCurve } from './findingView';
import { MemoryNote } from './MemoryNote';

const WarmUpChart = dynamic(() => import('./WarmUpChart').then((m) => m.WarmUpChart), { ssr: false });

const PLOT_HEIGHT = 392;

/** Names of the curves of a finding. */
function legendOf(finding: Finding, beside: readonly BesideCurve[]): LegendEntry[] {
  const { cause } = finding.verdict;
  return [
    { label: 'measured', colour: 'var(--trace)' },
    { label: 'sound vehicle, 8 in 10 fall inside', colour: 'var(--family-sound)', band: true },
    { label: `best fit: ${causeName(cause).toLowerCase()}`, colour: causeLook(cause).colour, dash: '8 4' },
    ...beside.map((curve, i) => ({ label: curve.label, colour: besideColour(i), width: 2 })),
  ];
}

function Picture({ record, finding }: { record: TraceRecord; finding: Finding }) {
  const { vehicle, entries, figures } = useJob();
  const points = useMemo(() => curvePoints(record.trace, finding), [record.trace, finding]);
  const beside = useMemo(() => besideCurves(record), [record]);
  const airKnown =
    record.trace.channels.ambient_c !== undefined ||
    record.trace.channels.iat_c !== undefined ||
    finding.outsideGiven_c !== null;
  const outside = airKnown ? (finding.parameters.find((p) => p.name === 'ambient')?.value ?? null) : null;
  const scale = useMemo(
    () =>
      vehicleScale(vehicle.vehicle, outside, {
        coolant: coolantState(entries, vehicle.vehicle, figures.altitude_m),
        belowRating_k: figures.monitors.belowRating_k,
      }),
    [vehicle.vehicle, outside, entries, figures],
  );
  return (
    <div>
      <ScaledPicture scale={scale} height={PLOT_HEIGHT} testId="chart">
        {(width) => (
          <WarmUpChart
            points={points}
            width={width}
            height={PLOT_HEIGHT}
            lines={[scale.threshold_c, scale.opens_c]}
            colour={causeLook(finding.verdict.cause).colour}
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
  const write = useWrite();
  return (
    <div className="px-5 py-14">
      <p className="text-3xl type-sign">{judging.state === 'wanted' ? 'Judging this trace' : 'Not judged'}</p>
      {judging.state === 'failed' && <p className="mt-2 text-lg">The judge failed: {judging.message}</p>}
      {judging.state !== 'wanted' && (
        <button
          type="button"
          className="btn mt-4 btn-lg btn-primary"
          onClick={() => void write(setJudging(record.id, { state: 'wanted' }))}
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
    write(deleteTrace(record.id), { says: `${record.fileName} removed from this job.`, undo: restoreTrace });
  return (
    <div className="mb-2 flex items-center gap-3">
      {traces.length > 1 ? (
        <select
          className="select w-auto select-sm"
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

/** The finding of a job's trace: picture, why, next tests, and all details below. */
export function FindingScreen({ empty }: { empty: ReactNode }) {
  const { traces, findings, vehicle } = useJob();
  const [chosen, setChosen] = useState<string | null>(null);
  const { say } = useUnits();
  const record = traces.find((t) => t.id === chosen) ?? traces[0];
  if (!record) return <>{empty}</>;
  const finding = findings.find((f) => f.traceId === record.id)?.finding;
  return (
    <div className="px-5 pt-3 pb-16">
      <TraceHead record={record} onChoose={setChosen} />
      {finding ? (
        <>
          <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20.5rem]">
            <Picture record={record} finding={finding} />
            <div>
              <h2 className="text-2xl type-sign">Why</h2>
              <ol className="mt-2 space-y-3 leading-snug" data-testid="why">
                {finding.why.map((sentence) => (
                  <li key={sentence}>{say(sentence)}</li>
                ))}
              </ol>
              {finding.verdict.grade === 'inconclusive' && (
                <Caution className="mt-3 font-semibold" testId="reason">
                  {say(finding.verdict.reason)}
                </Caution>
              )}
            </div>
          </div>
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
