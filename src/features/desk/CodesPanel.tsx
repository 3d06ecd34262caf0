'use client';

import { Link } from '@/ui/Link';
import { isFault, type Cause } from '@/core/base';
import { coolantState, outsideGiven_c, type CodeEntry } from '@/core/case';
import type { DriveLook } from '@/core/desk';
import { causeName } from '@/core/evidence';
import type { Finding } from '@/core/judge';
import {
  frameFit,
  lampAfter,
  MONITOR_NAME,
  monitorDetail,
  monitorText,
  monitorVerdict,
  readFrame,
  type CodeResult,
} from '@/core/monitor';
import { driveForMonitor } from '@/core/planning';
import { firstPlan } from '@/job/firstPlan';
import { useJob } from '@/job/JobProvider';
import { useKeep } from '@/job/useKeep';
import { useWork } from '@/job/useWork';
import { changePlan } from '@/storage/jobs';
import type { Range } from '@/ui/picture/lane';
import { useUnits } from '@/ui/units';
import { plannedCodesInWorker } from '@/workers/planClient';

const LAMP = {
  off: 'lamp off',
  pending: 'pending: one more failing drive lights the lamp',
  lit: 'lamp lit',
} as const;

function Code({ code, onShow }: { code: CodeResult; onShow: (place: Range) => void }) {
  const { say } = useUnits();
  const at_s = code.at_s ?? code.whyNot[0]?.at_s ?? null;
  return (
    <li className="border-b border-base-content/15 py-1.5" data-testid={`code-${code.code}`}>
      <p className="flex items-baseline gap-2">
        <strong>{code.code}</strong>
        <span className="min-w-0 flex-1 truncate type-label">{MONITOR_NAME[code.code]}</span>
        <strong className={code.wouldSet === true ? 'text-error' : ''}>{monitorVerdict(code)}</strong>
      </p>
      <p className="text-sm leading-snug">
        {say(monitorDetail(code))}{' '}
        {at_s !== null && at_s > 0 && (
          <button
            type="button"
            className="underline underline-offset-4"
            onClick={() => onShow({ from_s: at_s, to_s: at_s + 1 })}
          >
            show
          </button>
        )}
      </p>
    </li>
  );
}

