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
  answers: readonly { readonly key: string; readonly says: string }[];
  /** Key of the answer that stands; null while none does. */
  chosen: string | null;
  large?: boolean;
  /** The chosen one again takes it back: the caller is told its key either way. */
  onChoose: (key: string) => void;
}) {
  const { say } = useUnits();
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-2">
      {answers.map(({ key, says }) => (
        <button
          key={key}
          type="button"
          aria-pressed={chosen === key}
          className={`btn ${large ? 'min-h-20 flex-1 btn-xl' : 'min-h-11'} ${chosen === key ? 'btn-neutral' : 'btn-outline'}`}
          onClick={() => onChoose(key)}
        >
          {say(says)}
        </button>
      ))}
    </div>
  );
}
