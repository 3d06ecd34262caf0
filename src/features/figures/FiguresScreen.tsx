'use client';

import type { ReactNode } from 'react';
import { CAUSES } from '@/core/base';
import {
  ALTITUDE_RANGE_M,
  AMOUNTS,
  estimatedPrices,
  figuresFile,
  MONITOR_RANGES,
  NO_OWN_FIGURES,
  PRICE_TEXT,
  readFigures,
  WORK_RISKS,
  type OwnFigures,
} from '@/core/case';
import { BASE_RATES, causeName } from '@/core/evidence';
import { parseJson } from '@/core/formats';
import { MONITOR_DEFAULTS, type MonitorLimits } from '@/core/monitor';
import { startingVehicle } from '@/core/planning';
import { UndoButtons } from '@/job/UndoButtons';
import { useFigures } from '@/job/useFigures';
import { FIGURES_SCOPE } from '@/storage/journal/journalMiddleware';
import { FileButton } from '@/ui/FileButton';
import { saveFile } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';
import { EvidenceEditor } from './EvidenceEditor';
import { MonitorTables } from './MonitorTables';
import { NumberSetting } from './NumberSetting';
import { useOwnFigures } from '@/job/useOwnFigures';

const MIDDLING = estimatedPrices(startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false }));

/** What each limit of the monitors is, and its unit. */
const MONITOR_TEXT: Readonly<
  Record<
    keyof MonitorLimits,
    readonly [label: string, family: 'temperature' | 'temperatureDifference' | 'speed' | null, unit: string]
  >
> = {
  startFrom_c: ['Runs from a start at', 'temperature', '°C'],
  startTo_c: ['Runs up to a start at', 'temperature', '°C'],
  belowRating_k: ['Warm means below the rating by', 'temperatureDifference', 'K'],
  grace_s: ['May lag behind for', null, 's'],
  coldestIntake_c: ['Coldest intake air', 'temperature', '°C'],
  coldRail_c: ['Cold rail', 'temperature', '°C'],
  hotRail_c: ['Hot rail', 'temperature', '°C'],
  railFor_s: ['A rail must last', null, 's'],
  overTemperature_c: ['Over-temperature from', 'temperature', '°C'],
  overTemperatureFor_s: ['Over-temperature must last', null, 's'],
  idleShareTo_pct: ['A failure counts up to an idle share of', null, '%'],
  meanSpeedFrom_kmh: ['A failure counts from a mean speed of', 'speed', 'km/h'],
  closedLoop_c: ['Closed loop from', 'temperature', '°C'],
  soakSpread_k: ['After a soak off by more than', 'temperatureDifference', 'K'],
  soakAgree_k: ['Others prove a soak within', 'temperatureDifference', 'K'],
  drivesToLamp: ['Failing drives to the lamp', null, ''],
  drivesToLampCircuit: ['The same, circuit', null, ''],
};

const RISK_TEXT = {
  badPart: 'New part bad or wrong',
  badPartTested: 'The same, bench-tested before',
  airLeft: 'Air left after opening the system',
  unplugged: 'One connector in the way left off',
} as const;

/** A record with one entry set, or taken out. */
function withEntry<T extends object, K extends keyof T>(all: T, key: K, value: T[K] | undefined): T {
  const { [key]: _old, ...rest } = all;
  return (value === undefined ? rest : { ...rest, [key]: value }) as T;
}

function Section({
  id,
  title,
  what,
  onReset,
  children,
}: {
  id: string;
  title: string;
  what: string;
  /** Puts all of it back; null while it is as shipped. */
  onReset: (() => void) | null;
  children: ReactNode;
}) {
  return (
    <section aria-labelledby={`${id}-title`} id={id}>
      <div className="flex items-baseline gap-4">
        <h2 id={`${id}-title`} className="text-2xl type-sign">
          {title}
        </h2>
        {onReset && (
          <button type="button" className="underline underline-offset-4" onClick={onReset}>
            Back to the shipped ones
          </button>
        )}
      </div>
      <p className="mt-1 max-w-3xl text-sm">{what}</p>
      <div className="mt-3 grid grid-cols-2 gap-x-6 gap-y-2 md:grid-cols-3 lg:grid-cols-6">{children}</div>
    </section>
  );
}

