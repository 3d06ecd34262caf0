/** Groups of figures, in the words of the work. The first group whose beginning fits a figure's name takes it. */
const GROUPS: readonly { readonly begins: readonly string[]; readonly text: string }[] = [
  { begins: ['gauge_c', 'logged gauge_c'], text: 'the gauge beside the reading' },
  { begins: ['ect2_c', 'logged ect2_c'], text: 'the second sensor' },
  { begins: ['oil_c', 'logged oil_c'], text: 'the oil beside the coolant' },
  { begins: ['outlet ', 'logged rad_out_c'], text: 'the radiator’s outlet' },
  { begins: ['fan ', 'no fan', 'logged fan_pct'], text: 'the fan and what it does' },
  {
    begins: ['heating ', 'heated ', 'unheated', 'level on heating', 'rate on heating', 'logged thermostat'],
    text: 'the heating of the thermostat',
  },
  {
    begins: [
      'dropouts',
      'bad share',
      'rails',
      'leaps',
      'frozen',
      'saw-tooth',
      'span',
      'distinct',
      'longest still',
      'roughness',
      'late roughness',
      'steepest',
    ],
    text: 'the signal itself: jumps, stillness, roughness',
  },
  { begins: ['start', 'first ', 'outside air'], text: 'the start against the air and the first minutes' },
  { begins: ['climb ', 'burnt', 'warm after', 'bend'], text: 'the pace of the warm-up and its bend' },
  {
    begins: ['off ', 'expected ', 'band K', 'late K off', 'climb K off'],
    text: 'the place against what sound vehicles would show',
  },
  { begins: ['level on', 'rate on', 'rate ', 'level ', 'early rate'], text: 'the answer to speed, load and standing' },
  { begins: ['highest', 'late ', 'middle', 'second half', 'last ', 'share '], text: 'the level once warm' },
  {
    begins: ['close ', 'over sound', 'effect ', 'misfit', 'severity ', 'bent', 'sound '],
    text: 'how the fits compare, and how far each bends the vehicle',
  },
];
const REST = 'what kind of vehicle and drive it is';

/** What a figure belongs to, in words. */
export const groupOf = (name: string): string =>
  GROUPS.find(({ begins }) => begins.some((b) => name.startsWith(b)))?.text ?? REST;
