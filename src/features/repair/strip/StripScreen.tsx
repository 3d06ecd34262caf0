'use client';

import {
  connectorTally,
  lost,
  PLACE_CAUTIONS,
  refitList,
  STRIP_KINDS,
  STRIP_TIPS,
  type StripItem,
} from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';
import { Caution } from '@/ui/Caution';
import { TextField } from '@/ui/TextField';
import { Disagreements } from '../Disagreements';
import { changed } from '../lists';
import { Closing } from './Closing';
import { Counts } from './Counts';
import { ItemRow } from './ItemRow';
import { newItem, STRIP_NAME } from './stripItem';

/** Something fell: everything stops until it is found. */
function Dropped() {
  const { sheet, put } = useRepair();
  const fell = lost(sheet.strip);
  const drop = () =>
    put('strip', ({ dropped }) => ({
      dropped: [...dropped, { id: crypto.randomUUID(), what: '', at: Date.now(), foundAt: null }],
    }));
  const set = (id: string, to: { readonly what?: string; readonly foundAt?: number }, says?: string) =>
    put('strip', ({ dropped }) => ({ dropped: changed(dropped, id, to) }), says);
  return (
    <div>
      {fell.map((d) => (
        <div
          key={d.id}
          role="alert"
          className="mb-2 flex flex-wrap items-end gap-4 bg-error px-4 py-3 text-error-content"
        >
          <p className="text-3xl type-sign">Stop: it fell</p>
          <TextField
            id={`fell-${d.id}`}
            label="What fell, where to"
            className="min-w-48 flex-1"
            value={d.what}
            onText={(what) => set(d.id, { what })}
          />
          <p className="basis-full leading-snug">Magnet and light. Nothing goes on until it is found.</p>
          <button
            type="button"
            className="btn min-h-14 btn-lg"
            onClick={() => set(d.id, { foundAt: Date.now() }, 'Found.')}
          >
            Found
          </button>
        </div>
      ))}
      <button type="button" className="btn min-h-14 btn-outline" onClick={drop}>
        Something fell
      </button>
    </div>
  );
}

/** Taking off and putting back: one press each, and the list in reverse by which it goes together. */
export function StripScreen() {
  const { sheet, put } = useRepair();
  const { items, softHousing, capOff } = sheet.strip;
  const off = refitList(items);
  const back = items.filter((i) => i.backAt !== null);
  const plugs = connectorTally(items);
  const fell = lost(sheet.strip).length > 0;
  const add = (kind: StripItem['kind']) =>
    put(
      'strip',
      (now) => ({ items: [...now.items, newItem(kind, now.items, Date.now())] }),
      `${STRIP_NAME[kind]} off, written down.`,
    );
  const row = (item: StripItem, first: boolean) => (
    <ItemRow
      key={item.id}
      item={item}
      soft={softHousing}
      first={first}
      stopped={fell}
      onItem={(to, says) => put('strip', (now) => ({ items: changed(now.items, item.id, to) }), says)}
    />
  );
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
      <div>
        <h2 className="text-[2.25rem] type-sign leading-none" data-testid="strip-head">
          {items.length === 0
            ? 'Nothing off yet'
            : off.length === 0
              ? `All ${items.length} back on`
              : `${off.length} off, ${back.length} back`}
        </h2>
        <p className="mt-1">
          {off[0] ? (
            <>
              Next on: <strong>{off[0].name}</strong>.{' '}
            </>
          ) : null}
          Plugs: {plugs.back} of {plugs.off} back.
        </p>
        <div className="mt-3 grid grid-cols-5 gap-2 print:hidden" role="group" aria-label="Came off">
          {STRIP_KINDS.map((kind) => (
            <button
              key={kind}
              type="button"
              className="btn min-h-14 btn-outline px-1 text-base"
              onClick={() => add(kind)}
            >
              {STRIP_NAME[kind]}
            </button>
          ))}
        </div>
        <div className="mt-2 flex flex-wrap gap-3 print:hidden">
          <button
            type="button"
            className={`btn min-h-14 ${capOff ? 'btn-neutral' : 'btn-outline'}`}
            aria-pressed={capOff}
            onClick={() => put('strip', { capOff: !capOff }, capOff ? 'Cap is on.' : 'Cap is off.')}
          >
            Cap off
          </button>
          <Dropped />
        </div>
        {capOff && <Cautions className="mt-2" of={PLACE_CAUTIONS['cap-off']} />}
        <ol className="mt-4" aria-label="Goes on in this order" data-testid="refit">
          {off.map((item, i) => row(item, i === 0))}
        </ol>
        {back.length > 0 && (
          <>
            <h3 className="mt-5 type-label">Back on</h3>
            <ul data-testid="back-on">{back.map((item) => row(item, false))}</ul>
          </>
        )}
        <details className="mt-5 print:hidden">
          <summary className="min-h-11 cursor-pointer text-lg font-semibold">When it will not come</summary>
          <ul data-testid="strip-tips">
            {STRIP_TIPS.map((tip) => (
              <li key={tip.id} className="border-t border-base-content/15 py-2" data-step={tip.id}>
                <p className="leading-snug">{tip.says}</p>
                <Cautions className="mt-1" of={tip.cautions} />
              </li>
            ))}
          </ul>
        </details>
      </div>
      <div className="space-y-8">
        <Counts />
        <Closing />
        <Disagreements at="strip" />
        <Caution className="text-sm">Photograph it before it comes off: which way it sat, where the label is.</Caution>
      </div>
    </div>
  );
}
