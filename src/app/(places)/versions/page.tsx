import { VersionsPlace } from '@/features/keeping';

export default function Page() {
  return <VersionsPlace />;
}
