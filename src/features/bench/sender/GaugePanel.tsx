'use client';

import { needleAt, type GaugeScale, type SenderBench, type SenderExplanation } from '@/core/bench';
import { Cautions } from '@/job/Cautions';
import { QuantityInput } from '@/ui/QuantityInput';
import { useUnits } from '@/ui/units';

const SHOWN_C = [70, 90, 110] as const;
const MARKS: readonly { readonly key: keyof GaugeScale; readonly label: string }[] = [
  { key: 'cold_c', label: 'Leaves cold at' },
  { key: 'from_c', label: 'Middle from' },
  { key: 'to_c', label: 'Middle to' },
  { key: 'red_c', label: 'Red at' },
];

const words = (share: number): string => {
  if (share <= 0.02) return 'on cold';
  if (share < 0.47) return 'below the middle';
  if (share <= 0.53) return 'in the middle';
  return share < 0.97 ? 'above the middle' : 'in the red';
};

/** A needle over its scale, without figures: as the driver sees it. */
function Needle({ share }: { share: number }) {
  const angle = Math.PI * (1 - share);
  const [cx, cy, r] = [50, 46, 38];
  const at = (s: number, radius: number) => {
    const a = Math.PI * (1 - s);
    return `${cx + radius * Math.cos(a)} ${cy - radius * Math.sin(a)}`;
  };
  return (
    <svg width="100" height="54" viewBox="0 0 100 54" aria-hidden>
      <path
        d={`M${at(0, r)} A${r} ${r} 0 0 1 ${at(1, r)}`}
        fill="none"
        stroke="var(--color-base-content)"
        strokeOpacity="0.5"
        strokeWidth="2"
      />
      <path
        d={`M${at(0.92, r)} A${r} ${r} 0 0 1 ${at(1, r)}`}
        fill="none"
        stroke="var(--zone-boiling)"
        strokeWidth="7"
      />
      <path
        d={`M${cx} ${cy} L${cx + (r - 6) * Math.cos(angle)} ${cy - (r - 6) * Math.sin(angle)}`}
        stroke="var(--color-base-content)"
        strokeWidth="4"
        strokeLinecap="round"
      />
      <circle cx={cx} cy={cy} r="4" fill="var(--color-base-content)" />
    </svg>
  );
}

/** What the needle shows at three temperatures with this fault, and with none. */
export function GaugePanel({
  bench,
  found,
  onChange,
}: {
  bench: SenderBench;
  found: SenderExplanation;
  onChange: (gauge: GaugeScale) => void;
}) {
  const { showTemperature } = useUnits();
  const { gauge } = bench;
  const measured = bench.readings.length > 0;
  const errorAt = (c: number) => found.error.find((e) => e.at_c === c)?.error_k ?? 0;
  const shown = SHOWN_C.map((c) => {
    const share = needleAt(gauge, c + (measured ? errorAt(c) : 0));
    return { c, share, sound: needleAt(gauge, c) };
  });
  const hides = shown.find(({ c, share, sound }) => c === 110 && share < sound - 0.03);
  const rises = gauge.cold_c < gauge.from_c && gauge.from_c <= gauge.to_c && gauge.to_c < gauge.red_c;
  return (
    <section aria-labelledby="gauge-title" className="border-t border-base-content/20 pt-4">
      <h3 id="gauge-title" className="text-xl type-sign">
        The needle
      </h3>
      <Cautions className="mt-1" of={['doubtful-gauge']} />
      <div className="mt-2 flex flex-wrap gap-4">
        {MARKS.map(({ key, label }) => (
          <QuantityInput
            key={key}
            id={`gauge-${key}`}
            label={label}
            family="temperature"
            value={gauge[key]}
            onChange={(v) => v !== null && Number.isFinite(v) && onChange({ ...gauge, [key]: v })}
          />
        ))}
      </div>
      {!rises && <p className="text-error">These four must rise from left to right.</p>}
      <ul className="mt-2 flex flex-wrap gap-8" data-testid="needle">
        {shown.map(({ c, share }) => (
          <li key={c} className="text-center">
            <Needle share={rises ? share : 0} />
            <p className="text-lg font-bold">{showTemperature(c)}</p>
            <p className="text-sm">{words(share)}</p>
          </li>
        ))}
      </ul>
      {measured && hides && rises && (
        <p role="alert" className="mt-2 border-l-8 border-error pl-3 font-semibold">
          At a true {showTemperature(110)} this needle stands {words(hides.share)}: the engine can boil under a calm
          gauge. Do not drive by it.
        </p>
      )}
    </section>
  );
}
