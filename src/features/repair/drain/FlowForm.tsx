'use client';

import { useState } from 'react';
import { INSTRUMENT_NAMES, INSTRUMENTS, OUT_KINDS, type Instrument, type LedgerLine } from '@/core/repair';
import { useRepair } from '@/job/useRepair';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import { without } from '../lists';
import { FLOW_NAME, OPENINGS } from './flowWords';

/** Most that one jug or drain holds, l. */
const MOST_L = 100;

/** Writes a volume down: what came out, where, how it was measured; or what went in. */
export function FlowForm({
  kinds,
  pct = null,
  what,
}: {
  kinds: readonly LedgerLine['kind'][];
  pct?: number | null;
  what?: readonly string[];
}) {
  const { put } = useRepair();
  const { show } = useUnits();
  const [kind, setKind] = useState<LedgerLine['kind']>(kinds[0]!);
  const [l, setL] = useState<number | null>(null);
  const [by, setBy] = useState<Instrument>('jug');
  const places = what ?? OPENINGS;
  const [where, setWhere] = useState<string>(places[0]!);
  const [strength, setStrength] = useState<number | null>(pct);
  const [tried, setTried] = useState(false);
  const [entry, setEntry] = useState(0);
  const adds = kind === 'added';
  const wrong =
    l === null || !(l > 0)
      ? 'Type how much.'
      : l > MOST_L
        ? `More than ${show('volume', MOST_L)} at once: split it.`
        : adds && (strength === null || !(strength >= 0 && strength <= 100))
          ? 'Say how strong it is: 100 for concentrate, 0 for water.'
          : null;
  const add = () => {
    setTried(true);
    if (wrong !== null) return;
    put(
      'drain',
      (now) => ({
        lines: [
          ...now.lines,
          {
            ...{ id: crypto.randomUUID(), at: Date.now(), kind, l: l! },
            measuredBy: by,
            where,
            pct: adds ? strength : null,
          },
        ],
      }),
      `${show('volume', l!, 2)} ${FLOW_NAME[kind]}.`,
    );
    setL(null);
    setTried(false);
    setEntry(entry + 1);
  };
  return (
    <form
      className="mt-2 flex flex-wrap items-start gap-x-3 gap-y-2 print:hidden"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      {kinds.length > 1 && (
        <div role="group" aria-label="What happened" className="flex gap-2 pt-5">
          {kinds.map((k) => (
            <button
              key={k}
              type="button"
              aria-pressed={k === kind}
              className={`btn min-h-12 ${k === kind ? 'btn-neutral' : 'btn-outline'}`}
              onClick={() => setKind(k)}
            >
              {FLOW_NAME[k]}
            </button>
          ))}
        </div>
      )}
      <QuantityInput
        key={entry}
        id="flow-l"
        label="How much"
        family="volume"
        digits={2}
        value={l}
        error={tried && wrong !== null ? wrong : undefined}
        onChange={setL}
      />
      {adds && (
        <QuantityInput id="flow-pct" label="Strength" family={null} unit="%" value={strength} onChange={setStrength} />
      )}
      <label className="block">
        <span className="block leading-tight font-semibold">{adds ? 'What' : 'Out of'}</span>
        <select
          aria-label={adds ? 'What' : 'Out of'}
          className="select mt-1 w-36 text-base"
          value={where}
          onChange={(e) => setWhere(e.target.value)}
        >
          {places.map((o) => (
            <option key={o}>{o}</option>
          ))}
        </select>
      </label>
      <label className="block">
        <span className="block leading-tight font-semibold">Measured</span>
        <select className="select mt-1 w-40 text-base" value={by} onChange={(e) => setBy(e.target.value as Instrument)}>
          {INSTRUMENT_NAMES.map((i) => (
            <option key={i} value={i}>
              {INSTRUMENTS[i].says}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn mt-4 min-h-14 min-w-24 btn-lg btn-primary">
        Add
      </button>
    </form>
  );
}

/** Kinds of line that take out. */
export const OUT: readonly LedgerLine['kind'][] = OUT_KINDS;

/** The ledger's lines, latest last, each with its uncertainty; one is taken off with undo. */
export function FlowLines() {
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { lines } = sheet.drain;
  if (lines.length === 0) return null;
  return (
    <table
      className="mt-2 w-full tabular-nums [&_td]:border-t [&_td]:border-base-content/15 [&_td]:py-1.5 [&_td]:pr-4 max-sm:[&_td]:pr-1.5 [&_th]:pr-4 [&_th]:text-left max-sm:[&_th]:pr-1.5"
      data-testid="ledger-lines"
    >
      <thead className="text-base-content">
        <tr>
          <th>What</th>
          <th className="text-right!">How much</th>
          <th>Where, what</th>
          <th className="text-right!">Strength</th>
          <th>
            <span className="sr-only">Take off</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map((x) => (
          <tr key={x.id}>
            <td className={x.kind === 'added' ? 'font-semibold' : ''}>{FLOW_NAME[x.kind]}</td>
            <td className="text-right sm:whitespace-nowrap">
              {show('volume', x.l, 2)} ± {show('volume', INSTRUMENTS[x.measuredBy].sd(x.l), 2)}
            </td>
            <td>{x.where}</td>
            <td className="text-right">{x.pct === null ? '' : `${x.pct} %`}</td>
            <td className="text-right print:hidden">
              <button
                type="button"
                className="min-h-11 px-2 underline underline-offset-4 max-sm:px-0"
                aria-label={`Take off: ${FLOW_NAME[x.kind]} ${show('volume', x.l, 2)}`}
                onClick={() => put('drain', (now) => ({ lines: without(now.lines, x.id) }), 'The line is taken off.')}
              >
                take off
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
