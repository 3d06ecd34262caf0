import { differenceText, temperatureText, type Vehicle } from '../../base';
import { asSound, figureOf, type ProofDrive } from '../proofDrive';
import { byHand, NOT_NEEDED, open, shown, type Seen, type Since } from './since';

/** Scatter of sound cars beyond the drawn ones: opening of the part 2 K and where its sender sits, level likewise, K. */
const OPENING_ROOM_K = 3;
const HOLD_ROOM_K = 3;
/** Sag that no driver notices, K per 10 km/h. */
const SAG_ROOM = 0.6;
/** Heater effectiveness from which the cabin is warm, %; a working figure for a core that flows. */
const HEATER_FROM_PCT = 50;

const degrees = (value: number, sd: number): string => `${temperatureText(value, 1)} ± ${differenceText(sd, 1)}`;

/**
 * Where no bend was told: a level that does not fall with speed is held by the valve, which then opens no further below it
 * than its lift takes. Null where the level is not told, or moves.
 */
function regulated(drive: ProofDrive, { thermostat }: Vehicle): Seen | null {
  const level = figureOf(drive.look, 'plateau');
  const fall = figureOf(drive.look, 'speed-sag').told;
  if (!level.told || !fall || fall.value + 2 * fall.sd < -SAG_ROOM || asSound(level, HOLD_ROOM_K) !== true) return null;
  const { value, sd } = level.told;
  const says = `Not seen as a bend; it regulates at ${degrees(value, sd)}, rated ${temperatureText(thermostat.rated_c)}`;
  return shown('met', says, drive.at);
}

export function opening({ input: { drive, vehicle } }: Since): Seen {
  if (!drive) return open('Drive it until it opens, log running.');
  const row = figureOf(drive.look, 'bend');
  const { rated_c } = vehicle.thermostat;
  if (!row.told) return regulated(drive, vehicle) ?? open(row.why);
  const says = `Bends at ${degrees(row.told.value, row.told.sd)}, rated ${temperatureText(rated_c)}`;
  const sound = asSound(row, OPENING_ROOM_K);
  if (sound === null) return open(`${says}; a sound car would not have opened on this drive.`);
  return shown(sound ? 'met' : 'failed', says, drive.at);
}

/** Two-level control holds high unpowered and low powered: either level, or both, is sound. */
function twoLevels({ thermostat }: Vehicle): readonly [low_c: number, high_c: number] | null {
  if (!thermostat.heated) return null;
  return [thermostat.heated_rated_c ?? thermostat.rated_c - 15, thermostat.full_open_c ?? thermostat.rated_c + 12];
}

export function hold({ input: { drive, vehicle } }: Since): Seen {
  if (!drive) return open('Drive it until it holds a level, log running.');
  const row = figureOf(drive.look, 'plateau');
  if (!row.told) return open(row.why);
  const above = figureOf(drive.look, 'minutes-above-limit').told?.value ?? 0;
  if (above > 0) {
    return shown('failed', `It was above the stop limit for ${above.toFixed(1)} min: gas test first.`, drive.at);
  }
  const { value, sd, band } = row.told;
  const within = band ? `, nine tenths of the time ${Math.round(band[0])}-${Math.round(band[1])} °C` : '';
  const says = `Holds ${degrees(value, sd)}${within}`;
  const levels = twoLevels(vehicle);
  if (levels) {
    const [low, high] = levels;
    const sound = value >= low - HOLD_ROOM_K - 2 * sd && value <= high + HOLD_ROOM_K + 2 * sd;
    return shown(
      sound ? 'met' : 'failed',
      `${says}; it regulates at two levels, a high one that settles lower is no overheating`,
      drive.at,
    );
  }
  const sound = asSound(row, HOLD_ROOM_K);
  return sound === null
    ? open(`${says}; nothing is expected of this drive.`)
    : shown(sound ? 'met' : 'failed', says, drive.at);
}

export function sag({ input: { drive } }: Since): Seen {
  if (!drive) return open('Needs some open road on the drive.');
  const row = figureOf(drive.look, 'speed-sag');
  if (!row.told) return open(row.why);
  const { value, sd } = row.told;
  const says = `${value < 0 ? 'Falls' : 'Rises'} by ${differenceText(value, 1)} ± ${differenceText(sd, 1)} per 10 km/h`;
  // A level that does not fall does not sag, whatever else it does.
  if (value + 2 * sd >= -SAG_ROOM) return shown('met', says, drive.at);
  const sound = asSound(row, SAG_ROOM);
  return shown(sound === true ? 'met' : 'failed', says, drive.at);
}

export function cabinHeat(since: Since): Seen {
  if (since.works.length === 0) return NOT_NEEDED;
  const { drive } = since.input;
  const told = drive && figureOf(drive.look, 'heater-effectiveness').told;
  if (drive && told) {
    const says = `Heater effectiveness ${Math.round(told.value)} % ± ${Math.round(told.sd)} %`;
    return shown(told.value >= HEATER_FROM_PCT ? 'met' : 'failed', says, drive.at);
  }
  return byHand(
    since,
    'cabin-heat',
    ['hot'],
    'Warm, fresh air, blower at half: vents hot to the hand, or mark the vent.',
  );
}

export function fanCycled(since: Since): Seen {
  const { drive, vehicle } = since.input;
  if (vehicle.fan.kind === 'engine-driven' || since.works.length === 0) return NOT_NEEDED;
  if (drive) {
    const on = figureOf(drive.look, 'fan-on').told;
    const off = figureOf(drive.look, 'fan-off').told;
    const fell = figureOf(drive.look, 'fan-fall').told;
    if (on && fell) {
      return shown(
        'met',
        `In at ${temperatureText(on.value, 1)}, out at ${temperatureText(off?.value ?? on.value, 1)}`,
        drive.at,
      );
    }
  }
  const todo =
    vehicle.fan.kind === 'viscous'
      ? 'Warm at standstill it roars, then goes quiet again. By ear, never by hand.'
      : 'At standstill until it cuts in and out again, once at least; hands clear.';
  return byHand(since, 'fan-cycled', ['in-and-out'], todo);
}
