'use client';

import { UNITS } from '@/core/base';
import { useKeep } from '@/job/useKeep';
import { saveSettings } from '@/storage/settings';
import { Dialog } from '@/ui/Dialog';
import { CHOSEN_FAMILIES, useUnits } from '@/ui/units';

const FAMILY_NAME = {
  temperature: 'Temperature',
  speed: 'Speed',
  distance: 'Distance',
  pressure: 'Pressure',
  volume: 'Volume',
  torque: 'Torque',
  mass: 'Mass',
  length: 'Length',
} as const;

/** Chooses the unit of each kind of reading. Stored values stay as they are. */
export function UnitsDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const units = useUnits();
  const keep = useKeep();
  return (
    <Dialog title="Units" open={open} onClose={onClose}>
      <p className="mb-4 text-sm">
        A value typed with its unit is understood whatever stands here: 190F, 15 psi, 3.2 l.
      </p>
      <div className="grid grid-cols-[1fr_8rem] items-center gap-y-2">
        {CHOSEN_FAMILIES.map((family) => (
          <label key={family} className="contents">
            <span>{FAMILY_NAME[family]}</span>
            <select
              className="select"
              value={units[family]}
              onChange={(e) => keep(() => saveSettings({ [family]: e.target.value }))}
            >
              {UNITS[family].map((u) => (
                <option key={u.symbol}>{u.symbol}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </Dialog>
  );
}
