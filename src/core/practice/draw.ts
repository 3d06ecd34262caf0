import { isFault, type Cause, type ChannelSet, type Vehicle } from '../base';
import { appliesTo, CATALOGUE, catalogueItem, type CatalogueItem, type ItemId } from '../evidence';
import { drawWorldCar, driveWorldCar, scrambledRandom, type Random, type WorldCar } from '../plant';
import { PLAN_TEMPLATES, type DrivePlan } from '../planning';
import { levelOf, type LevelName } from './level';
import type { Answered, PracticeSheet } from './sheet';

/** Worlds of practice: numbers that neither the exam nor the learned layer met, so that practice says nothing of them. */
const FIRST_WORLD = 5001;
const WORLDS = 400;
const worldNumber = (seed: number): number => FIRST_WORLD + (seed % WORLDS);

/** Seeds stay small enough for further ones beside them. */
const MOST_SEED = 1_000_000;
/**
 * How far a world's answers stand from the shipped table, sd of the logarithm: a factor of 1.5 is usual, as between two
 * people's estimates of the same. Working figure, decision 29.
 */
const OWN_SD = 0.4;
/** Cars drawn at most before the last one is taken as it is. */
const MOST_DRAWS = 40;
/** The sound car of a cold day stays this far below its opening, K; as in the worlds' scenarios. */
const COLD_REACH_K = -2;
/** Statements on a job card at most. */
const MOST_STATEMENTS = 3;

/** A number from words, for a stream of draws of its own. Source: FNV-1a, 32 bit. */
function hashOf(words: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < words.length; i++) h = Math.imul(h ^ words.charCodeAt(i), 0x01000193);
  return h >>> 0;
}

function drawByShare<T extends string>(shares: Readonly<Partial<Record<T, number>>>, random: Random): T {
  const all = Object.entries(shares) as [T, number][];
  let left = random.uniform(
    0,
    all.reduce((sum, [, share]) => sum + share, 0),
  );
  return (all.find(([, share]) => (left -= share) < 0) ?? all[all.length - 1]!)[0];
}

/**
 * How likely each answer is on this car. Every garage's cars answer a little differently from the shipped table: each
 * world has its own, so that Varmek does not play against its own figures.
 */
function answerWeights(item: CatalogueItem, cause: Cause, vehicle: Vehicle, world: number, clearness: number) {
  return item.answers.map((a) => {
    const own = scrambledRandom(hashOf(`${world} ${item.id} ${cause} ${a.key}`), 7).normal(0, OWN_SD);
    return Math.max(1e-6, item.likelihood(a.key, vehicle)[cause]) ** clearness * Math.exp(own);
  });
}

function drawAnswer(
  item: CatalogueItem,
  car: Pick<WorldCar, 'cause' | 'vehicle'>,
  seed: number,
  level: LevelName,
): string {
  const weights = answerWeights(item, car.cause, car.vehicle, worldNumber(seed), levelOf(level).clearness);
  const random = scrambledRandom(hashOf(`${seed} ${item.id}`), 8);
  return drawByShare(Object.fromEntries(item.answers.map((a, i) => [a.key, weights[i]!])), random);
}

/** What the customer says and what is stored: of each only what speaks, as on a job card. */
function drawCard(car: WorldCar, seed: number, level: LevelName): Answered[] {
  const asked = (stage: 'complaint' | 'code') =>
    CATALOGUE.filter((item) => item.stage === stage && appliesTo(item, car.vehicle));
  const speaks = (item: CatalogueItem) => drawAnswer(item, car, seed, level) === 'yes';
  const complaints = asked('complaint');
  const codes = asked('code').filter(speaks);
  const said = complaints.filter(speaks).slice(0, MOST_STATEMENTS);
  // A broken car came in for something: where nothing was drawn, for what its cause brings most often.
  const most = complaints.reduce((best, item) => (yesOn(item, car) > yesOn(best, car) ? item : best));
  const told = said.length === 0 && codes.length === 0 && isFault(car.cause) ? [most] : said;
  return [...told, ...codes].map((item) => ({ item: item.id, answer: 'yes' }));
}

