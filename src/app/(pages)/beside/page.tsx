import { BesidePage } from '@/features/beside';

export const metadata = { title: 'Side by side' };

export default function Page() {
  return <BesidePage />;
}
