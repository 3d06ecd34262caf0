'use client';

import { sinceStart_s, type Trace, type Vehicle } from '@/core/base';
import { circuitAt, type CircuitMoment } from '@/core/desk';
import type { Finding } from '@/core/judge';
import { readAt } from '@/ui/picture/lane';
import { useCursor, type DriveView } from '@/ui/picture/useDriveView';
import { useUnits } from '@/ui/units';

/** Temperatures between which the colour of coolant runs, °C. */
const COLD_C = 20;
const HOT_C = 100;

const heat = (at_c: number): string => {
  const share = Math.round(100 * Math.min(1, Math.max(0, (at_c - COLD_C) / (HOT_C - COLD_C))));
  return `color-mix(in oklab, var(--heat-hot) ${share}%, var(--heat-cold))`;
};

/** A pipe as wide as its flow, with dashes that run along it. */
function Pipe({ d, at_c, share, pump }: { d: string; at_c: number; share: number; pump: number }) {
  const flows = share * pump > 0.003;
  return (
    <>
      <path d={d} fill="none" stroke={heat(at_c)} strokeWidth={9} strokeLinejoin="round" opacity={flows ? 1 : 0.45} />
      {flows && (
        <path
          d={d}
          fill="none"
          stroke="var(--color-base-100)"
          strokeWidth={1.5 + 5 * Math.sqrt(share)}
          strokeDasharray="3 11"
          strokeLinecap="round"
          className="circuit-flow"
          style={{ animationDuration: `${(1.6 / Math.max(0.15, pump)).toFixed(2)}s` }}
        />
      )}
    </>
  );
}

function Label({
  x,
  y,
  children,
  anchor = 'middle',
}: {
  x: number;
  y: number;
  children: string;
  anchor?: 'start' | 'middle' | 'end';
}) {
  return (
    <text x={x} y={y} textAnchor={anchor} fontSize={12} fill="var(--color-base-content)">
      {children}
    </text>
  );
}

/** The valve: a plate that leaves its seat as far as it is open. */
function Valve({ x, y, lift }: { x: number; y: number; lift: number }) {
  const up = 11 * lift;
  return (
    <g>
      <circle cx={x} cy={y} r={17} fill="var(--color-base-100)" stroke="var(--color-base-content)" strokeWidth={2} />
      <path
        d={`M${x - 11} ${y + 5} H${x - 3} M${x + 3} ${y + 5} H${x + 11}`}
        stroke="var(--color-base-content)"
        strokeWidth={3}
      />
      <path
        d={`M${x - 6} ${y + 4 - up} H${x + 6} M${x} ${y + 4 - up} V${y - 10}`}
        stroke="var(--color-primary)"
        strokeWidth={3.5}
      />
    </g>
  );
}

function Circuit({ moment, inlet }: { moment: CircuitMoment; inlet: boolean }) {
  const { showTemperature } = useUnits();
  const { coolant_c, upperHose_c, lowerHose_c, radiatorShare, bypassShare, pump, lift, fanRuns } = moment;
  const through = { share: radiatorShare, pump };
  const valve = inlet ? { x: 150, y: 186 } : { x: 150, y: 44 };
  const description = `Coolant ${showTemperature(coolant_c)}, valve ${Math.round(100 * lift)} % open, upper hose ${showTemperature(upperHose_c)}, lower hose ${showTemperature(lowerHose_c)}`;
  return (
    <svg viewBox="0 0 352 236" className="w-full" role="img" aria-label={description} data-testid="circuit">
      <Pipe d="M96 44 H262" at_c={upperHose_c} {...through} />
      <Pipe d="M262 186 H96" at_c={lowerHose_c} {...through} />
      <Pipe
        d={inlet ? 'M96 44 H150 V186 H96' : 'M96 44 H150 V186 H96'}
        at_c={coolant_c}
        share={bypassShare}
        pump={pump}
      />
      <Pipe d="M40 60 V18 H8 V214 H40 V176" at_c={coolant_c} share={0.13} pump={pump} />
      <rect
        x={30}
        y={30}
        width={70}
        height={170}
        fill="var(--color-base-100)"
        stroke="var(--color-base-content)"
        strokeWidth={2}
      />
      <rect x={36} y={36} width={58} height={158} fill={heat(coolant_c)} opacity={0.55} />
      <Label x={65} y={100}>
        Engine
      </Label>
      <text x={65} y={124} textAnchor="middle" fontSize={19} fontWeight={720} fill="var(--color-base-content)">
        {showTemperature(coolant_c)}
      </text>
      <circle
        cx={108}
        cy={186}
        r={12}
        fill="var(--color-base-100)"
        stroke="var(--color-base-content)"
        strokeWidth={2}
      />
      <Label x={108} y={190}>
        P
      </Label>
      <rect
        x={262}
        y={30}
        width={44}
        height={170}
        fill="var(--color-base-100)"
        stroke="var(--color-base-content)"
        strokeWidth={2}
      />
      <linearGradient id="core" x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" style={{ stopColor: heat(upperHose_c) }} />
        <stop offset="1" style={{ stopColor: heat(lowerHose_c) }} />
      </linearGradient>
      <rect x={266} y={34} width={36} height={162} fill="url(#core)" opacity={0.7} />
      <g transform="translate(288 116) rotate(90)">
        <Label x={0} y={0}>
          Radiator
        </Label>
      </g>
      <g stroke="var(--color-base-content)" strokeWidth={3} opacity={fanRuns ? 1 : 0.3}>
        <path d="M326 90 V142 M314 116 H338" />
        <circle cx={326} cy={116} r={22} fill="none" strokeWidth={1.5} />
      </g>
      <Label x={326} y={156}>
        {fanRuns ? 'fan runs' : 'fan off'}
      </Label>
      <Valve {...valve} lift={lift} />
      <Label x={valve.x} y={inlet ? 222 : 18}>{`valve ${Math.round(100 * lift)} %`}</Label>
      <Label x={206} y={34}>
        {showTemperature(upperHose_c)}
      </Label>
      <Label x={206} y={208}>
        {showTemperature(lowerHose_c)}
      </Label>
      <Label x={12} y={232} anchor="start">
        heater
      </Label>
      <Label x={160} y={118} anchor="start">
        bypass
      </Label>
    </svg>
  );
}

