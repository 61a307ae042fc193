import { ReachPage } from '@/features/reach';

export const metadata = { title: 'Reach' };

export default function Page() {
  return <ReachPage />;
}
