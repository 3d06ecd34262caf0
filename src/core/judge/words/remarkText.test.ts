import { describe, expect, it } from 'vitest';
import { inShownUnits } from '../../base';
import { remark, type Remark, type RemarkKind } from './remark';
import { remarksText, remarkText } from './remarkText';

/** A remark of every kind with the sentence it must give. */
const SENTENCES: { readonly [K in RemarkKind]: readonly [Extract<Remark, { kind: K }>, string] } = {
  'cannot-carry': [remark('cannot-carry', { problem: 'Too short: 3.1 min.' }), 'Too short: 3.1 min.'],
  'leaves-sound-band': [
    remark('leaves-sound-band', { low_c: 85.6, high_c: 92.2, reading_c: 67.9 }, 1980),
    'At minute 33 a sound vehicle would read 86 °C to 92 °C on this drive; this one read 68 °C.',
  ],
  'inside-sound-band': [
    remark('inside-sound-band', { level_c: 88, expected_c: 89.4 }, 900),
    'The reading stays inside the band of a sound vehicle: it ends near 88 °C, where 89 °C is expected.',
  ],
  'inside-while-trusted': [
    remark('inside-while-trusted', {}),
    'As far as it can be trusted, the reading stays inside the band of a sound vehicle.',
  ],
  climb: [
    remark('climb', { rate_kpmin: 7.25, expected_kpmin: -0.5, start_c: -3.2 }, 40),
    'It climbed 7.3 K a minute from -3 °C, against -0.5 K a minute expected.',
  ],
  level: [
    remark('level', { level_c: 71.4, spread_k: 5.2 }, 1300),
    'Its level over the last third is uneven: 71 °C with a spread of 5 K.',
  ],
  sag: [remark('sag', { per10kmh_k: -1.24 }), 'It ran 1.2 K cooler for every 10 km/h of road speed.'],
  standstill: [remark('standstill', { rate_kpmin: -0.44 }), 'At standstill it moved by -0.4 K a minute.'],
  revs: [
    remark('revs', { idle_kpmin: 1.5, held_kpmin: -2 }),
    'At standstill it moved by 1.5 K a minute at idle and by -2.0 K a minute with the engine held at speed.',
  ],
  swings: [
    remark('swings', { height_k: 8.6, period_s: 94.6, count: 5 }),
    'Its level swings by 9 K every 95 s, 5 times.',
  ],
  uneven: [remark('uneven', {}), 'The reading is uneven in a way that coolant around a sender is not.'],
  'passes-while-shut': [
    remark('passes-while-shut', { share: 0.214 }),
    'The best fit passes 21 % of full radiator flow while shut.',
  ],
  'opens-at': [
    remark('opens-at', { fitted_c: 71.6, rated_c: 88 }),
    'The best fit opens at 72 °C against a rating of 88 °C.',
  ],
  'no-bend': [
    remark('no-bend', { highest_c: 108, rated_c: 88 }, 700),
    'It reached 108 °C with a thermostat rated 88 °C and shows no bend.',
  ],
  'highest-reading': [remark('highest-reading', { highest_c: 112.3 }, 800), 'It reached 112 °C.'],
  'opens-heated': [
    remark('opens-heated', { rated_c: 105, heated_c: 88 }),
    'Unheated it opens at 105 °C, heated at 88 °C.',
  ],
  'start-against-air': [
    remark('start-against-air', { start_c: -8, outside_k: -14, intake_k: 3.6 }, 0),
    'It started at -8 °C, 14 K below outside air and with intake air.',
  ],
  'shifted-shape': [remark('shifted-shape', {}), 'A sender off by a fixed amount keeps the shape and shifts it.'],
  'late-bends': [remark('late-bends', { lag_s: 44.6 }), 'The bends come late and rounded, as with a lag of 45 s.'],
  leaps: [
    remark('leaps', { count: 7 }, 130),
    '7 times the reading jumped faster than coolant can change; those samples were left out of the fit.',
  ],
  'stands-still': [
    remark('stands-still', { reading_c: 64 }, 610),
    'From minute 10 on the reading stands at 64 °C without any change.',
  ],
  'hardly-moves': [remark('hardly-moves', {}), 'The reading hardly moves.'],
  'no-gauge': [remark('no-gauge', {}), 'No gauge channel was logged.'],
  'gauge-apart': [
    remark('gauge-apart', { apart_k: -11.7 }),
    'The gauge stands 12 K below the engine reading, which itself fits a sound vehicle.',
  ],
  'sound-stays-cold': [
    remark('sound-stays-cold', { level_c: 61, rated_c: 88 }, 900),
    'On this drive even a sound vehicle stays at 61 °C, below its rating of 88 °C.',
  ],
  'heat-too-little': [
    remark('heat-too-little', { rated_c: 88 }),
    'The fitted heat does not carry it to the rating of 88 °C on this drive.',
  ],
  'no-rival': [remark('no-rival', {}), 'No other cause comes near it.'],
  rival: [
    remark('rival', { cause: 'sender-reads-low', times: 4.36 }),
    'What else looks like this: sender reads low, 4.4 times less likely.',
  ],
  'parts-from-rival': [
    remark('parts-from-rival', { cause: 'sender-reads-low', rival_c: 62, best_c: 66, read_c: 66.4 }, 540),
    'They part at minute 9: sender reads low would read 62 °C, the best cause 66 °C; it read 66 °C.',
  ],
  'rival-is-rarer': [remark('rival-is-rarer', {}), 'It fits as well, but is the less usual fault at this strength.'],
  'rival-bends': [
    remark('rival-bends', { parameter: 'Coolant flow', rival_sd: 2.33, best_sd: 0.2 }),
    'It fits as well only with coolant flow as far off the usual as one car in 50; the best cause needs nothing unusual.',
  ],
  'rival-alike': [
    remark('rival-alike', {}),
    'Fitted to this trace, the two hardly differ anywhere: another test must separate them.',
  ],
};

describe('a remark in words', () => {
  it.each(Object.entries(SENTENCES))('%s', (_, [said, sentence]) => {
    expect(remarkText(said)).toBe(sentence);
    // Every quantity can be shown in other units.
    const american = inShownUnits(sentence, (family) => (family === 'speed' ? 'mph' : '°F'));
    expect(american).not.toMatch(/°C|\d K\b|km\/h/);
  });

  it('says less where there is less to say', () => {
    expect(remarkText(remark('rival', { cause: 'healthy', times: 1.2 }))).toMatch(/, almost as likely\.$/);
    expect(remarkText(remark('rival', { cause: 'healthy', times: 31.4 }))).toMatch(/, 31 times less likely\.$/);
    expect(remarkText(remark('rival', { cause: 'healthy', times: 1289 }))).toMatch(/, over 100 times less likely\.$/);
    expect(remarkText(remark('sag', { per10kmh_k: 0.3 }))).toMatch(/hardly changes/);
    expect(remarkText(remark('level', { level_c: 88, spread_k: 1 }))).toMatch(/is flat: 88 °C/);
    expect(remarkText(remark('start-against-air', { start_c: 3, outside_k: null, intake_k: null }))).toMatch(
      /^No air temperature was logged/,
    );
    expect(remarkText(remark('rival-bends', { parameter: 'Mass', rival_sd: 5, best_sd: 0 }))).toMatch(
      /one car in ten thousand/,
    );
  });

  it('follows another with one space between', () => {
    expect(remarksText([remark('hardly-moves', {}), remark('no-gauge', {})])).toBe(
      'The reading hardly moves. No gauge channel was logged.',
    );
    expect(remarksText([])).toBe('');
  });
});
