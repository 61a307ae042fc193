'use client';

import { useEffect, useState } from 'react';
import { Button } from '@/ui';
import { partsText } from '@/text';

const t = partsText.underWay;

/** Work that lasts longer can be cancelled, ms. */
const LONG_MS = 1000;

interface UnderWayProps {
  /** What is being done, as it is said. */
  readonly what: string;
  readonly cancel?: string;
  /** How much of it is done, 0 to 1; null where nobody knows. */
  readonly share?: number | null;
  readonly onCancel: () => void;
}

/** Says that something is being done; once that lasts, how far it is, with a way to end it. */
export function UnderWay({ what, cancel = t.cancel, share = null, onCancel }: UnderWayProps) {
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsLong(true), LONG_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <p className="flex items-center gap-3 text-soft">
      {what}
      {isLong && <progress aria-label={what} value={share ?? undefined} />}
      {isLong && <Button onClick={onCancel}>{cancel}</Button>}
    </p>
  );
}
