'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { CHANNELS, inShownUnits, UNITS, unitOf, type ChannelName, type UnitFamily } from '@/core/base';

/** Families of readings whose unit the shop chooses. */
export const CHOSEN_FAMILIES = [
  'temperature',
  'speed',
  'distance',
  'pressure',
  'volume',
  'torque',
  'mass',
  'length',
] as const;

/** Units in which readings are shown: a symbol per family. */
export type ShownUnits = Readonly<Record<(typeof CHOSEN_FAMILIES)[number], string>>;

/** The stored units, shown where nothing was chosen. */
export const SI_UNITS = Object.fromEntries(CHOSEN_FAMILIES.map((f) => [f, UNITS[f][0].symbol])) as ShownUnits;

/** Units of logged quantities that are the same everywhere. */
const FIXED_UNIT = { rotation: 'rpm', percent: '%', massFlow: 'g/s' } as const;

const UnitsContext = createContext<ShownUnits>(SI_UNITS);

/** Gives the units to everything below. */
export function UnitsProvider({ units, children }: { units: ShownUnits; children: ReactNode }) {
  return <UnitsContext value={units}>{children}</UnitsContext>;
}

/** Units and formatters of the present shop. */
export function useUnits() {
  const units = useContext(UnitsContext);
  const symbolOf = (family: UnitFamily): string =>
    family === 'temperatureDifference' ? units.temperature : units[family];
  const show = (family: UnitFamily, si: number, digits = 0): string =>
    Number.isFinite(si) ? `${unitOf(family, symbolOf(family)).fromSi(si).toFixed(digits)} ${symbolOf(family)}` : '–';
  return {
    ...units,
    symbolOf,
    /** A reading with its unit. */
    show,
    /** A logged reading with its unit. */
    showChannel: (name: ChannelName, value: number) => {
      const { quantity } = CHANNELS[name];
      return quantity === 'temperature' || quantity === 'speed'
        ? show(quantity, value)
        : `${value.toFixed(quantity === 'massFlow' ? 1 : 0)} ${FIXED_UNIT[quantity]}`;
    },
    /** A temperature with its unit, rounded. */
    showTemperature: (c: number) => show('temperature', c),
    /** A sentence of core with its quantities in the shop's units. */
    say: (sentence: string) => inShownUnits(sentence, symbolOf),
    /** A temperature without its unit. */
    temperatureNumber: (c: number) => unitOf('temperature', units.temperature).fromSi(c),
  };
}

/** A sentence of core in the shop's units. */
export function Said({ children }: { children: string }) {
  return <>{useUnits().say(children)}</>;
}
