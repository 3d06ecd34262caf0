import { ShopScreen } from '@/features/report/shop/ShopScreen';

export default function ShopReportPage() {
  return <ShopScreen />;
}
