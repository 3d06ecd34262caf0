import { describe, expect, it } from 'vitest';
import { bad, good, table, warming } from '../testSupport';
import { readHeader } from './headers';

describe('coolant temperatures of something else', () => {
  it.each([
    'Radiator Coolant Temperature',
    'Coolant return temperature',
    'Heater core coolant temp',
    'Electric Motor Coolant Temperature',
    'Power electronics coolant temp',
    'Low temperature circuit coolant',
    'Estimated Coolant Temperature',
    'Coolant temperature (calculated)',
    'Coolant temp substitute value',
    'Coolant Temperature At Start',
    'Coolant temperature limit',
    'Coolant temperature gradient',
    'Filtered coolant temperature',
    'Coolant fan speed',
    'Kühlmitteltemperatur Kühler',
    'Kühlmittel Rücklauf',
    'Kühlmitteltemperatur Ersatzwert',
    'Kühlmitteltemperatur geschätzt',
    'Kühlmitteltemperatur Niedertemperaturkreis',
    'Température liquide de refroidissement moteur électrique',
    'Température liquide de refroidissement estimée',
    'Temperatura refrigerante al arranque',
    'Temperatura liquido refrigerante radiatore',
    'Koelvloeistoftemperatuur berekend',
    'Kylvätsketemperatur elmotor',
    'Teplota chladicí kapaliny odhad',
    'Jäähdytysnesteen lämpötila arvioitu',
  ])('%s is not the engine’s', (header) => {
    expect(readHeader(header).channel).toBeNull();
    const text = table(
      `Time (s),${header},Engine Coolant Temperature (°C)`,
      60,
      (i) => `${i},${warming(i) - 8},${warming(i)}`,
    );
    const { trace } = good(text);
    expect(trace.channels.ect_c[10]).toBe(warming(10));
    expect(trace.channels.ect2_c).toBeUndefined();
  });

  it.each([
    ['Radiator coolant outlet temp', 'rad_out_c'],
    ['Kühlmitteltemperatur Kühleraustritt', 'rad_out_c'],
    ['Temp. eau combiné', 'gauge_c'],
    ['CLT_DASH', 'gauge_c'],
    ['GAUGE_ECT', 'gauge_c'],
    ['Coolant temp instrument cluster', 'gauge_c'],
    ['Coolant temp bank 2', 'ect2_c'],
  ])('%s is known for what it is', (header, channel) => expect(readHeader(header).channel).toBe(channel));
});

describe('which of two', () => {
  const two = (a: string, b: string): string =>
    table(`Time (s),${a},${b}`, 60, (i) => `${i},${warming(i) - 9},${warming(i)}`);

  it('the one that says engine; the other is a second sensor', () => {
    const { trace } = good(two('Coolant temp (°C)', 'Engine coolant temp (°C)'));
    expect([trace.channels.ect_c[10], trace.channels.ect2_c![10]]).toEqual([warming(10), warming(10) - 9]);
  });

  it('two that say the same are a question', () => {
    expect(bad(two('Coolant temp A (°C)', 'Coolant temp C (°C)')).message).toMatch(/both called coolant temperature/);
  });

  it('a name too many puts the coolant under another: asked where the named one does not warm up', () => {
    const text = table('Time (s),Latitude,ECT (°C),RPM', 90, (i) => `${i},${warming(i)},${12 + (i % 3)},800`);
    expect(bad(text).message).toMatch(/ECT \(°C\) hardly moves, and Latitude climbs/);
    const cold = table('Time (s),Latitude,ECT (°C),RPM', 90, (i) => `${i},${(49 + i / 1e4).toFixed(4)},12,800`);
    expect(good(cold).trace.channels.ect_c[5]).toBe(12);
  });

  it('the dash does not push the engine’s column away', () => {
    const { trace } = good(two('Temp. eau combiné', 'T_COOL'));
    expect(trace.channels.ect_c[10]).toBe(warming(10));
    expect(trace.channels.gauge_c![10]).toBe(warming(10) - 9);
  });
});

describe('words of more languages', () => {
  it.each([
    ['Время (с)', 'time_s', 's'],
    ['Температура охлаждающей жидкости', 'ect_c', null],
    ['Обороты двигателя (об/мин)', 'rpm', 'rpm'],
    ['Скорость (км/ч)', 'speed_kmh', 'km/h'],
    ['Idő', 'time_s', null],
    ['Hűtővíz hőmérséklet', 'ect_c', null],
    ['Fordulatszám', 'rpm', null],
    ['Zaman', 'time_s', null],
    ['Soğutma suyu sıcaklığı', 'ect_c', null],
    ['時間', 'time_s', null],
    ['水温(℃)', 'ect_c', '°C'],
    ['エンジン回転数', 'rpm', null],
    ['冷却液温度', 'ect_c', null],
    ['车速', 'speed_kmh', null],
    ['Motorbelasting', 'load_pct', null],
    ['Motorhastighed (rpm)', 'rpm', 'rpm'],
    ['Zatížení motoru (%)', 'load_pct', '%'],
    ['Otáčky motoru', 'rpm', null],
    ['Moottorin kuormitus', 'load_pct', null],
    ['Moottorin kierrokset', 'rpm', null],
    ['Kølervæsketemperatur (°C)', 'ect_c', '°C'],
    ['Kylarvätsketemperatur', 'ect_c', null],
    ['Kühlerwassertemperatur', 'ect_c', null],
    ['Temperatura da água', 'ect_c', null],
    ['Coolant temp [K]', 'ect_c', 'K'],
    ['Speed GPS', 'speed_kmh', null],
    ['eng_spd', 'rpm', null],
  ])('%s', (header, channel, unit) => expect(readHeader(header)).toMatchObject({ channel, unit }));
});

describe('units that are none of ours', () => {
  it.each([
    ['Engine speed [rps]', (i: number) => 13 + i / 60, 60],
    ['RPM x1000', (i: number) => 0.8 + i / 1000, 1000],
  ])('%s is converted', (header, value, factor) => {
    const { trace } = good(table(`t,ECT (°C),${header}`, 60, (i) => `${i},${warming(i)},${value(i).toFixed(3)}`));
    expect(trace.channels.rpm![30]).toBeCloseTo(value(30) * factor, 0);
  });

  it('an unknown one is never sure, and no engine speed is left out without a word', () => {
    const text = (unit: string, n: number) =>
      table(`t,ECT (°C),RPM (${unit})`, 60, (i) => `${i},${warming(i)},${n + i / 100}`);
    expect(good(text('qps', 900)).report.columns.find((c) => c.channel === 'rpm')).toMatchObject({
      confidence: 'likely',
    });
    expect(good(text('qps', 14)).report.notes.join()).toMatch(
      /RPM \(qps\) was left out: its values are none of engine speed/,
    );
  });

  it('°F told by the values reaches the air and the speed', () => {
    const { trace, report } = good(
      table('t,Coolant,Intake air temp,Speed', 120, (i) => `${10 * i},${68 + i},38,${30 + (i % 5)}`),
    );
    expect(trace.channels.iat_c![0]).toBeCloseTo(3.33, 2);
    expect(trace.channels.speed_kmh![0]).toBeCloseTo(48.28, 2);
    expect(report.notes.join()).toMatch(/°F, so they were converted/);
  });

  it('asks where everything starts so warm that it may be °F', () => {
    expect(bad(table('t,Coolant,Intake air temp', 60, (i) => `${i},${60 + i / 2},61`)).message).toMatch(/fit both/);
  });
});
