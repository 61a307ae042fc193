'use client';

import dynamic from 'next/dynamic';
import { useOnceAnswered } from '@/session';

const KeptOffline = dynamic(() => import('./KeptOffline').then((m) => m.KeptOffline), {
  ssr: false,
});

/** How long after the first answer everything is kept, ms. */
const KEEP_AFTER_MS = 500;

/** Keeps the application for where there is no network, after a first visit. */
export function Offline() {
  const due = useOnceAnswered(KEEP_AFTER_MS);
  return due && process.env.NODE_ENV !== 'development' ? <KeptOffline /> : null;
}
