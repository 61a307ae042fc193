import { StoragePlace } from '@/features/keeping';

export default function Page() {
  return <StoragePlace />;
}
