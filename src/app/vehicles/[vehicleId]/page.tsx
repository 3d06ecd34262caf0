import { VehicleScreen } from '@/features/vehicles/VehicleScreen';

export default async function VehiclePage({ params }: { params: Promise<{ vehicleId: string }> }) {
  const { vehicleId } = await params;
  return <VehicleScreen vehicleId={vehicleId} />;
}
