import { ShopScreen } from '@/features/report/ShopScreen';

export default function ShopReportPage() {
  return <ShopScreen />;
}
