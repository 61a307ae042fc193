'use client';

import { SerwistProvider } from '@serwist/turbopack/react';

/** Has the browser keep the application for where there is no network. */
export function KeptOffline() {
  return (
    <SerwistProvider
      swUrl="/serwist/sw.js"
      options={{ scope: '/' }}
      reloadOnOnline={false}
      cacheOnNavigation={false}
    >
      {null}
    </SerwistProvider>
  );
}
