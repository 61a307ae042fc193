import { LineupPlace } from '@/features/lineup';

export const metadata = { title: 'Lineup' };

export default function LineupPage() {
  return <LineupPlace />;
}
