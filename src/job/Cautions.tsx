import { CAUTIONS, type CautionId } from '@/core/cautions';
import { Caution } from '@/ui/Caution';

/** The cautions of a step, in their one wording. */
export function Cautions({ of, className = '' }: { of: readonly CautionId[]; className?: string }) {
  if (of.length === 0) return null;
  return <Caution className={`text-sm ${className}`}>{of.map((id) => CAUTIONS[id]).join(' ')}</Caution>;
}
