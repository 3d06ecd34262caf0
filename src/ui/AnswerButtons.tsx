'use client';

import { useUnits } from './units';

/** Answers to one question as buttons; the chosen one again takes it back. */
export function AnswerButtons({
  label,
  answers,
  chosen,
  large = false,
  onChoose,
}: {
  label: string;
  answers: readonly string[];
  chosen: number | null;
  large?: boolean;
  onChoose: (index: number | null) => void;
}) {
  const { say } = useUnits();
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-2">
      {answers.map((answer, i) => (
        <button
          key={answer}
          type="button"
          aria-pressed={chosen === i}
          className={`btn ${large ? 'min-h-20 flex-1 btn-xl' : 'min-h-11'} ${chosen === i ? 'btn-neutral' : 'btn-outline'}`}
          onClick={() => onChoose(chosen === i ? null : i)}
        >
          {say(answer)}
        </button>
      ))}
    </div>
  );
}
