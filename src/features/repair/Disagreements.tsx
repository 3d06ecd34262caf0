import { REPAIR_SCHOOLS, type RepairSchool } from '@/core/repair';
import { SchoolList } from '@/job/SchoolList';

/** The disagreements that bear on one part of the repair. */
export function Disagreements({
  at,
  more = [],
}: {
  at: RepairSchool['at'];
  more?: Parameters<typeof SchoolList>[0]['schools'];
}) {
  return <SchoolList className="print:hidden" schools={[...REPAIR_SCHOOLS.filter((s) => s.at === at), ...more]} />;
}
