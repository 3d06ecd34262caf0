/**
 * Writes docs/causes.md and its pictures: every way in which a cause comes about, its sign, its share, and what it looks
 * like on one and the same drive beside the sound car.
 * Usage: npm run causes [-- --field FOLDER]: with the folder of a field set it says how often each way was met there
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { userPath } from '../src/cli/files';
import { CAUSES, type Cause, type Vehicle } from '../src/core/base';
import { BASE_RATES, CAUSE_TEXT } from '../src/core/evidence';
import {
  drawBody,
  drivePhases,
  drawFaultWay,
  FAULT_WAYS,
  NO_FAULT,
  seededRandom,
  simulateDrive,
  type PlantFault,
  type PlantRun,
} from '../src/core/plant';
import { startingVehicle } from '../src/core/planning';
import { fieldTruth } from './learn/fieldSet';
import { SIGNS } from './causes/signs';
import { pictureOf, type Curve } from './causes/picture';

const DOCS = path.join(import.meta.dirname, '../docs');
const plain = startingVehicle({ fuel: 'petrol', displacement_l: 1.6, hybrid: false });
const heated: Vehicle = {
  ...plain,
  thermostat: { ...plain.thermostat, rated_c: 103, full_open_c: 116, heated: true, heated_rated_c: 86 },
};
const SEED = 42;

/** Causes that show on a warm day with standing at the end, by how hot it gets. */
const HOT: readonly Cause[] = ['fan-not-running', 'flow-restricted', 'fan-always-on', 'thermostat-stuck-closed'];

function driven(vehicle: Vehicle, fault: PlantFault, hot: boolean, cold: boolean): PlantRun {
  const random = seededRandom(SEED);
  const demand = drivePhases(
    [
      { kind: 'idle', duration_s: 60 },
      { kind: 'town', duration_s: 420 },
      { kind: cold ? 'town' : 'road', duration_s: 600 },
      { kind: 'idle', duration_s: hot ? 1500 : 180 },
      { kind: cold ? 'town' : 'motorway', duration_s: 420 },
    ],
    cold ? 100 : 30,
    random,
  );
  const ambient_c = hot ? 31 : cold ? -14 : 8;
  const conditions = { ambient_c, engineStart_c: ambient_c, coverFraction: 0 };
  return simulateDrive(drawBody(vehicle, seededRandom(SEED), 0), fault, demand, conditions, seededRandom(SEED + 1));
}

/** What is drawn: the gauge for a gauge's fault, else the reading. */
const curveOf = (name: string, run: PlantRun, gauge: boolean): Curve => ({
  name,
  time_s: run.time_s,
  value_c: gauge ? run.gauge_c : run.ect_c,
});

const { values } = parseArgs({ options: { field: { type: 'string' } } });
const met = values.field === undefined ? null : fieldTruth(userPath(values.field)).flatMap((t) => t.ways ?? []);
/** How often a way was met in the field set, as a cell of its own; nothing without a set. */
const metCell = (cause: Cause, way: string): string =>
  met === null ? '' : ` ${met.filter((m) => m.cause === cause && m.mode === way).length || '-'} |`;

mkdirSync(path.join(DOCS, 'causes'), { recursive: true });
const parts = CAUSES.map((cause) => {
  const vehicle = cause === 'thermostat-heating-fault' ? heated : plain;
  const hot = HOT.includes(cause);
  const cold = cause === 'insufficient-heat';
  const gauge = cause === 'gauge-sender-fault';
  const ways = FAULT_WAYS[cause];
  const sound = curveOf('sound', driven(vehicle, NO_FAULT, hot, cold), gauge);
  const curves = ways.map(({ way }) =>
    curveOf(way, driven(vehicle, drawFaultWay(cause, way, seededRandom(SEED + 5), vehicle), hot, cold), gauge),
  );
  const soundOnly = cause === 'healthy' || cold;
  writeFileSync(path.join(DOCS, 'causes', `${cause}.svg`), pictureOf(soundOnly ? [sound] : [sound, ...curves]));
  const rows = ways.map(
    ({ way, share }) =>
      `| ${way} | ${Math.round(100 * share)} % | ${SIGNS[cause][way] ?? 'as the cause'} |${metCell(cause, way)}`,
  );
  return [
    `## ${CAUSE_TEXT[cause].name}`,
    `\`${cause}\`, base rate ${BASE_RATES[cause]}: ${CAUSE_TEXT[cause].means}.`,
    [
      `| way | share | its sign |${met ? ' met in the field set |' : ''}`,
      `|---|---|---|${met ? '---|' : ''}`,
      ...rows,
    ].join('\n'),
    `![${CAUSE_TEXT[cause].name}](causes/${cause}.svg)`,
  ].join('\n\n');
});
const head = `# Causes and the ways they come about

Made by \`npm run causes${met ? ' -- --field FOLDER' : ''}\` from the plant: shares are working figures by which exams draw, a shop's own base rates replace
those of the causes. Each picture is one drive of one car, sound (grey) and with each way of the cause.${met ? ' How often\na way was met is counted over the drives of the field set that say by which way they were broken.' : ''}`;
writeFileSync(path.join(DOCS, 'causes.md'), `${[head, ...parts].join('\n\n')}\n`);
