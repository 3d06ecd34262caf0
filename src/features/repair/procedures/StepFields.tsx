'use client';

import {
  ENGINE_STATES,
  WAITS,
  type EngineState,
  type Procedure,
  type ProcedureStep,
  type Wait,
} from '@/core/procedure';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';

const WAIT_NAME: Readonly<Record<Wait, string>> = {
  tick: 'until it is done',
  time: 'for a time',
  opening: 'until it opens',
  cold: 'until it is cold',
  level: 'until the level is read',
};
const ENGINE_NAME: Readonly<Record<EngineState, string>> = {
  off: 'off',
  idle: 'idles',
  raised: 'is held at',
  driven: 'is driven',
};
/** Longest step, min: a day. */
const LONGEST_MIN = 1440;

/** The fields of one step. */
export function StepFields({
  procedure,
  at,
  onStep,
}: {
  procedure: Procedure;
  at: number;
  onStep: (to: Partial<ProcedureStep>) => void;
}) {
  const step = procedure.steps[at]!;
  const id = (field: string) => `step-${at}-${field}`;
  const minutes = (key: 'duration_s' | 'least_s' | 'most_s', label: string) => (
    <RangedInput
      id={id(key)}
      label={label}
      family={null}
      unit="min"
      digits={2}
      value={step[key] === null ? null : step[key] / 60}
      low={0.1}
      high={LONGEST_MIN}
      onValue={(min) => onStep({ [key]: Math.round(60 * min) })}
      onEmptied={() => onStep({ [key]: null })}
    />
  );
  const rpm = (key: 'rpmLow' | 'rpmHigh', label: string) => (
    <RangedInput
      id={id(key)}
      label={label}
      family={null}
      unit="rpm"
      digits={0}
      value={step[key]}
      low={300}
      high={12_000}
      onValue={(v) => onStep({ [key]: v })}
      onEmptied={() => onStep({ [key]: null })}
    />
  );
  const choice = (
    key: 'waits' | 'engine' | 'cap' | 'clamp',
    label: string,
    options: readonly (readonly [value: string, name: string])[],
  ) => (
    <label className="block">
      <span className="block leading-tight font-semibold">{label}</span>
      <select
        id={id(key)}
        className="select mt-1 w-40 text-base"
        value={step[key] ?? ''}
        onChange={(e) => onStep({ [key]: e.target.value === '' ? null : e.target.value })}
      >
        {options.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="flex flex-wrap items-start gap-x-4 gap-y-2 pb-3">
      <TextField
        id={id('says')}
        label="What is done"
        className="basis-full"
        most={2000}
        value={step.says}
        onText={(says) => onStep({ says })}
      />
      {choice(
        'waits',
        'Lasts',
        WAITS.map((w) => [w, WAIT_NAME[w]] as const),
      )}
      {step.waits === 'time' ? (
        minutes('duration_s', 'Time')
      ) : (
        <>
          {minutes('least_s', 'At least')}
          {minutes('most_s', 'At most')}
        </>
      )}
      {choice(
        'engine',
        'Engine',
        ENGINE_STATES.map((e) => [e, ENGINE_NAME[e]] as const),
      )}
      {step.engine === 'raised' && (
        <>
          {rpm('rpmLow', 'From')}
          {rpm('rpmHigh', 'To')}
        </>
      )}
      {choice('cap', 'Cap', [
        ['', 'as it is'],
        ['on', 'goes on'],
        ['off', 'comes off'],
      ])}
      {choice('clamp', 'Hose', [
        ['', 'as it is'],
        ['on', 'is pinched'],
        ['off', 'is let go'],
      ])}
      {step.waits !== 'time' && (
        <label className="block">
          <span className="block leading-tight font-semibold">Then back to</span>
          <select
            id={id('backTo')}
            className="select mt-1 w-44 text-base"
            value={step.backTo ?? ''}
            onChange={(e) => onStep({ backTo: e.target.value === '' ? null : Number(e.target.value) })}
          >
            <option value="">no repeat</option>
            {procedure.steps.slice(0, at + 1).map((s, i) => (
              <option key={i} value={i}>
                {i + 1}: {s.says.slice(0, 30)}
              </option>
            ))}
          </select>
        </label>
      )}
      {step.backTo !== null && (
        <>
          <TextField
            id={id('until')}
            label="Until"
            className="min-w-56 flex-1"
            hint="the level stays"
            value={step.until}
            onText={(until) => onStep({ until })}
          />
          <RangedInput
            id={id('mostTimes')}
            label="At most"
            family={null}
            unit="times"
            digits={0}
            value={step.mostTimes}
            low={1}
            high={99}
            onValue={(v) => onStep({ mostTimes: Math.round(v) })}
            onEmptied={() => onStep({ mostTimes: null })}
          />
        </>
      )}
    </div>
  );
}
