'use client';

import { wasteRecord } from '@/core/closing';
import { PLACE_CAUTIONS } from '@/core/repair';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { useUnits } from '@/ui/units';
import { Cautions } from './Cautions';
import { useJob } from './JobProvider';
import { useRepair } from './useRepair';

/** Below this an amount is written down well enough, l. */
const ACCOUNTED_L = 0.1;

/** What came out of the car, and where it went. @param always stands there before anything came out */
export function WasteForm({ always = false }: { always?: boolean }) {
  const { repair } = useJob();
  const { put, sheet } = useRepair();
  const { show } = useUnits();
  const waste = wasteRecord(repair);
  if (!waste && !always) return null;
  const { disposal } = sheet.drain;
  const missing = waste !== null && waste.missing_l > ACCOUNTED_L;
  const set = (to: Partial<typeof disposal>) => put('drain', (now) => ({ disposal: { ...now.disposal, ...to } }));
  return (
    <section aria-labelledby="waste-title" data-testid="waste-record">
      <h2 id="waste-title" className="text-2xl type-sign">
        Waste
      </h2>
      <p className={missing ? 'font-semibold' : ''}>
        {waste === null
          ? 'Nothing came out yet.'
          : `${show('volume', waste.out_l, 1)} came out${waste.spilled_l > 0 ? `, ${show('volume', waste.spilled_l, 1)} of it spilled` : ''}; ${
              missing
                ? `${show('volume', waste.missing_l, 1)} not written down as handed in.`
                : 'all of it is accounted for.'
            }`}
      </p>
      <Cautions className="mt-1" of={PLACE_CAUTIONS.waste} />
      <div className="mt-2 flex flex-wrap items-start gap-x-5 gap-y-2">
        <RangedInput
          id="waste"
          label="Handed in"
          family="volume"
          digits={1}
          value={disposal.l}
          low={0}
          high={1000}
          onValue={(l) => set({ l, at: Date.now() })}
          onEmptied={() => set({ l: null, at: null })}
        />
        <TextField
          id="waste-place"
          label="Where"
          className="min-w-48 flex-1"
          hint="recycling point"
          value={disposal.place}
          onText={(place) => set({ place })}
        />
      </div>
    </section>
  );
}
