'use client';

import { format } from 'date-fns';
import { useMemo, useState, type ReactNode } from 'react';
import { coolantState } from '@/core/case';
import type { FeatureRow } from '@/core/desk';
import { causeName } from '@/core/evidence';
import { verdictText, type Finding } from '@/core/judge';
import { vehicleScale } from '@/core/limits';
import { markLabel } from '@/job/entryWords';
import { useJob } from '@/job/JobProvider';
import { percent } from '@/job/jobWords';
import { PrintHead } from '@/job/PrintHead';
import type { TraceRecord } from '@/storage/records';
import { Caution } from '@/ui/Caution';
import { ChartLegend, laneLegend } from '@/ui/picture/ChartLegend';
import type { Curve, Mark } from '@/ui/picture/lane';
import { useDriveView, type DriveView } from '@/ui/picture/useDriveView';
import { useElementWidth } from '@/ui/useElementWidth';
import { useUnits } from '@/ui/units';
import { CircuitPicture } from './CircuitPicture';
import { CodesPanel } from './CodesPanel';
import { ComparePanel } from './ComparePanel';
import { CursorReadout } from './CursorReadout';
import { DeskLanes } from './DeskLanes';
import { channelLanes, driveRange, temperatureLane } from './deskLanes';
import { deskMarks, type DeskMark } from '@/job/deskMarks';
import { FeatureTable } from './FeatureTable';
import { MarkPanel } from './MarkPanel';
import { OverlayBar, ViewButtons, type Shown } from './OverlayBar';
import { PhaseStrips } from './PhaseStrips';
import { senderWords } from './senderWords';
import { TakeAway } from './TakeAway';
import { useDriveLook, type LookState } from '@/job/useDriveLook';
import { WhatIfPanel } from './WhatIfPanel';

const TABS = ['Figures', 'Codes', 'Marks', 'Circuit', 'What if'] as const;
type Tab = (typeof TABS)[number];

/** Height of the temperature lane, px: less where many lanes stand below it. */
const heightFor = (below: number): number => (below > 4 ? 236 : 280);

function Panel({
  tab,
  record,
  finding,
  look,
  marks,
  view,
  pointed,
  onPoint,
  onWhatIf,
}: {
  tab: Tab;
  record: TraceRecord;
  finding: Finding | null;
  look: LookState;
  marks: readonly DeskMark[];
  view: DriveView;
  pointed: string | null;
  onPoint: (row: FeatureRow) => void;
  onWhatIf: (curve: Curve | null) => void;
}) {
  const { vehicle } = useJob();
  if (tab === 'Marks') {
    const opens_s = finding?.opening.at_s ?? null;
    return <MarkPanel traceId={record.id} marks={marks} view={view} opens_s={opens_s} />;
  }
  if (look.state === 'working') return <p className="type-label">Measuring this drive.</p>;
  if (look.state === 'failed') return <Caution>The drive could not be measured: {look.message}</Caution>;
  if (tab === 'Figures') return <FeatureTable rows={look.look.features} shown={pointed} onShow={onPoint} />;
  if (!finding) return <p>The judge has not been through this drive yet: codes, circuit and what-if follow from it.</p>;
  if (tab === 'Codes') return <CodesPanel finding={finding} look={look.look} onShow={view.show} />;
  if (tab === 'Circuit') {
    return <CircuitPicture trace={record.trace} vehicle={vehicle.vehicle} finding={finding} view={view} />;
  }
  return <WhatIfPanel record={record} finding={finding} onCurve={onWhatIf} />;
}

