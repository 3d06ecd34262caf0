import type { Vehicle } from '../base';
import { CATALOGUE, type CatalogueItem } from '../evidence';
import type { CurvePoint } from '../sender';

/** What is known of the car beside its chronicle: correcting it corrects every line. */
export interface CaseVehicle {
  readonly vehicle: Vehicle;
  /** Points of its own sender's curve; fewer than three: not known. */
  readonly senderPoints: readonly CurvePoint[];
}

/** What lines are derived with. */
export interface LineContext extends CaseVehicle {
  readonly catalogue: readonly CatalogueItem[];
  /** Reading of a logged drive at a moment, °C; null where it has none near it. */
  readonly readingAt?: (traceId: string, at_s: number) => number | null;
}

/** A context of a vehicle of which nothing more is known, with the shipped catalogue. */
export const lineContext = (vehicle: Vehicle): LineContext => ({ vehicle, senderPoints: [], catalogue: CATALOGUE });
