'use client';

import { cureTimer, soakTimer } from '@/core/procedure';
import { lost, missingBeforeClosing, PLACE_CAUTIONS, SEAT_STEPS, stillInside } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';
import { RangedInput } from '@/ui/RangedInput';
import { TickList, toggled } from '../TickList';
import { WaitTimer } from '../WaitTimer';

/** A night: no drop of the level overnight, then the first start. */
const SOAK_S = 8 * 3600;

/** Orientation and seat, ticked before the housing closes; then cure and soak. */
export function Closing() {
  const { sheet, put } = useRepair();
  const { strip } = sheet;
  const missing = missingBeforeClosing(strip.seated);
  const inside = stillInside(strip.counts).filter((c) => c.what === 'plugs' || c.what === 'rags');
  const fell = lost(strip);
  const why = [
    ...(missing.length > 0 ? [`${missing.length} to tick`] : []),
    ...inside.map((c) => `${c.n} ${c.what} still in`),
    ...(fell.length > 0 ? ['something that fell is not found'] : []),
  ];
  const closed = strip.closedAt !== null;
  return (
    <section aria-labelledby="closing-title">
      <h2 id="closing-title" className="text-2xl type-sign">
        Before the housing closes
      </h2>
      <div className="mt-2">
        <TickList
          steps={SEAT_STEPS}
          done={strip.seated}
          testId="seat-steps"
          onTick={(id) => put('strip', ({ seated }) => ({ seated: toggled(seated, id, Date.now()) }))}
        />
      </div>
      <label className="mt-1 flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="checkbox"
          checked={strip.softHousing}
          onChange={(e) => put('strip', { softHousing: e.target.checked })}
        />
        Housing of plastic or light alloy: the value counts, not the feel
      </label>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <button
          type="button"
          className={`btn min-h-16 btn-xl ${closed ? '' : 'btn-primary'}`}
          disabled={!closed && why.length > 0}
          onClick={() =>
            closed
              ? put('strip', { closedAt: null }, 'The housing is open again.')
              : put('strip', { closedAt: Date.now() }, 'The housing is closed.')
          }
        >
          {closed ? 'Open it again' : 'Housing closed'}
        </button>
        <p className="flex-1 leading-snug" data-testid="closing-says" aria-live="polite">
          {closed
            ? 'Closed with everything ticked.'
            : why.length > 0
              ? `Not yet: ${why.join('; ')}.`
              : 'All ticked: it may close.'}
        </p>
      </div>
      <div className="mt-4 space-y-3">
        <RangedInput
          id="cure"
          label="Liquid sealant cures for"
          family={null}
          unit="min"
          digits={0}
          hint="by the tube; empty: none was used"
          value={strip.cure_min}
          low={1}
          high={10_000}
          onValue={(cure_min) => put('strip', { cure_min })}
          onEmptied={() => put('strip', { cure_min: null })}
        />
        {strip.cure_min !== null && <WaitTimer kind="cure" procedure={cureTimer(60 * strip.cure_min)} />}
        <WaitTimer kind="soak" procedure={soakTimer(SOAK_S)} />
        <Cautions of={PLACE_CAUTIONS.soak} />
      </div>
    </section>
  );
}
