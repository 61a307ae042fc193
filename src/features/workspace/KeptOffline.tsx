'use client';

import { SerwistProvider, useSerwist } from '@serwist/turbopack/react';
import { useEffect } from 'react';
import { useSession } from '@/session';
import { notify } from '@/ui';
import { workspaceText } from '@/text';

const t = workspaceText.keptOffline;

/** Has the browser keep the application for where there is no network. */
export function KeptOffline() {
  return (
    <SerwistProvider
      swUrl="/serwist/sw.js"
      options={{ scope: '/' }}
      reloadOnOnline={false}
      cacheOnNavigation={false}
    >
      <Updates />
    </SerwistProvider>
  );
}

/**
 * Says when a newer application waits, and changes over when the person wants it. A tab out of sight
 * changes over by itself once another tab has; until then its own parts stay where they are.
 */
function Updates() {
  const { serwist } = useSerwist();
  const { keeper } = useSession();
  useEffect(() => {
    if (!serwist) return;
    const changeOver = async () => {
      await keeper.save();
      keeper.leave();
      window.location.reload();
    };
    const waiting = () =>
      notify(t.aNewerArmReachIs, {
        description: t.yourEditsAreSavedFirst,
        stays: true,
        action: { label: t.update, onClick: () => serwist.messageSkipWaiting() },
      });
    const controlling = ({ isUpdate }: { isUpdate?: boolean | undefined }) => {
      if (isUpdate) void changeOver();
    };
    serwist.addEventListener('waiting', waiting);
    serwist.addEventListener('controlling', controlling);
    return () => {
      serwist.removeEventListener('waiting', waiting);
      serwist.removeEventListener('controlling', controlling);
    };
  }, [serwist, keeper]);
  return null;
}
