import * as Comlink from 'comlink';
import { monitorsOf } from '@/core/judge';
import { predictPlan, proposePlans, ratingEffect, simulatedDrive } from '@/core/planning';
import { drawPractice, drivePractice } from '@/core/practice';
import type { PlanWorkerApi } from './planProtocol';
import { caught, drain } from './workerBug';

/** The same vehicle of its kind for every cause: only the fault differs. */
const PLANNED_SEED = 11;

const api: PlanWorkerApi = {
  predict: (vehicle, plan, causes, monitors, onProgress) =>
    caught(() => drain(predictPlan(vehicle, plan, causes, { monitors }), onProgress)),
  simulate: (vehicle, plan, cause, seed) => caught(() => simulatedDrive(vehicle, plan, cause, seed)),
  warmUpCodes: (vehicle, plan, causes, settings) =>
    caught(() =>
      causes.map((cause) => ({
        cause,
        result: monitorsOf(simulatedDrive(vehicle, plan, cause, PLANNED_SEED), vehicle, settings)[0]!,
      })),
    ),
  rating: (vehicle, fitted_c, settings, onProgress) =>
    caught(() => drain(ratingEffect(vehicle, fitted_c, settings), onProgress)),
  drawPractice: (level, number) => caught(() => drawPractice(level, number)),
  drivePractice: (sheet, plan, nth) => caught(() => drivePractice(sheet, plan, nth)),
  propose: (vehicle, plan, causes, onProgress) => caught(() => drain(proposePlans(vehicle, plan, causes), onProgress)),
};

Comlink.expose(api);
