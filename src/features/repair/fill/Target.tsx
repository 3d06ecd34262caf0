'use client';

import { aimOf, PLACE_CAUTIONS, ratioText, STRONG_PCT } from '@/core/repair';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';
import { RangedInput } from '@/ui/RangedInput';
import { useUnits } from '@/ui/units';

/** How strong it is to be: from the coldest day with what ageing takes, or by hand. */
export function Target() {
  const { sheet, put } = useRepair();
  const { show } = useUnits();
  const { fill, plan } = sheet;
  const aim = aimOf(fill, plan.coolant);
  return (
    <section aria-labelledby="target-title">
      <h2 id="target-title" className="text-2xl type-sign">
        How strong
      </h2>
      {aim && (
        <p className="mt-1 leading-snug" data-testid="aim">
          <strong className="text-[2.25rem] type-sign">{aim.target_pct} %</strong> first crystals at{' '}
          {show('temperature', aim.freezes_c)}
          {aim.byHand
            ? ', by hand'
            : aim.decidedBy === 'inhibitor'
              ? ', as much as the inhibitor needs'
              : ', by the frost'}
          . That is about {ratioText(aim.target_pct)}.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
        <RangedInput
          id="coldest"
          label="Coldest outside"
          family="temperature"
          value={fill.coldest_c}
          low={-60}
          high={40}
          onValue={(coldest_c) => put('fill', { coldest_c })}
          onEmptied={() => put('fill', { coldest_c: null })}
        />
        <RangedInput
          id="frost-margin"
          label="Margin"
          family="temperatureDifference"
          value={fill.margin_k}
          low={0}
          high={40}
          onValue={(margin_k) => put('fill', { margin_k })}
        />
        <RangedInput
          id="ageing"
          label="Ageing takes"
          family={null}
          unit="%"
          value={fill.ageing_pct}
          low={0}
          high={30}
          onValue={(ageing_pct) => put('fill', { ageing_pct })}
        />
        <RangedInput
          id="least"
          label="Inhibitor needs"
          family={null}
          unit="%"
          hint="by the label"
          value={fill.least_pct}
          low={0}
          high={100}
          onValue={(least_pct) => put('fill', { least_pct })}
        />
        <RangedInput
          id="target"
          label="Or by hand"
          family={null}
          unit="%"
          value={fill.target_pct}
          low={0}
          high={100}
          onValue={(target_pct) => put('fill', { target_pct })}
          onEmptied={() => put('fill', { target_pct: null })}
        />
      </div>
      {aim?.byHand && aim.target_pct < fill.least_pct && (
        <p role="alert" className="mt-1 border-l-4 border-error pl-3">
          Less than the inhibitor needs: {fill.least_pct} %.
        </p>
      )}
      {aim?.tooCold && (
        <p role="alert" className="mt-1 border-l-4 border-error pl-3">
          It freezes before that cold with its margin.
        </p>
      )}
      {aim && aim.target_pct > STRONG_PCT && (
        <p className="mt-1 border-l-4 border-warning pl-3 text-sm">
          Over {STRONG_PCT} %: less heat carried, hardly more protection; past about two thirds it freezes sooner again.
        </p>
      )}
      <Cautions className="mt-1" of={PLACE_CAUTIONS.strength} />
    </section>
  );
}
