'use client';

import { useEffect, useState } from 'react';
import { Button } from '@/ui';
import { logText } from '@/text';
import type { Asked } from './useAsked';

const t = logText.page;

/** Work that lasts longer can be cancelled. */
const LONG_MS = 1000;

/** Says of an answer that it is worked out, was cancelled, or failed; nothing once it is there. */
export function Working({
  asked: { error, thinking, isCancelled, cancel, again },
}: {
  asked: Asked<unknown>;
}) {
  if (error !== null) return <p role="alert">{t.failed(error)}</p>;
  if (thinking) return <UnderWay onCancel={cancel} />;
  if (!isCancelled) return null;
  return (
    <p role="status" className="flex items-center gap-3">
      {t.cancelled}
      <Button onClick={again}>{t.workItOut}</Button>
    </p>
  );
}

function UnderWay({ onCancel }: { onCancel: () => void }) {
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsLong(true), LONG_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <p className="flex items-center gap-3 text-soft">
      {t.working}
      {isLong && <progress aria-label={t.working} />}
      {isLong && <Button onClick={onCancel}>{t.cancel}</Button>}
    </p>
  );
}
