import { NewVehicleScreen } from '@/features/vehicles/NewVehicleScreen';

export default function NewVehiclePage() {
  return <NewVehicleScreen />;
}
