'use client';

import { SerwistProvider, useSerwist } from '@serwist/turbopack/react';
import { type ReactNode, useEffect } from 'react';

/** Keeps the application for where there is no network, after a first visit. */
export function Offline({ children }: { children: ReactNode }) {
  return (
    <SerwistProvider
      swUrl="/serwist/sw.js"
      options={{ scope: '/' }}
      disable={process.env.NODE_ENV === 'development'}
      reloadOnOnline={false}
      cacheOnNavigation={false}
      register={false}
    >
      <KeepLater />
      {children}
    </SerwistProvider>
  );
}

/** Everything is kept only once the first answer is due: what is waited for comes first. */
const KEEP_AFTER_MS = 2500;

function KeepLater() {
  const { serwist } = useSerwist();
  useEffect(() => {
    const timer = setTimeout(() => void serwist?.register(), KEEP_AFTER_MS);
    return () => clearTimeout(timer);
  }, [serwist]);
  return null;
}
