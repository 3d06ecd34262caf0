import type { ItemData } from './itemData';

/** What is read with the key on and the engine off. Working estimates, each with its reason; a shop edits them to its own experience. */
export const KEY_ON_ITEMS = [
  {
    id: 'soak-agreement',
    ask: "Coolant reading against outside and intake air after a night's soak, key on, engine off",
    answers: [
      {
        key: 'below',
        says: 'more than 4 K below',
      },
      {
        key: 'agrees',
        says: 'within 4 K',
      },
      {
        key: 'above',
        says: 'more than 4 K above',
      },
    ],
    minutes: 3,
    reason:
      "After a night everything is at outside temperature; a reading off by more than the sensors' tolerance is the sender's. Series resistance can hide when cold. A reading high when cold is an offset or leakage across the sender; a block heater, sun or a short soak do the same.",
    table: [
      {
        default: 0.02,
        'sender-intermittent': 0.08,
        'sender-reads-high': 0.02,
        'sender-reads-low': 0.62,
        'sender-stuck': 0.25,
      },
      {
        default: 0.93,
        'sender-intermittent': 0.87,
        'sender-reads-high': 0.18,
        'sender-reads-low': 0.33,
        'sender-stuck': 0.35,
      },
      {
        default: 0.05,
        'sender-intermittent': 0.05,
        'sender-reads-high': 0.8,
        'sender-reads-low': 0.05,
        'sender-stuck': 0.4,
      },
    ],
  },
  {
    id: 'unplug-rails',
    ask: 'Sender unplugged, then plug bridged: does the reading go to the cold rail and to the hot rail?',
    answers: [
      {
        key: 'no',
        says: 'no',
      },
      {
        key: 'both',
        says: 'yes, both',
      },
    ],
    minutes: 5,
    reason: 'Both rails prove wiring and control unit; what is left is the sender itself or real temperature.',
    yes: {
      default: 0.03,
      'sender-stuck': 0.55,
      'sender-intermittent': 0.35,
      'sender-reads-low': 0.2,
      'sender-reads-high': 0.2,
    },
  },
] as const satisfies readonly ItemData[];
