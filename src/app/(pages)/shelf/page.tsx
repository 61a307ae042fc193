import { ShelfPage } from '@/features/shelf';

export const metadata = { title: 'Shelf' };

export default function Page() {
  return <ShelfPage />;
}
