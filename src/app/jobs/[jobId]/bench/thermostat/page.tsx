import { ThermostatDesk } from '@/features/bench/thermostat/ThermostatDesk';

export default function ThermostatDeskPage() {
  return <ThermostatDesk />;
}
