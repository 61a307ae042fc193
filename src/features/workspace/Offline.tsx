'use client';

import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';

const KeptOffline = dynamic(() => import('./KeptOffline').then((m) => m.KeptOffline), {
  ssr: false,
});

/** Everything is kept only once the first answer is due: what is waited for comes first. */
const KEEP_AFTER_MS = 2500;

/** Keeps the application for where there is no network, after a first visit. */
export function Offline() {
  const [due, setDue] = useState(false);
  useEffect(() => {
    if (process.env.NODE_ENV === 'development') return;
    const timer = setTimeout(() => setDue(true), KEEP_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  return due ? <KeptOffline /> : null;
}
