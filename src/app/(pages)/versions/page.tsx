import { VersionsPage } from '@/features/keeping';

export default function Page() {
  return <VersionsPage />;
}
