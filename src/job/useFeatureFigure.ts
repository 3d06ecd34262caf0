'use client';

import { unitOf } from '@/core/base';
import type { FeatureChange, FeatureRow } from '@/core/desk';
import { signed } from '@/ui/signed';
import { useUnits } from '@/ui/units';

/** Figures in the shop's units: value, uncertainty, unit. */
export function useFeatureFigure() {
  const { symbolOf } = useUnits();
  const temperature = symbolOf('temperature');
  const fahrenheit = temperature === '°F';
  return (unit: FeatureRow['unit']) => {
    const absolute = unitOf('temperature', temperature);
    const factor = fahrenheit ? 1.8 : 1;
    switch (unit) {
      case '°C':
        return { unit: temperature, value: absolute.fromSi, sd: (v: number) => v * factor, digits: 1 };
      case 'K':
      case 'K/min':
      case 'K/MJ': {
        const shown = unit.replace('K', fahrenheit ? '°F' : 'K');
        return {
          unit: shown,
          value: (v: number) => v * factor,
          sd: (v: number) => v * factor,
          digits: unit === 'K' ? 1 : 2,
        };
      }
      case 'K per 10 km/h': {
        const mph = symbolOf('speed') === 'mph';
        const per = factor * (mph ? 1.609344 : 1);
        return {
          unit: `${fahrenheit ? '°F' : 'K'} per 10 ${mph ? 'mph' : 'km/h'}`,
          value: (v: number) => v * per,
          sd: (v: number) => v * per,
          digits: 2,
        };
      }
      default: {
        const digits = unit === 'min' ? 1 : 0;
        return { unit, value: (v: number) => v, sd: (v: number) => v, digits };
      }
    }
  };
}

/** A figure before and after, in the shop's units. */
export interface ChangeText {
  readonly before: string;
  readonly after: string;
  /** Change with its uncertainty and unit. */
  readonly change: string;
}

/** Changes of figures as they are written. */
export function useChangeText() {
  const figure = useFeatureFigure();
  return ({ unit, before, after, change, sd }: FeatureChange): ChangeText => {
    const f = figure(unit);
    const by = f.sd(change);
    return {
      before: f.value(before).toFixed(f.digits),
      after: f.value(after).toFixed(f.digits),
      change: `${signed(by, f.digits)} ± ${f.sd(sd).toFixed(f.digits)} ${f.unit.replace('°C', 'K')}`,
    };
  };
}