/** What the lamp does over all drives of the job, code by code that failed on any. */
function LampOverDrives() {
  const { traces, findings } = useJob();
  const inTime = [...traces]
    .sort((a, b) => a.importedAt - b.importedAt)
    .flatMap((t) => findings.filter((f) => f.traceId === t.id).map((f) => f.finding.codes));
  const failed = [...new Set(inTime.flat().flatMap((c) => (c.wouldSet ? [c.code] : [])))];
  if (failed.length === 0 || inTime.length < 2) return null;
  return (
    <div className="mt-3">
      <h3 className="font-bold">Over the {inTime.length} drives of this job</h3>
      <ul className="text-sm">
        {failed.map((code) => (
          <li key={code}>
            {code}: {LAMP[lampAfter(inTime.flatMap((codes) => codes.filter((c) => c.code === code)))]}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Freeze frames of the stored codes, laid on this drive. */
function Frames({ look, onShow }: { look: DriveLook; onShow: (place: Range) => void }) {
  const { entries } = useJob();
  const { say } = useUnits();
  const frames = entries.filter(
    (e): e is CodeEntry => e.kind === 'code' && e.takenBack !== true && e.freezeFrame.trim() !== '',
  );
  if (frames.length === 0) return null;
  const { series } = look;
  const drive = { ...series, intake_c: series.iat_c };
  return (
    <div className="mt-3" data-testid="frames">
      <h3 className="font-bold">Frozen with the codes</h3>
      {frames.map((entry) => {
        const frame = readFrame(entry.freezeFrame);
        const fit = frame && frameFit(frame, drive);
        return (
          <p key={entry.id} className="mt-1 text-sm leading-snug">
            <strong>{entry.code}</strong> {say(entry.freezeFrame)}.{' '}
            {!frame && 'No reading could be made out in it: write it as “coolant 62 °C, 1800 rpm, 64 km/h”.'}
            {frame && !fit && 'This drive logged nothing that it holds.'}
            {fit && (
              <>
                {fit.fits ? 'It fits this drive at minute ' : 'It does not fit this drive. Nearest at minute '}
                <button
                  type="button"
                  className="underline underline-offset-4"
                  onClick={() => onShow({ from_s: fit.at_s, to_s: fit.at_s + 1 })}
                >
                  {(fit.at_s / 60).toFixed(1)}
                </button>
                {fit.fits
                  ? ` (${fit.compared} readings agree).`
                  : `: ${fit.differs
                      .map((d) =>
                        say(`${d.what} ${d.frame.toFixed(0)} ${d.unit} frozen, ${d.drive.toFixed(0)} ${d.unit} here`),
                      )
                      .join('; ')}.`}
              </>
            )}
          </p>
        );
      })}
    </div>
  );
}

/** What drive would bring the slow warm-up monitor to a verdict, and what it would say with each cause at work. */
function WhatDrive({ leader }: { leader: Cause }) {
  const { job, entries, vehicle, figures } = useJob();
  const keep = useKeep();
  const { say } = useUnits();
  const state = coolantState(entries, vehicle.vehicle, job.plan?.altitude_m ?? figures.altitude_m);
  const first = firstPlan(vehicle.vehicle, outsideGiven_c(entries, job.updatedAt), state);
  const plan = job.plan ?? first;
  const drive = driveForMonitor(vehicle.vehicle, plan, figures.monitors);
  const causes: readonly Cause[] = isFault(leader) ? ['healthy', leader] : ['healthy', 'thermostat-stuck-open'];
  const key = JSON.stringify([plan, causes, figures.monitors, vehicle.vehicle]);
  const planned = useWork(key, () => plannedCodesInWorker(vehicle.vehicle, plan, causes, figures.monitors));
  return (
    <div className="mt-4 border-t border-base-content/30 pt-2" data-testid="what-drive">
      <h3 className="font-bold">What drive would make P0128 run</h3>
      <ul className="mt-1 list-disc pl-5 text-sm">
        {drive.conditions.map((c) => (
          <li key={c}>{say(c)}</li>
        ))}
      </ul>
      {drive.unmet.map((u) => (
        <p key={u} className="mt-1 text-sm font-semibold">
          {say(u)}
        </p>
      ))}
      <p className="mt-2 type-label">On the plan of this job:</p>
      {planned.status === 'running' && <p className="text-sm">Trying it.</p>}
      {planned.status === 'failed' && (
        <p className="text-sm text-error">It could not be tried: {planned.message}. Load the page again.</p>
      )}
      {planned.status === 'done' && (
        <ul className="text-sm">
          {planned.last.map(({ cause, result }) => (
            <li key={cause}>
              <strong>{causeName(cause)}</strong>: {say(monitorText(result))}
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2 flex gap-2">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            keep(() => changePlan(job.id, first, { phases: drive.phases }), {
              says: 'The plan of this job is now a drive on which it decides.',
              undo: () => changePlan(job.id, first, { phases: plan.phases }),
            })
          }
        >
          Plan such a drive
        </button>
        <Link className="btn btn-ghost btn-sm" href={`/jobs/${job.id}/drive`}>
          See the plan
        </Link>
      </p>
    </div>
  );
}

/** Which codes this drive would set, which monitors did not run and why, and what drive would make them. */
export function CodesPanel({
  finding,
  look,
  onShow,
}: {
  finding: Finding;
  look: DriveLook;
  onShow: (place: Range) => void;
}) {
  return (
    <div>
      <p className="type-label">
        Generic rules with the figures of this shop: makers choose their own.{' '}
        <Link href="/figures#monitors" className="underline underline-offset-4">
          Change them
        </Link>
      </p>
      <ul className="mt-1">
        {finding.codes.map((code) => (
          <Code key={code.code} code={code} onShow={onShow} />
        ))}
      </ul>
      <LampOverDrives />
      <Frames look={look} onShow={onShow} />
      <WhatDrive leader={finding.verdict.cause} />
    </div>
  );
}
