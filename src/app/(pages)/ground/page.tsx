import { GroundPage } from '@/features/ground';

export const metadata = { title: 'Ground' };

export default function Page() {
  return <GroundPage />;
}
