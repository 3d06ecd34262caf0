'use client';

import { standingReading } from '@/core/case';
import { Cautions } from '@/job/Cautions';
import { useJob } from '@/job/JobProvider';
import { MeasuredField } from '@/job/MeasuredField';
import { MovePicture } from '../MovePicture';

const PLACE = 'bench';

/** Scan, needle and a reference thermometer at one moment: two senders, one truth. */
export function MomentPanel() {
  const { entries } = useJob();
  const reading = standingReading(entries, 'moment', PLACE);
  const { reference_c, scan_c, gauge_c } = reading?.values ?? {};
  const off = (v: number | undefined) =>
    v === undefined || reference_c === undefined ? null : Math.abs(v - reference_c) > 6;
  const [scanOff, needleOff] = [off(scan_c), off(gauge_c)];
  const says =
    scanOff === null || needleOff === null
      ? null
      : scanOff && needleOff
        ? 'Both differ from the reference: one shared sender, both senders, or a reference that does not touch the coolant. Move the probe and read again.'
        : scanOff
          ? 'The control unit’s sender is the odd one out; the needle has its own and is right.'
          : needleOff
            ? 'The needle is the odd one out: its own sender, its scale or its supply.'
            : 'All three agree.';
  return (
    <section aria-labelledby="moment-title" className="border-t border-base-content/20 pt-4 print:hidden">
      <h3 id="moment-title" className="text-xl type-sign">
        Scan, needle and reference at one moment
      </h3>
      <p className="mt-1 text-sm">
        Warm, at idle, read within ten seconds: a probe or infrared on the housing beside the sender. A low needle with
        the gearbox’s lock-up missing is two senders reading low, or a cool engine: only the reference tells.
      </p>
      <Cautions className="mt-1" of={['no-hot-hoses', 'belts-and-fan', 'carbon-monoxide']} />
      <div className="mt-2 flex flex-wrap gap-5">
        {(['reference_c', 'scan_c', 'gauge_c'] as const).map((value) => (
          <MeasuredField key={value} name="moment" value={value} place={PLACE} reading={reading} />
        ))}
      </div>
      {says && (
        <p className="font-semibold" aria-live="polite">
          {says}
        </p>
      )}
      <MovePicture entryId={reading?.id ?? null} />
    </section>
  );
}
