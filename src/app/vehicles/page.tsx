import type { Metadata } from 'next';
import { VehiclesScreen } from '@/features/vehicles/VehiclesScreen';

export const metadata: Metadata = { title: 'Vehicles' };

export default function VehiclesPage() {
  return <VehiclesScreen />;
}
