import type { Metadata } from 'next';
import { VehicleScreen } from '@/features/vehicles/VehicleScreen';

export const metadata: Metadata = { title: 'Vehicle' };

export default async function VehiclePage({ params }: { params: Promise<{ vehicleId: string }> }) {
  const { vehicleId } = await params;
  return <VehicleScreen vehicleId={vehicleId} />;
}
