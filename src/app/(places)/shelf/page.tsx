import { ShelfPlace } from '@/features/shelf';

export const metadata = { title: 'Shelf' };

export default function ShelfPage() {
  return <ShelfPlace />;
}