function Desk({ record, finding, head }: { record: TraceRecord; finding: Finding | null; head: ReactNode }) {
  const { vehicle, entries, traces, figures } = useJob();
  const { say, show } = useUnits();
  const [attach, width] = useElementWidth();
  const [shown, setShown] = useState<Shown>({ band: true, others: false, cause: 'none' });
  const [tab, setTab] = useState<Tab>('Figures');
  const [pointed, setPointed] = useState<FeatureRow | null>(null);
  const [whatIf, setWhatIf] = useState<Curve | null>(null);
  const [compares, setCompares] = useState(false);
  const whole = useMemo(() => driveRange(record.trace), [record.trace]);
  const view = useDriveView(whole);
  const marks = useMemo(() => deskMarks(record, traces, entries), [record, traces, entries]);
  const look = useDriveLook(record, finding, marks);
  const ready = look.state === 'ready' ? look.look : null;
  const scale = useMemo(() => {
    const coolant = coolantState(entries, vehicle.vehicle, figures.altitude_m);
    const { belowRating_k } = figures.monitors;
    return vehicleScale(vehicle.vehicle, ready?.outside_c ?? null, { coolant, belowRating_k });
  }, [entries, vehicle.vehicle, figures, ready?.outside_c]);
  const cause =
    shown.cause === 'none' ? null : shown.cause === 'leading' ? (finding?.verdict.cause ?? null) : shown.cause;
  const temperature = useMemo(
    () => temperatureLane(record, finding, { band: shown.band, others: shown.others, cause, whatIf }),
    [record, finding, shown.band, shown.others, cause, whatIf],
  );
  const below = useMemo(() => channelLanes(record.trace, finding), [record.trace, finding]);
  const stretches = useMemo((): Mark[] => {
    const place = pointed?.told;
    return [
      ...marks.map((m): Mark => ({ kind: 'moment', at_s: m.at_s, thin: true })),
      ...(place
        ? [
            place.to_s - place.from_s < 2
              ? ({ kind: 'moment', at_s: place.from_s } as const)
              : ({ kind: 'stretch', from_s: place.from_s, to_s: place.to_s, colour: 'var(--color-primary)' } as const),
          ]
        : []),
    ];
  }, [marks, pointed]);
  const point = (row: FeatureRow) => {
    const again = pointed?.name === row.name;
    setPointed(again ? null : row);
    if (!again && row.told) view.show({ from_s: row.told.from_s, to_s: row.told.to_s });
  };
  const hasOthers = useMemo(
    () => temperatureLane(record, finding, { band: false, others: true, cause: null, whatIf: null }).curves.length > 1,
    [record, finding],
  );
  const sender = finding && senderWords(finding);
  const verdict = finding
    ? finding.verdict.grade === 'inconclusive'
      ? 'this drive cannot tell'
      : `this drive: ${causeName(finding.verdict.cause).toLowerCase()}, ${percent(finding.verdict.probability)}`
    : 'not judged';
  const picture = () => ({
    title: `${vehicle.plate}, ${vehicle.vehicle.label}: ${verdict}`,
    lines: [
      `${record.fileName}, ${format(record.importedAt, 'd MMM yyyy HH:mm')}; minutes ${(view.range.from_s / 60).toFixed(1)} to ${(view.range.to_s / 60).toFixed(1)}. Made ${format(Date.now(), 'd MMM yyyy')}.`,
      ...(finding ? [say(verdictText(finding))] : []),
    ],
    temperature: {
      ...temperature,
      marks: [scale.threshold_c, scale.opens_c].map((value): Mark => ({ kind: 'level', value })),
    },
    below,
    range: view.range,
    marks: marks.map((m) => ({ at_s: m.at_s, label: markLabel(m, show) })),
  });
  return (
    <div className="px-5 pt-2 pb-16">
      <PrintHead title="Trace desk" log={record.fileName} />
      <div className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        {head}
        {finding && <OverlayBar finding={finding} shown={shown} hasOthers={hasOthers} onChange={setShown} />}
        <span className="flex-1" />
        <ViewButtons view={view} />
        <TakeAway
          name={`${vehicle.plate} ${record.fileName.replace(/\.[a-z]+$/i, '')} desk`}
          trace={record.trace}
          range={view.range}
          picture={picture}
        />
      </div>
      <div className="grid grid-cols-1 gap-x-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div ref={attach}>
          {ready && <PhaseStrips phases={ready.phases} range={view.range} width={width} onShow={view.show} />}
          {!ready && <div className="h-[41px]" />}
          <DeskLanes
            trace={record.trace}
            view={view}
            scale={scale}
            temperature={temperature}
            below={below}
            marks={stretches}
            height={heightFor(below.length)}
            label={`Drive ${record.fileName}`}
            onMark={() => setTab('Marks')}
          />
          <ChartLegend entries={laneLegend(temperature)} />
          {sender !== null && (
            <p className="mt-1 pl-42 font-semibold" data-testid="sender-words">
              {say(sender)}
            </p>
          )}
        </div>
        <div className="min-w-0">
          <CursorReadout view={view} record={record} finding={finding} marks={marks} />
          <div
            role="tablist"
            aria-label="What to look at"
            className="mt-1 mb-2 flex flex-wrap border-b border-base-content/30 print:hidden"
          >
            {TABS.map((t) => (
              <button
                key={t}
                type="button"
                role="tab"
                aria-selected={t === tab}
                className={`min-h-11 border-b-4 px-2.5 ${t === tab ? 'border-primary font-bold' : 'border-transparent hover:border-base-300'}`}
                onClick={() => setTab(t)}
              >
                {t}
              </button>
            ))}
          </div>
          <Panel
            {...{ tab, record, finding, look, marks, view }}
            pointed={pointed?.name ?? null}
            onPoint={point}
            onWhatIf={setWhatIf}
          />
        </div>
      </div>
      {ready && (
        <section aria-labelledby="compare-title" className="mt-6 border-t border-base-content/30 pt-3 print:hidden">
          <h2 id="compare-title" className="text-2xl type-sign">
            <button
              type="button"
              className="tap underline decoration-base-content/40 underline-offset-4"
              aria-expanded={compares}
              onClick={() => setCompares(!compares)}
            >
              Against another drive
            </button>
          </h2>
          {compares && (
            <div className="mt-3">
              <ComparePanel record={record} look={ready} scale={scale} />
            </div>
          )}
        </section>
      )}
    </div>
  );
}

/** The trace desk: one drive with all that was logged, its phases, its figures, and what follows from it. */
export function DeskScreen({ empty }: { empty: ReactNode }) {
  const { traces, findings } = useJob();
  const [chosen, setChosen] = useState<string | null>(null);
  const record = traces.find((t) => t.id === chosen) ?? traces[0];
  if (!record) return <>{empty}</>;
  const finding = findings.find((f) => f.traceId === record.id)?.finding ?? null;
  const head =
    traces.length > 1 ? (
      <select
        className="select w-auto max-w-60 select-sm print:hidden"
        aria-label="Drive"
        value={record.id}
        onChange={(e) => setChosen(e.target.value)}
      >
        {traces.map((t) => (
          <option key={t.id} value={t.id}>
            {t.fileName}
          </option>
        ))}
      </select>
    ) : (
      <span className="type-label print:hidden">{record.fileName}</span>
    );
  return <Desk key={record.id} record={record} finding={finding} head={head} />;
}
