import type { Metadata } from 'next';
import { FiguresScreen } from '@/features/figures/FiguresScreen';

export const metadata: Metadata = { title: 'The shop’s own figures' };

export default function Page() {
  return <FiguresScreen />;
}
