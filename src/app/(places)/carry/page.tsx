import { CarryPlace } from '@/features/carry';

export const metadata = { title: 'Carry' };

export default function CarryPage() {
  return <CarryPlace />;
}
