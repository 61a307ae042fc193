import { CarryPage } from '@/features/carry';

export const metadata = { title: 'Carry' };

export default function Page() {
  return <CarryPage />;
}
