'use client';

import { UnderWay } from '@/parts';
import { Button } from '@/ui';
import { logText } from '@/text';
import type { Asked } from './useAsked';

const t = logText.page;

/** Says of an answer that it is worked out, was cancelled, or failed; nothing once it is there. */
export function Working({
  asked: { error, thinking, isCancelled, cancel, again },
}: {
  asked: Asked<unknown>;
}) {
  if (error !== null) return <p role="alert">{t.failed(error)}</p>;
  if (thinking) return <UnderWay what={t.working} onCancel={cancel} />;
  if (!isCancelled) return null;
  return (
    <p role="status" className="flex items-center gap-3">
      {t.cancelled}
      <Button onClick={again}>{t.workItOut}</Button>
    </p>
  );
}
