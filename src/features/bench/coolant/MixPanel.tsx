'use client';

import { useState } from 'react';
import type { MixBench } from '@/core/bench';
import {
  boiling_c,
  freezing_c,
  GLYCOL_TABLES,
  GLYCOLS,
  glycolForBoiling_pct,
  glycolForFreezing_pct,
  heatAgainstWater,
  readRefractometer,
  type Glycol,
} from '@/core/coolant';
import { Cautions } from '@/job/Cautions';
import { AnswerButtons } from '@/ui/AnswerButtons';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';
import { RangedInput } from '@/ui/RangedInput';

const KINDS = GLYCOLS.map((key) => ({ key, says: `${key === 'ethylene' ? 'Ethylene' : 'Propylene'} glycol` }));
/** Shares of the table beside. */
const ROWS_PCT = [0, 30, 40, 50, 60, 70] as const;

/** What is in the car, by refractometer: on which scale, of which glycol. */
export function MixPanel({
  glycol,
  scale,
  reads_c,
  onChange,
  onEmptied,
}: {
  glycol: Glycol;
  scale: Glycol;
  /** Null before the first reading. */
  reads_c: number | null;
  onChange: (change: Partial<Omit<MixBench, 'of'>>) => void;
  /** The reading is taken back. */
  onEmptied: () => void;
}) {
  const { show } = useUnits();
  const found = reads_c === null ? null : readRefractometer({ reads_c, scale, glycol });
  const apart = found && scale !== glycol ? found.freezes_c - reads_c! : 0;
  return (
    <section aria-labelledby="mix-title">
      <h2 id="mix-title" className="text-2xl type-sign">
        What is in it
      </h2>
      <Cautions className="mt-1" of={['coolant-is-poison', 'label-jars', 'do-not-mix']} />
      <div className="mt-2 space-y-2">
        <div className="flex flex-wrap items-center gap-3">
          <span className="w-40 font-semibold">In the car</span>
          <AnswerButtons
            label="Glycol in the car"
            answers={KINDS}
            chosen={glycol}
            onChoose={(key) => onChange({ glycol: key as Glycol })}
          />
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <span className="w-40 font-semibold">Refractometer’s scale</span>
          <AnswerButtons
            label="Scale of the refractometer"
            answers={KINDS}
            chosen={scale}
            onChoose={(key) => onChange({ scale: key as Glycol })}
          />
        </div>
        <RangedInput
          id="refractometer"
          label="It shows"
          family="temperature"
          value={reads_c}
          low={-75}
          high={1}
          onValue={(v) => onChange({ reads_c: v })}
          onEmptied={onEmptied}
        />
      </div>
      {found && (
        <div data-testid="mix-result" className="mt-2">
          <p className="text-[2.25rem] type-sign leading-none">
            {Math.round(found.glycol_pct)} %{' '}
            <span className="text-xl">glycol, first crystals at {show('temperature', found.freezes_c)}</span>
          </p>
          {Math.abs(apart) >= 1 && (
            <p role="alert" className="mt-1 border-l-4 border-warning pl-3">
              The scale is for the other glycol: it {apart > 0 ? 'promises' : 'hides'}{' '}
              {show('temperatureDifference', Math.abs(apart))} of protection{apart > 0 ? ' that is not there' : ''}.
              Turned round by refractive index, good to about 1 % of share.
            </p>
          )}
          {found.glycol_pct < 33 && <Cautions className="mt-1" of={['too-weak-freezes']} />}
          {found.glycol_pct > 60 && (
            <p className="mt-1 border-l-4 border-warning pl-3">
              Over 60 %: it carries less heat, and past about 68 % it freezes sooner again. One freezing point belongs
              to two shares: weigh it if in doubt.
            </p>
          )}
        </div>
      )}
    </section>
  );
}

/** Share, freezing and boiling point, each from the others; and the table that they come from. */
export function BothWays({ glycol, start_pct }: { glycol: Glycol; start_pct: number }) {
  const { show } = useUnits();
  const [chosen, setPct] = useState<number | null>(null);
  const pct = chosen ?? Math.round(start_pct);
  const put = (v: number | null) => {
    if (v !== null && v >= 0 && v <= 100) setPct(v);
  };
  return (
    <section aria-labelledby="ways-title" className="border-t border-base-content/20 pt-3">
      <h3 id="ways-title" className="text-xl type-sign">
        Share, freezing, boiling: both ways
      </h3>
      <div className="mt-2 flex flex-wrap items-start gap-5">
        <QuantityInput id="ways-pct" label="Glycol" family={null} unit="%" digits={1} value={pct} onChange={put} />
        <QuantityInput
          id="ways-freeze"
          label="Freezes at"
          family="temperature"
          value={freezing_c(pct, glycol)}
          onChange={(v) => v !== null && Number.isFinite(v) && put(glycolForFreezing_pct(v, 'usual', glycol))}
        />
        <QuantityInput
          id="ways-boil"
          label="Boils, no cap"
          family="temperature"
          value={boiling_c(pct, glycol)}
          onChange={(v) => v !== null && Number.isFinite(v) && put(glycolForBoiling_pct(v, glycol))}
        />
      </div>
      <table className="table mt-2 max-w-lg table-sm tabular-nums max-sm:[&_td]:px-1 max-sm:[&_th]:px-1 max-sm:[&_th]:whitespace-normal">
        <thead className="text-base-content">
          <tr>
            <th className="text-right">Glycol</th>
            <th className="text-right">Freezes</th>
            <th className="text-right">Boils, no cap</th>
            <th className="text-right">Heat against water</th>
          </tr>
        </thead>
        <tbody>
          {ROWS_PCT.map((row) => (
            <tr key={row} className={row === Math.round(pct / 10) * 10 ? 'font-bold' : ''}>
              <td className="text-right">{row} %</td>
              <td className="text-right">{show('temperature', freezing_c(row, glycol), 1)}</td>
              <td className="text-right">{show('temperature', boiling_c(row, glycol), 1)}</td>
              <td className="text-right">{Math.round(100 * heatAgainstWater(glycol, row))} %</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm text-base-content/75">Source: {GLYCOL_TABLES[glycol].source}. By volume.</p>
    </section>
  );
}