function Sections({ own }: { own: OwnFigures }) {
  const change = useOwnFigures();
  const reset = (name: 'baseRates' | 'prices' | 'monitors' | 'risks') =>
    Object.keys(own[name]).length === 0 ? null : () => void change((o) => ({ ...o, [name]: {} }), 'As shipped again.');
  return (
    <>
      <Section
        id="base-rates"
        title="Base rates"
        what="How often each cause is behind such a complaint in your shop, before anything is known. Only their ratio counts; they matter while the evidence is weak. Traces are judged again after a change."
        onReset={reset('baseRates')}
      >
        {CAUSES.map((cause) => (
          <NumberSetting
            key={cause}
            id={`rate-${cause}`}
            label={causeName(cause)}
            unit="%"
            own={own.baseRates[cause] === undefined ? undefined : 100 * own.baseRates[cause]}
            shipped={100 * BASE_RATES[cause]}
            low={0.01}
            high={99}
            onChange={(v) =>
              void change((o) => ({
                ...o,
                baseRates: withEntry(o.baseRates, cause, v === undefined ? undefined : v / 100),
              }))
            }
          />
        ))}
      </Section>
      <Section
        id="prices"
        title="Prices"
        what="What things cost with you. Until you write your own they are estimated for each car by engine size and kind; the estimates here are for a middling one."
        onReset={reset('prices')}
      >
        <label className="block">
          <span className="block leading-tight font-semibold">Currency</span>
          <input
            className="input mt-1 w-24"
            maxLength={8}
            value={own.prices.currency ?? MIDDLING.currency}
            onChange={(e) =>
              void change((o) => ({ ...o, prices: withEntry(o.prices, 'currency', e.target.value || undefined) }))
            }
          />
        </label>
        {AMOUNTS.map((name) => (
          <NumberSetting
            key={name}
            id={`price-${name}`}
            label={PRICE_TEXT[name]}
            unit={own.prices.currency ?? MIDDLING.currency}
            digits={2}
            own={own.prices[name]}
            shipped={MIDDLING[name]}
            low={0}
            high={1e7}
            onChange={(v) => void change((o) => ({ ...o, prices: withEntry(o.prices, name, v) }))}
          />
        ))}
      </Section>
      <Section
        id="risks"
        title="What work leaves behind"
        what="How often a repair brings a fault of its own: it keeps the odds honest after work."
        onReset={reset('risks')}
      >
        {(Object.keys(RISK_TEXT) as (keyof typeof RISK_TEXT)[]).map((name) => (
          <NumberSetting
            key={name}
            id={`risk-${name}`}
            label={RISK_TEXT[name]}
            unit="%"
            own={own.risks[name] === undefined ? undefined : 100 * own.risks[name]}
            shipped={100 * WORK_RISKS[name]}
            low={0.01}
            high={50}
            onChange={(v) =>
              void change((o) => ({ ...o, risks: withEntry(o.risks, name, v === undefined ? undefined : v / 100) }))
            }
          />
        ))}
      </Section>
      <Section
        id="monitors"
        title="Code monitors"
        what="When a control unit would run and set the generic codes. Makers choose their own limits: these are typical ones. Traces are judged again after a change."
        onReset={reset('monitors')}
      >
        {(Object.keys(MONITOR_TEXT) as (keyof MonitorLimits)[]).map((name) => {
          const [label, family, unit] = MONITOR_TEXT[name];
          const [lowest, highest] = MONITOR_RANGES[name];
          // The window of starts has its lower end below its upper one: else the monitor would never run.
          const { startFrom_c, startTo_c } = { ...MONITOR_DEFAULTS, ...own.monitors };
          const low = name === 'startTo_c' ? Math.max(lowest, startFrom_c) : lowest;
          const high = name === 'startFrom_c' ? Math.min(highest, startTo_c) : highest;
          return (
            <NumberSetting
              key={name}
              id={`monitor-${name}`}
              {...{ label, family, unit, low, high }}
              own={own.monitors[name]}
              shipped={MONITOR_DEFAULTS[name]}
              onChange={(v) => void change((o) => ({ ...o, monitors: withEntry(o.monitors, name, v) }))}
            />
          );
        })}
        <MonitorTables
          own={own.monitors}
          onChange={(c) => void change((o) => ({ ...o, monitors: { ...o.monitors, ...c } }))}
        />
      </Section>
      <Section
        id="place"
        title="Place"
        what="Coolant boils sooner high up: stop limits follow. A drive's plan can name a higher place."
        onReset={null}
      >
        <NumberSetting
          id="altitude"
          label="Height above the sea"
          unit="m"
          digits={0}
          own={own.altitude_m === 0 ? undefined : own.altitude_m}
          shipped={0}
          low={ALTITUDE_RANGE_M[0]}
          high={ALTITUDE_RANGE_M[1]}
          onChange={(v) => void change((o) => ({ ...o, altitude_m: v ?? 0 }))}
        />
      </Section>
    </>
  );
}

/** The shop's own figures in one place: base rates, evidence, prices, work, monitors; reset, saved, opened. */
export function FiguresScreen() {
  const shop = useFigures();
  const change = useOwnFigures();
  const toast = useToast();
  if (!shop) return <p className="p-8 type-label">Loading</p>;
  const { own } = shop;
  const takeAll = async (next: OwnFigures, says: string) => {
    await change(() => next, says);
  };
  const open = async (file: File) => {
    const json = parseJson(await file.text());
    const read = json.ok ? readFigures(json.value) : { ok: false as const, error: json.error.message };
    if (!read.ok) return toast({ kind: 'error', text: `${file.name}: ${read.error} Nothing was changed.` });
    await takeAll(read.value, `The figures of ${file.name} stand now.`);
  };
  return (
    <div className="mx-auto max-w-6xl space-y-9 px-5 py-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="flex-1 text-4xl type-sign max-sm:basis-full">The shop&rsquo;s own figures</h1>
        <UndoButtons scope={FIGURES_SCOPE} />
        <button
          type="button"
          className="btn"
          onClick={() => saveFile('figures.json', `${JSON.stringify(figuresFile(own), null, 2)}\n`, 'application/json')}
        >
          Save as a file
        </button>
        <FileButton
          label="File of figures"
          accept=".json,application/json"
          testId="figures-file"
          onFile={(f) => void open(f)}
        >
          Open a file
        </FileButton>
        <button
          type="button"
          className="btn"
          disabled={JSON.stringify(own) === JSON.stringify(NO_OWN_FIGURES)}
          onClick={() => void takeAll(NO_OWN_FIGURES, 'All figures are as shipped again.')}
        >
          Everything as shipped
        </button>
      </div>
      <p className="max-w-3xl">
        Shipped figures are working estimates of the project, none a maker&rsquo;s. What you write here counts from now
        on for every job.
      </p>
      <Sections own={own} />
      <EvidenceEditor own={own} />
    </div>
  );
}
