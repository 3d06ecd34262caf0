'use client';

import { remarkText, type Finding, type Remark } from '@/core/judge';
import { useUnits } from '@/ui/units';

/** What speaks for a finding; sentences with a place show it in the picture. */
export function WhyList({
  why,
  pointed,
  onPoint,
}: {
  why: Finding['why'];
  /** The remark whose place is shown; null for none. */
  pointed: Remark | null;
  onPoint: (remark: Remark | null) => void;
}) {
  const { say } = useUnits();
  return (
    <ol className="mt-2 space-y-3 leading-snug" data-testid="why">
      {why.map((remarks, i) => (
        <li key={i}>
          {remarks.map((remark) =>
            remark.at_s === null ? (
              <span key={remark.kind}>{say(remarkText(remark))} </span>
            ) : (
              <button
                key={remark.kind}
                type="button"
                title="Show where"
                aria-pressed={remark === pointed}
                className={`inline text-left underline decoration-base-content/50 decoration-dotted underline-offset-4 bay:inline-block bay:min-h-11 ${remark === pointed ? 'font-semibold decoration-solid' : ''}`}
                onClick={() => onPoint(remark === pointed ? null : remark)}
              >
                {say(remarkText(remark))}{' '}
              </button>
            ),
          )}
        </li>
      ))}
    </ol>
  );
}
