import type { PlannedPart } from '@/core/repair';

/** A thermostat to be fitted, of which the rating and a price are known. */
export const madePart = (more: Partial<PlannedPart> = {}): PlannedPart => ({
  ...{ id: 'p', name: 'Thermostat', work: 'replaced-thermostat', rated_c: 88, build: null, source: null, price: 40 },
  ...{
    sealIncluded: null,
    vent: null,
    deposit: null,
    depositBackAt: null,
    waitDays: null,
    warrantyUntil: '',
    note: '',
  },
  ...more,
});
