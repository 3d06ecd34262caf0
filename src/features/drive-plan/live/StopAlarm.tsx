'use client';

import { useEffect } from 'react';
import { ALARM, beep } from '@/ui/beep';
import { useUnits } from '@/ui/units';

const EVERY_MS = 1500;

/** The stop limit was passed: in sight and to be heard until it is taken note of. */
export function StopAlarm({
  ect_c,
  limit_c,
  quiet,
  onQuiet,
}: {
  ect_c: number;
  limit_c: number;
  quiet: boolean;
  onQuiet: () => void;
}) {
  const { showTemperature } = useUnits();
  useEffect(() => {
    if (quiet) return;
    beep(ALARM);
    const timer = setInterval(() => beep(ALARM), EVERY_MS);
    return () => clearInterval(timer);
  }, [quiet]);
  return (
    <div
      role="alert"
      data-testid="stop-alarm"
      className="flex items-center gap-6 bg-error px-5 py-4 text-error-content"
    >
      <p className="text-5xl type-sign">Stop: {showTemperature(ect_c)}</p>
      <p className="flex-1 text-lg leading-snug">
        The limit is {showTemperature(limit_c)}. Stop where it is safe, heater and blower full on, then engine off.
        Never open the cap of a hot system. The maker&rsquo;s instructions come first.
      </p>
      {!quiet && (
        <button type="button" className="btn btn-lg" onClick={onQuiet}>
          Silence
        </button>
      )}
    </div>
  );
}
