import { BriefPlace } from '@/features/brief';

export const metadata = { title: 'Brief' };

export default function BriefPage() {
  return <BriefPlace />;
}
