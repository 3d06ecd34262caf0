import type { ReactNode } from 'react';

const RULE = { caution: 'border-l-4 border-warning', danger: 'border-l-8 border-error font-semibold' } as const;

/** Words that must not be missed, with a coloured rule at their left. */
export function Caution({
  kind = 'caution',
  role,
  className = '',
  testId,
  children,
}: {
  kind?: keyof typeof RULE;
  role?: 'alert';
  className?: string;
  testId?: string;
  children: ReactNode;
}) {
  return (
    <p role={role} data-testid={testId} className={`pl-3 leading-snug ${RULE[kind]} ${className}`}>
      {children}
    </p>
  );
}
