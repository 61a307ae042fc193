import { ReachPlace } from '@/features/reach';

export const metadata = { title: 'Reach' };

export default function ReachPage() {
  return <ReachPlace />;
}
