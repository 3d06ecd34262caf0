import { vehicle, type DemoVehicle } from './vehicle';

/** Vehicles of these jobs by key. */
export const PROOF_VEHICLES: Record<string, DemoVehicle> = {
  parcel: {
    plate: 'Parcel van 3',
    mileage_km: 127_400,
    vehicle: vehicle(
      'Box van, 2.2 diesel',
      { fuel: 'diesel', hybrid: false, displacement_l: 2.2, idle_rpm: 780, kerb_mass_kg: 2150 },
      { rated_c: 83 },
      8.8,
      { kind: 'electric', on_c: 96, off_c: 91 },
    ),
  },
  school: {
    plate: 'School minibus',
    mileage_km: 84_150,
    vehicle: vehicle(
      'Minibus, 2.3 petrol',
      { fuel: 'petrol', hybrid: false, displacement_l: 2.3, idle_rpm: 760, kerb_mass_kg: 1950 },
      { rated_c: 88 },
      8.2,
      { kind: 'electric', on_c: 98, off_c: 93 },
    ),
  },
  quay: {
    plate: 'Quay truck 2',
    mileage_km: 203_800,
    parts: [{ part: 'Thermostat', when: 'last summer', detail: 'pattern part, 85 °C' }],
    vehicle: vehicle(
      'Flatbed, 2.8 diesel',
      { fuel: 'diesel', hybrid: false, displacement_l: 2.8, idle_rpm: 740, kerb_mass_kg: 2600 },
      { rated_c: 85 },
      10,
      { kind: 'viscous', on_c: 96, off_c: 89 },
    ),
  },
  clinic: {
    plate: 'Clinic estate',
    mileage_km: 58_900,
    vehicle: vehicle(
      'Estate, 1.5 petrol',
      { fuel: 'petrol', hybrid: false, displacement_l: 1.5, idle_rpm: 750, kerb_mass_kg: 1290 },
      { rated_c: 87 },
      5.6,
      { kind: 'electric', on_c: 97, off_c: 92 },
    ),
  },
  survey: {
    plate: 'Survey pick-up',
    mileage_km: 91_300,
    vehicle: vehicle(
      'Pick-up, 2.4 petrol',
      { fuel: 'petrol', hybrid: false, displacement_l: 2.4, idle_rpm: 720, kerb_mass_kg: 1720 },
      { rated_c: 89 },
      7.6,
      { kind: 'electric', on_c: 99, off_c: 94 },
    ),
  },
};
