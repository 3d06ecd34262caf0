/** Questions of the proof on which workshops disagree, and what settles them. */
export const PROOF_SCHOOLS = [
  {
    ...{ id: 'when-fixed', question: 'When is it fixed?' },
    one: 'When the part is in and the lamp is out; when the needle stands right at idle.',
    other: 'After a full road test.',
    settles:
      'When the complaint’s own condition was driven again and the numbers lie inside the band of a sound car. A road, cold or towing fault is not proved at idle.',
  },
  {
    ...{ id: 'open-overheats', question: 'Can a thermostat that failed open overheat the engine?' },
    one: 'Sometimes.',
    other: 'It only runs cool.',
    settles:
      'Rarely: part-open, or with no valve in it, the bypass stays open and coolant goes round the radiator; one that opens fully and shuts the bypass does not. Look at level, fan and pump before.',
  },
  {
    ...{ id: 'driving-lowers', question: 'Should driving lower the temperature?' },
    one: 'Yes, the wind cools it.',
    other: 'No, the valve holds it.',
    settles:
      'Sound, it is nearly constant. A fall from too hot on driving off tells of too little air or coolant at idle; a fall below the rating by more than the valve’s hysteresis, that it does not close.',
  },
  {
    ...{ id: 'pressure-after', question: 'Pressure in the system after the drive?' },
    one: 'Air is in it.',
    other: 'Normal.',
    settles:
      'Normal: liquid grows, gas is pressed, vapour adds. Air shows as a cold level that falls and a heater that gurgles.',
  },
] as const;
