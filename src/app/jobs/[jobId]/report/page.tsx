import { CustomerScreen } from '@/features/report/CustomerScreen';

export default function CustomerReportPage() {
  return <CustomerScreen />;
}
