import type { ReactNode } from 'react';
import { Workspace } from '@/features/workspace';

export default function PlacesLayout({ children }: { children: ReactNode }) {
  return <Workspace>{children}</Workspace>;
}