/** Value of a per-bin series at a moment. */
function binAt(values: Float64Array, time_s: Float64Array, at_s: number): number {
  const bin_s = time_s.length > 1 ? time_s[1]! - time_s[0]! : 1;
  return values[Math.min(values.length - 1, Math.max(0, Math.floor(at_s / bin_s)))]!;
}

/** What is happening in the cooling circuit at the cursor, by the model that explains the drive best. */
export function CircuitPicture({
  trace,
  vehicle,
  finding,
  view,
}: {
  trace: Trace;
  vehicle: Vehicle;
  finding: Finding;
  view: DriveView;
}) {
  const at_s = useCursor(view.cursor) ?? view.range.from_s;
  const { showTemperature } = useUnits();
  const since = sinceStart_s(trace);
  const { inner, curves } = finding;
  const inlet = vehicle.thermostat.location === 'inlet';
  const near = (name: 'rpm' | 'fan_pct' | 'thermostat_heater_pct') => {
    const values = trace.channels[name];
    return values ? readAt({ time_s: since, values }, at_s, 20) : null;
  };
  const fan = near('fan_pct');
  const coolant_c = binAt(inner.coolant_c, curves.time_s, at_s);
  const moment = circuitAt(
    {
      coolant_c,
      lift: binAt(inner.lift, curves.time_s, at_s),
      outlet_c: binAt(inner.outlet_c, curves.time_s, at_s),
      outside_c: inner.parameters.ambient,
      leak: Math.max(inner.parameters.vent, inner.fault.leak),
      pump: (near('rpm') ?? vehicle.engine.idle_rpm * 2) / 2500,
      fanRuns: fan === null ? coolant_c > inner.parameters.fanOn : fan > 30,
      heated: vehicle.thermostat.heated && (near('thermostat_heater_pct') ?? 0) > 30,
    },
    vehicle,
  );
  return (
    <div>
      <p className="type-label">
        Minute {(at_s / 60).toFixed(1)}, thermostat at the {inlet ? 'pump inlet' : 'engine outlet'}. Move the cursor on
        the trace.
      </p>
      <Circuit moment={moment} inlet={inlet} />
      <p className="leading-snug font-semibold" data-testid="circuit-says">
        {moment.says}
      </p>
      <table className="mt-2 w-full text-sm">
        <caption className="sr-only">What each hose feels like</caption>
        <tbody>
          {moment.feels.map((f) => (
            <tr key={f.hose} className="border-b border-base-content/15">
              <th scope="row" className="py-1 text-left font-normal">
                {f.hose}
              </th>
              <td className="text-right">{showTemperature(f.at_c)}</td>
              <td className="pl-3 font-semibold">{f.feel}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm leading-snug">
        {inlet
          ? 'With the valve at the inlet the upper hose warms with the engine: only the lower hose tells whether it is open.'
          : 'With the valve at the outlet the upper hose stays cold until it opens: warm from the start means open.'}
      </p>
    </div>
  );
}
