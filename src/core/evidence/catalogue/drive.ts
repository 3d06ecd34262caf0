import type { ItemData } from './itemData';

/** What a logged drive answers. Working estimates, each with its reason; a shop edits them to its own experience. */
export const DRIVE_ITEMS = [
  {
    id: 'road-steady',
    ask: 'Log ten minutes at a steady 80-100 km/h once warm, then five minutes in town',
    answers: [
      {
        key: 'follows-speed',
        says: 'sags on the road, climbs in town',
      },
      {
        key: 'level',
        says: 'level stays the same',
      },
    ],
    minutes: 20,
    reason:
      'A level that follows speed is an open path; a flat level at the wrong height is a sender or the wrong opening temperature.',
    yes: {
      default: 0.05,
      'thermostat-stuck-open': 0.95,
      'thermostat-leaking': 0.75,
      'thermostat-opens-early': 0.2,
      'insufficient-heat': 0.6,
    },
  },
  {
    id: 'cold-start-log',
    ask: "Log a full warm-up from a night's soak with outside air, speed and engine speed, until the level has held for five minutes",
    answers: [
      {
        key: 'below-band',
        says: 'runs below the expected band',
      },
      {
        key: 'in-band',
        says: 'inside the band',
      },
    ],
    minutes: 25,
    reason: 'The start shows the sender, the slope shows the open path, the bend shows the opening temperature.',
    yes: {
      default: 0.1,
      'open-path': 0.9,
      'sender-reads-low': 0.9,
      'sender-slow': 0.5,
      'low-coolant-or-air': 0.5,
      healthy: 0.04,
      'insufficient-heat': 0.06,
    },
  },
] as const satisfies readonly ItemData[];
