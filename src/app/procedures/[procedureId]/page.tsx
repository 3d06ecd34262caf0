import { ProcedureEditor } from '@/features/repair/procedures/ProcedureEditor';

export default async function ProcedurePage({ params }: { params: Promise<{ procedureId: string }> }) {
  const { procedureId } = await params;
  return <ProcedureEditor key={procedureId} id={procedureId} />;
}
