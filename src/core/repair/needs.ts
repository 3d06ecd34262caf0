import type { Vehicle } from '../base';
import { workSpec, type WorkKind } from '../case';
import type { PlannedPart, RepairPlan } from './sheet';

/** A part that a kind of work usually fits. */
interface UsualPart {
  readonly name: string;
  /** Rating, build, seal and vent matter for it. */
  readonly thermostat?: true;
}

/** Parts by work; the seal is a line of its own until somebody knows that it comes along. */
const PARTS: Readonly<Partial<Record<WorkKind, readonly UsualPart[]>>> = {
  'replaced-thermostat': [{ name: 'Thermostat', thermostat: true }, { name: 'Seal of the thermostat' }],
  'replaced-seal': [{ name: 'Seal of the thermostat' }],
  'replaced-sender': [{ name: 'Coolant temperature sender' }, { name: 'Seal of the sender' }],
  'replaced-gauge-sender': [{ name: 'Gauge’s own sender' }, { name: 'Seal of the sender' }],
  'replaced-radiator': [{ name: 'Radiator' }, { name: 'Hose clamps' }],
  'replaced-pump': [{ name: 'Water pump' }, { name: 'Seal of the pump' }, { name: 'Belt' }],
  'replaced-cap': [{ name: 'Pressure cap, stamped as specified' }],
  'mended-fan': [{ name: 'Fuse of the same rating' }],
};

/** Consumables of opening a cooling system. */
const CONSUMABLES = [
  'Rags and pads',
  'Bag over belt and alternator',
  'Labels and tape',
  'Gloves and goggles',
  'Funnel',
] as const;
/** Tools of it. */
const TOOLS = [
  'Tray wider than the engine',
  'Jug with marks',
  'Clean container with a lid',
  'Tube for the tap',
  'Clamp pliers',
  'Torque wrench',
  'Mirror, magnet, light',
  'Thermometer or infrared',
] as const;
const RAISED = ['Trolley jack, stands, chocks'] as const;
/** What breaks on the way, to have ready. */
const AT_RISK = ['Clips of the undertray', 'Spring clamps', 'Locks of plugs'] as const;
const AT_RISK_OLD = ['Hoses at the housing', 'Plastic necks', 'Bleed screw', 'Drain plug with its seal'] as const;
/** Distance from which plastic and rubber count as old, km; a working figure. */
const OLD_KM = 120_000;

/** Groups of the pick list. */
export interface PickGroup {
  readonly name: 'Parts' | 'Coolant' | 'Consumables' | 'Tools' | 'Have ready, may break';
  readonly lines: readonly { readonly key: string; readonly says: string }[];
}

const blank = (id: string, name: string, work: WorkKind): PlannedPart => ({
  ...{ id, name, work, rated_c: null, build: null, source: null, sealIncluded: null, vent: null, price: null },
  ...{ deposit: null, depositBackAt: null, waitDays: null, warrantyUntil: '', note: '' },
});

/** Parts that the planned work usually takes and the plan does not have yet. @param newId makes an id for each */
export function missingParts(plan: RepairPlan, vehicle: Vehicle, newId: () => string): PlannedPart[] {
  return plan.works.flatMap((work) =>
    (PARTS[work] ?? [])
      .filter((usual) => !plan.parts.some((p) => p.work === work && p.name === usual.name))
      .map((usual) => ({
        ...blank(newId(), usual.name, work),
        ...(usual.thermostat ? { rated_c: vehicle.thermostat.rated_c } : {}),
      })),
  );
}

/** True for a part whose rating, build and vent matter. */
export const isThermostat = (part: PlannedPart): boolean =>
  part.work !== null && (PARTS[part.work] ?? []).some((u) => u.thermostat && u.name === part.name);

/** True where planned work opens the cooling system. */
export const opensSystem = (works: readonly WorkKind[]): boolean => works.some((w) => workSpec(w).opens);

/** Everything to lay out before the first bolt, in groups. */
export function pickList(
  plan: RepairPlan,
  about: { readonly mileage_km: number | null; readonly raise: boolean; readonly coolantLine: string | null },
): PickGroup[] {
  const opens = opensSystem(plan.works);
  const line = (says: string) => ({ key: says, says });
  const lines = (says: readonly string[]) => says.map(line);
  const sealAlong = plan.parts.some((p) => isThermostat(p) && p.sealIncluded === true);
  const parts = plan.parts
    .filter((p) => !(sealAlong && p.name === 'Seal of the thermostat'))
    .map((p) => ({ key: p.id, says: p.name }));
  const old = about.mileage_km !== null && about.mileage_km >= OLD_KM;
  const groups: PickGroup[] = [
    { name: 'Parts', lines: parts },
    { name: 'Coolant', lines: about.coolantLine === null ? [] : [line(about.coolantLine)] },
    { name: 'Consumables', lines: opens ? lines(CONSUMABLES) : lines(['Rags and pads', 'Gloves and goggles']) },
    { name: 'Tools', lines: lines([...(opens ? TOOLS : []), ...(about.raise ? RAISED : []), ...plan.ownTools]) },
    { name: 'Have ready, may break', lines: opens ? lines([...AT_RISK, ...(old ? AT_RISK_OLD : [])]) : [] },
  ];
  return groups.filter((g) => g.lines.length > 0);
}

/** What is not known of a part, or does not fit, in words. */
export function partDoubts(part: PlannedPart, vehicle: Vehicle): string[] {
  const found: string[] = [];
  if (isThermostat(part)) {
    if (part.rated_c === null) found.push('Rating not known: read the stamp or the box.');
    if (part.sealIncluded === null) found.push('Seal included? A missing seal can be the whole fault.');
    if (part.vent === null) found.push('Vent valve present? A cheap part without one traps air.');
    if (part.vent === false) found.push('Without a vent: air stays behind the shut valve. Bleed by another way.');
    if (vehicle.thermostat.heated && part.build === 'insert') {
      found.push('This car’s is electrically heated: an insert has no element and sets its circuit code.');
    }
  }
  if (part.deposit !== null && part.deposit > 0 && part.depositBackAt === null) {
    found.push('Deposit paid: send the old part back.');
  }
  return found;
}

/** Digits and letters only: labels write the same text in many ways. */
const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** Whether new coolant may go onto the old: by approval text, never by colour. */
export function coolantFit(inCar: string, fresh: string): { readonly fits: boolean | null; readonly says: string } {
  const [old, next] = [plain(inCar), plain(fresh)];
  if (next === '')
    return {
      fits: null,
      says: 'Take the approval text from handbook or cap, and find it on the container. Colour is dye.',
    };
  if (old === '')
    return {
      fits: null,
      says: 'What is in the car is not known: drain and flush it out, or do not top up with another.',
    };
  if (old === next) return { fits: true, says: 'The same approval text on both.' };
  return { fits: false, says: 'Two approval texts: do not mix families. Flush the old one out first.' };
}
