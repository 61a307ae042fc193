import { StoragePage } from '@/features/keeping';

export default function Page() {
  return <StoragePage />;
}
