/** A family of senders that many vehicles share; never a vehicle's own specification. */
export interface SenderFamily {
  readonly id: string;
  readonly name: string;
  /** Read by a control unit, or feeding a gauge. */
  readonly feeds: 'control-unit' | 'gauge';
  /** Temperature, °C, and resistance, Ω, rising in temperature. */
  readonly points: readonly (readonly [number, number])[];
}

/**
 * Generic families: working examples with the orders of magnitude that senders have. Every one is to be overwritten by
 * the curve of the part in hand.
 */
export const SENDER_FAMILIES: readonly SenderFamily[] = [
  {
    id: 'generic-2k5',
    name: 'Generic, 2.5 kΩ at 20 °C',
    feeds: 'control-unit',
    points: [
      [-30, 26100],
      [-20, 15460],
      [-10, 9400],
      [0, 5900],
      [10, 3790],
      [20, 2500],
      [30, 1707],
      [40, 1175],
      [50, 834],
      [60, 596],
      [70, 436],
      [80, 323],
      [90, 243],
      [100, 187],
      [110, 144],
      [120, 113],
    ],
  },
  {
    id: 'generic-10k',
    name: 'Generic, 10 kΩ at 25 °C',
    feeds: 'control-unit',
    points: [
      [-20, 96360],
      [0, 32650],
      [25, 10000],
      [50, 3603],
      [75, 1481],
      [100, 679],
      [120, 389],
    ],
  },
  {
    id: 'generic-2k25',
    name: 'Generic, 2.25 kΩ at 25 °C',
    feeds: 'control-unit',
    points: [
      [0, 7355],
      [25, 2252],
      [50, 811],
      [75, 333],
      [100, 152.8],
      [120, 87.7],
    ],
  },
  {
    id: 'generic-gauge-hundreds',
    name: 'Generic gauge sender, hundreds of Ω',
    feeds: 'gauge',
    points: [
      [20, 1230],
      [40, 530],
      [60, 250],
      [80, 128],
      [100, 70],
      [120, 41],
    ],
  },
  {
    id: 'generic-gauge-tens',
    name: 'Generic gauge sender, tens of Ω',
    feeds: 'gauge',
    points: [
      [20, 310],
      [40, 146],
      [60, 76],
      [80, 43],
      [100, 25.5],
      [120, 16],
    ],
  },
];

/** A family by its id; null for an unknown one. */
export const senderFamily = (id: string): SenderFamily | null => SENDER_FAMILIES.find((f) => f.id === id) ?? null;
