import * as Comlink from 'comlink';
import { predictPlan, proposePlans, simulatedDrive } from '@/core/planning';
import type { PlanWorkerApi } from './planProtocol';
import { caught, drain } from './workerBug';

const api: PlanWorkerApi = {
  predict: (vehicle, plan, causes, onProgress) => caught(() => drain(predictPlan(vehicle, plan, causes), onProgress)),
  simulate: (vehicle, plan, cause, seed) => caught(() => simulatedDrive(vehicle, plan, cause, seed)),
  propose: (vehicle, plan, causes, onProgress) => caught(() => drain(proposePlans(vehicle, plan, causes), onProgress)),
};

Comlink.expose(api);
