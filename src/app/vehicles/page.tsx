import { VehiclesScreen } from '@/features/vehicles/VehiclesScreen';

export default function VehiclesPage() {
  return <VehiclesScreen />;
}
