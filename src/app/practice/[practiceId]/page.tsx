import type { Metadata } from 'next';
import { PracticeCaseScreen } from '@/features/practice/PracticeCaseScreen';

export const metadata: Metadata = { title: 'Practice case' };

export default async function Page({ params }: { params: Promise<{ practiceId: string }> }) {
  const { practiceId } = await params;
  return <PracticeCaseScreen key={practiceId} id={practiceId} />;
}
