import { describe, expect, it } from 'vitest';
import { startingVehicle } from '@/core/planning';
import type { TriageRecord, VehicleRecord } from '@/storage/records';
import { isLitter, pathOf, triageRow, triageTable, vehicleByName } from './triageView';

const vehicle = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const named = (plate: string): VehicleRecord => ({
  id: plate,
  vehicle,
  plate,
  notes: '',
  variant: '',
  mileage_km: null,
  senderPoints: [],
  parts: [],
  memory: null,
  goodTraceIds: [],
  createdAt: 0,
  updatedAt: 0,
});
const fleet = ['Van 1', 'Van 12', 'Harbour pick-up'].map(named);

describe('files of a folder', () => {
  it.each([
    [{ name: 'a.csv', webkitRelativePath: 'logs/Van 1/a.csv' }, 'logs/Van 1/a.csv'],
    [{ name: 'a.csv', webkitRelativePath: '', path: '/logs/Van 12/a.csv' }, 'logs/Van 12/a.csv'],
    [{ name: 'a.csv', webkitRelativePath: '', path: './a.csv' }, 'a.csv'],
    [{ name: 'a.csv', webkitRelativePath: '' }, 'a.csv'],
  ])('%j is %s', (file, path) => expect(pathOf(file)).toBe(path));

  it.each([
    ['logs/.DS_Store', true],
    ['.git/config', true],
    ['logs/Thumbs.db', true],
    ['logs/desktop.ini', true],
    ['logs/van 1.csv', false],
    ['logs/my.thumbs.db.csv', false],
  ])('%s is litter: %s', (path, litter) => expect(isLitter(path)).toBe(litter));
});

describe('whose log it is', () => {
  it.each([
    ['van1 monday.csv', 'Van 1'],
    ['logs/van 12/tuesday.csv', 'Van 12'],
    ['HARBOUR-PICKUP_3.xlsx', 'Harbour pick-up'],
    ['drive.csv', null],
  ])('%s', (file, plate) => expect(vehicleByName(file, fleet)).toBe(plate));

  it('two vehicles of one name are asked for', () => {
    expect(vehicleByName('van1.csv', [named('Van 1'), { ...named('van-1'), id: 'other' }])).toBeNull();
  });
});

describe('a row of the table', () => {
  const record = (outcome: TriageRecord['outcome'], vehicleId: string | null): TriageRecord => ({
    id: 'x',
    fileName: 'x.csv',
    raw: new Blob([]),
    vehicleId,
    addedAt: 0,
    outcome,
  });

  it('asks for the vehicle, waits, or says why it was not read', () => {
    expect(triageRow(record({ state: 'waiting' }, null), fleet)).toMatchObject({
      finding: 'No vehicle',
      grade: 'waiting',
    });
    expect(triageRow(record({ state: 'waiting' }, 'Van 1'), fleet)).toMatchObject({
      finding: 'Waiting',
      vehicle: 'Van 1',
    });
    const refused = triageRow(record({ state: 'refused', message: 'No time.' }, 'Van 1'), fleet);
    expect(refused).toMatchObject({ finding: 'Not read', remark: 'No time.', probability: null });
    expect(triageTable([refused])).toBe(
      'file,vehicle,finding,probability,grade,codes,remark\r\nx.csv,Van 1,Not read,,refused,,No time.\r\n',
    );
  });
});
