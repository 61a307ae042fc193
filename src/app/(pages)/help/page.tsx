import { HelpPage } from '@/features/help';

export const metadata = { title: 'Help' };

export default function Page() {
  return <HelpPage />;
}
