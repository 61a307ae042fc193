import { NextPage } from '@/features/next';

export const metadata = { title: 'Next' };

export default function Page() {
  return <NextPage />;
}