const yesOn = (item: CatalogueItem, { cause, vehicle }: WorldCar): number => item.likelihood('yes', vehicle)[cause];

/** A drive as most drive it, on which cars are chosen for a level. */
const ordinary = (ambient_c: number, heater_pct: number): DrivePlan => ({
  phases: PLAN_TEMPLATES[0]!.phases,
  ambient_c,
  heater_pct,
  startExcess_k: 0,
});

const planned = (plan: DrivePlan, channelSet: ChannelSet, seed: number) => ({ ...plan, channelSet, seed });

/**
 * Draws a practice case: a car of a world with one cause that shows as much as its level asks, the weather of its day,
 * and what stands on its card. Same level and number, same case. Takes as long as a few simulated drives: for a worker.
 */
export function drawPractice(level: LevelName, number: number): PracticeSheet {
  const seed = hashOf(`${level} ${number}`) % MOST_SEED;
  const { causes, sets, leastEffect_k } = levelOf(level);
  const random = scrambledRandom(seed, 9);
  const wanted = drawByShare(causes, random);
  const channelSet = wanted === 'gauge-sender-fault' ? 'full' : drawByShare(sets, random);
  const ambient_c = Math.round(wanted === 'insufficient-heat' ? random.uniform(-22, -4) : random.uniform(-8, 24));
  let car = drawWorldCar(seed, worldNumber(seed), wanted);
  for (let k = 0; k < MOST_DRAWS; k++) {
    car = drawWorldCar(carSeed(seed, k), worldNumber(seed), wanted);
    const heater_pct = wanted === 'insufficient-heat' ? 100 : 40;
    const { effect_k, reach_k } = driveWorldCar(car, planned(ordinary(ambient_c, heater_pct), channelSet, seed));
    const fits = isFault(wanted)
      ? effect_k >= leastEffect_k
      : wanted === 'insufficient-heat'
        ? reach_k < COLD_REACH_K
        : reach_k > 0;
    if (fits) break;
  }
  const vehicle = {
    ...car.vehicle,
    label: `${car.vehicle.engine.displacement_l.toFixed(1)} ${car.vehicle.engine.fuel}`,
  };
  return {
    schema: 'varmek-practice/1',
    source: { kind: 'drawn', level, seed: car.seed, channelSet },
    vehicle,
    ambient_c,
    given: drawCard(car, car.seed, level),
    truth: { causes: [wanted], way: car.way },
    steps: [],
    endedAt: null,
  };
}

/** Draws of one case keep its world. */
const carSeed = (seed: number, k: number): number => seed + k * WORLDS;

/** What a test finds on the car of a case; null where nobody can say. */
export function answerTo(sheet: PracticeSheet, id: ItemId): string | null {
  const { source, vehicle, truth } = sheet;
  if (source.kind === 'job') return source.answers.find((a) => a.item === id)?.answer ?? null;
  return drawAnswer(catalogueItem(id), { cause: truth.causes[0]!, vehicle }, source.seed, source.level);
}

/**
 * Drives the car of a drawn case as planned.
 *
 * @param nth which drive of the case, from 0: each has traffic of its own
 * @throws {RangeError} for a case from a job, whose drive is kept
 */
export function drivePractice(sheet: PracticeSheet, plan: DrivePlan, nth: number) {
  const { source, truth, ambient_c } = sheet;
  if (source.kind === 'job') throw new RangeError('drivePractice: the car of a job is not here to be driven');
  const { seed, channelSet } = source;
  const car = drawWorldCar(seed, worldNumber(seed), truth.causes[0]!);
  const drive = planned({ ...plan, ambient_c: ambient_c ?? plan.ambient_c }, channelSet, seed + 1 + nth);
  return driveWorldCar(car, drive).trace;
}
