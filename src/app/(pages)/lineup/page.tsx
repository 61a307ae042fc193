import { LineupPage } from '@/features/lineup';

export const metadata = { title: 'Lineup' };

export default function Page() {
  return <LineupPage />;
}
