'use client';

import { GENTLE_FLUSH } from '@/core/procedure';
import { ProcedureRunner } from '../runner/ProcedureRunner';
import { RunnerFoot } from '../runner/RunnerFoot';
import { useProcedureRun } from '../runner/useProcedureRun';

/** Gentle cycles, step by step, with their times. */
export function GentleFlush() {
  const hand = useProcedureRun('flush', GENTLE_FLUSH);
  return (
    <div className="border-t-2 border-base-content pt-3">
      <ProcedureRunner
        procedure={GENTLE_FLUSH}
        run={hand.run}
        now={hand.now}
        elapsed_s={hand.elapsed_s}
        actions={hand.actions}
        onStep={hand.signal}
      />
      <RunnerFoot hand={hand} />
    </div>
  );
}
