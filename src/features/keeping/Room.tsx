'use client';

import { useEffect, useState } from 'react';
import { Button } from '@/ui';
import { keepingText } from '@/text';

const t = keepingText.room;

interface Figures {
  readonly usedBytes: number;
  readonly roomBytes: number;
  readonly lasting: boolean;
}

/** How much room is used and left, and whether the browser may clear it by itself. */
export function Room() {
  const [figures, setFigures] = useState<Figures | null | 'unknown'>(null);
  const look = () => void roomNow().then(setFigures);
  useEffect(() => {
    let gone = false;
    void roomNow().then((now) => gone || setFigures(now));
    return () => {
      gone = true;
    };
  }, []);
  return (
    <section aria-labelledby="room" className="space-y-2">
      <h2 id="room" className="border-b border-ink text-lg">
        {t.storageInThisBrowser}
      </h2>
      {figures === null && <p role="status">{t.looking}</p>}
      {figures === 'unknown' && <p>{t.thisBrowserDoesntSayHow}</p>}
      {figures !== null && figures !== 'unknown' && (
        <Known {...figures} onAsk={() => void navigator.storage.persist().then(look)} />
      )}
    </section>
  );
}

async function roomNow(): Promise<Figures | 'unknown'> {
  try {
    const [{ usage, quota }, lasting] = await Promise.all([
      navigator.storage.estimate(),
      navigator.storage.persisted(),
    ]);
    if (usage === undefined || quota === undefined) return 'unknown';
    return { usedBytes: usage, roomBytes: quota, lasting };
  } catch {
    return 'unknown';
  }
}

function Known({ usedBytes, roomBytes, lasting, onAsk }: Figures & { onAsk: () => void }) {
  const share = roomBytes === 0 ? 100 : (100 * usedBytes) / roomBytes;
  return (
    <>
      <p>
        {t.usedLeftTheApplicationItself(
          sizeText(usedBytes),
          sizeText(Math.max(0, roomBytes - usedBytes)),
        )}
      </p>
      <div
        role="meter"
        aria-label={t.storageUsed}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(share)}
        className="h-2 max-w-md border border-ink"
      >
        <div
          className={`h-full ${share > 90 ? 'bg-wrong' : 'bg-got'}`}
          style={{ width: `${Math.min(100, Math.max(0.5, share))}%` }}
        />
      </div>
      {lasting ? (
        <p>{t.theBrowserHasPromisedTo}</p>
      ) : (
        <p className="flex max-w-prose flex-wrap items-center gap-3">
          {t.theBrowserMayClearYour}
          <Button onClick={onAsk}>{t.askItToKeepYour}</Button>
        </p>
      )}
    </>
  );
}

function sizeText(bytes: number): string {
  if (bytes >= 1e9) return t.gb((bytes / 1e9).toFixed(1));
  return bytes >= 1e6 ? t.mb((bytes / 1e6).toFixed(1)) : t.kb(Math.ceil(bytes / 1e3));
}
