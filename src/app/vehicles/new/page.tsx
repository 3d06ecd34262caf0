import type { Metadata } from 'next';
import { NewVehicleScreen } from '@/features/vehicles/NewVehicleScreen';

export const metadata: Metadata = { title: 'New vehicle' };

export default function NewVehiclePage() {
  return <NewVehicleScreen />;
}
