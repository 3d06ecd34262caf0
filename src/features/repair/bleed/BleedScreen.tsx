'use client';

import { engineTime_s, type Procedure } from '@/core/procedure';
import { Cautions } from '@/job/Cautions';
import { useRepair } from '@/job/useRepair';
import { Disagreements } from '../Disagreements';
import { useProcedureRun } from '../runner/useProcedureRun';
import { AirPanel } from './AirPanel';
import { BleedRun } from './BleedRun';
import { CloseRepair } from './CloseRepair';
import { ProcedurePick } from './ProcedurePick';
import { useOpeningDue } from './useOpeningDue';
import { useWarmUpSeen } from './useWarmUpSeen';
import { WarmUpPanel } from './WarmUpPanel';

/** Stands in while none is chosen: it is never run. */
const NONE: Procedure = {
  ...{ id: '', name: '', use: 'bleed', variant: '', source: '', page: '', conditions: [] },
  ...{ stop_c: null, minimum_l: null, steps: [] },
};

/** Getting the air out: the procedure step by step, the opening by the model, and the verdict by cold levels. */
export function BleedScreen() {
  const { sheet } = useRepair();
  const procedure = sheet.bleed.procedure ?? NONE;
  const hand = useProcedureRun('bleed', procedure);
  const due = useOpeningDue();
  const filledAt = sheet.drain.lines.filter((x) => x.kind === 'added').at(-1)?.at ?? null;
  const seen = useWarmUpSeen(filledAt);
  const begun = hand.running || hand.elapsed_s > 0;
  return (
    <div className="mt-4 space-y-8">
      <ProcedurePick locked={begun} />
      {sheet.bleed.procedure && <BleedRun procedure={procedure} hand={hand} due={due} />}
      <div className="grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
        <AirPanel />
        <div className="space-y-8">
          <WarmUpPanel due={due} seen={seen} warm_s={engineTime_s(procedure, hand.run, hand.elapsed_s)} />
          <CloseRepair />
          <Disagreements at="bleed" />
          <Cautions of={['maker-first']} />
        </div>
      </div>
    </div>
  );
}
