import { BriefPage } from '@/features/brief';

export const metadata = { title: 'Brief' };

export default function Page() {
  return <BriefPage />;
}
