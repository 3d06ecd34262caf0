import type { ShownUnits } from '@/ui/units';
import { SI_UNITS } from '@/ui/units';

/** Units that a reader may want, whatever the shop works in. */
export const READER_UNITS = {
  shop: { says: 'the shop’s units', units: null },
  metric: { says: '°C, km, litres', units: SI_UNITS },
  us: {
    says: '°F, miles, US gallons',
    units: {
      ...SI_UNITS,
      ...{ temperature: '°F', speed: 'mph', distance: 'mi', pressure: 'psi', volume: 'US gal', torque: 'lb·ft' },
    },
  },
  uk: {
    says: '°C, miles, litres',
    units: { ...SI_UNITS, speed: 'mph', distance: 'mi', pressure: 'psi' },
  },
} as const satisfies Readonly<Record<string, { readonly says: string; readonly units: ShownUnits | null }>>;

/** One of them. */
export type ReaderUnits = keyof typeof READER_UNITS;
