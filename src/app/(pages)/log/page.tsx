import { LogPage } from '@/features/log';

export const metadata = { title: 'Log' };

export default function Page() {
  return <LogPage />;
}
