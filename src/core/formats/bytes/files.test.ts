import { describe, expect, it } from 'vitest';
import { startingVehicle } from '../../planning';
import { readManifest, readVehicleFile, sniffText, writeVehicleFile } from '..';

describe('vehicle file', () => {
  const vehicle = { ...startingVehicle({ fuel: 'diesel', displacement_l: 2, hybrid: false }), label: 'Van' };

  it('comes back as written', () => {
    const back = readVehicleFile(writeVehicleFile(vehicle));
    expect(back).toEqual({ ok: true, value: vehicle });
  });

  it('names the field that is wrong', () => {
    const file = JSON.parse(writeVehicleFile(vehicle)) as { engine: { displacement_l: unknown } };
    file.engine.displacement_l = 'two';
    const read = readVehicleFile(JSON.stringify(file));
    expect(!read.ok && read.error.message).toMatch(/engine.displacement_l must be a number/);
  });

  it.each([
    ['{', /Not valid JSON/],
    ['{"schema":"varmek-vehicle/9"}', /schema must be one of varmek-vehicle\/1/],
    ['null', /Vehicle file/],
    ['{"__proto__":{"x":1},"constructor":5}', /missing|must be/],
  ])('%s is refused', (text, message) => {
    const read = readVehicleFile(text);
    expect(!read.ok && read.error.message).toMatch(message);
  });
});

describe('manifest', () => {
  it('lists traces with their vehicles', () => {
    const text = '{"schema":"varmek-manifest/1","items":[{"trace":"a.csv","vehicle":"v.json"}]}';
    expect(readManifest(text)).toEqual({
      ok: true,
      value: [{ traces: ['a.csv'], single: true, vehicle: 'v.json' }],
    });
  });

  it('takes several drives of one vehicle, oldest first', () => {
    const text = '{"schema":"varmek-manifest/1","items":[{"traces":["a.csv","b.csv"],"vehicle":"v.json"}]}';
    expect(readManifest(text)).toEqual({
      ok: true,
      value: [{ traces: ['a.csv', 'b.csv'], single: false, vehicle: 'v.json' }],
    });
  });

  it.each([
    ['no trace at all', '{"vehicle":"v.json"}'],
    ['both forms', '{"trace":"a.csv","traces":["b.csv"],"vehicle":"v.json"}'],
    ['an empty list', '{"traces":[],"vehicle":"v.json"}'],
  ])('refuses %s, and says which item', (_, item) => {
    const read = readManifest(`{"schema":"varmek-manifest/1","items":[${item}]}`);
    expect(!read.ok && read.error.message).toMatch(/items\[0\]/);
  });

  it('says what is missing', () => {
    const read = readManifest('{"schema":"varmek-manifest/1","items":[{"trace":"a.csv"}]}');
    expect(!read.ok && read.error.message).toMatch(/vehicle is missing/);
  });
});

describe('sniffText', () => {
  const of = (...bytes: number[]) => sniffText(Uint8Array.from(bytes));

  it('knows pictures and archives by their first bytes', () => {
    expect(of(0x89, 0x50, 0x4e, 0x47)).toMatchObject({ kind: 'binary', looksLike: 'a PNG picture' });
    expect(of(0x50, 0x4b, 3, 4)).toEqual({ kind: 'zip' });
    expect(of(0x1f, 0x8b, 8)).toEqual({ kind: 'gzip' });
    expect(of(1, 2, 3, 4, 5, 6)).toMatchObject({ kind: 'binary' });
  });

  it('tells encodings apart', () => {
    expect(sniffText(new TextEncoder().encode('time;Kühlmittel °C'))).toEqual({ kind: 'text', encoding: 'utf-8' });
    expect(of(0x4b, 0xfc, 0x68, 0x6c)).toEqual({ kind: 'text', encoding: 'windows-1252' });
    expect(of(0xff, 0xfe, 0x74, 0)).toEqual({ kind: 'text', encoding: 'utf-16le' });
    expect(of(0, 0x74, 0, 0x69, 0, 0x6d)).toEqual({ kind: 'text', encoding: 'utf-16be' });
  });
});
