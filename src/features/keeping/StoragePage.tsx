'use client';

import { format } from 'date-fns';
import { useCallback, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { type AsideEntry, BIN_DAYS, type OutingEntry, setAside } from '@/document/live';
import { download, type Library, useSession, useSessionState } from '@/session';
import { Button, notify } from '@/ui';
import { asideText, counted, keepingText } from '@/text';
import { UnderWay } from '@/parts';
import { Restore } from './Restore';
import { Room } from './Room';
import { DAY_MS } from '@/core/units';

const t = keepingText.storagePage;

/** What this browser keeps, how safe it is, and the ways to keep it elsewhere and get it back. */
export function StoragePage() {
  return (
    <div className="max-w-4xl space-y-8 pt-4">
      <h1 className="text-xl">{t.backupAndStorage}</h1>
      <Room />
      <BackupSection />
      <Bin />
      <Asides />
    </div>
  );
}

function BackupSection() {
  const { backups } = useSession();
  const [working, setWorking] = useState<AbortController | null>(null);
  const save = async () => {
    const control = new AbortController();
    setWorking(control);
    try {
      const bytes = await (await backups()).pack(control.signal);
      const day = format(new Date(), 'yyyy-MM-dd');
      download(`arm-reach-${day}.zip`, new Blob([bytes as BlobPart]), 'application/zip');
    } catch {
      if (control.signal.aborted) notify(t.notPacked);
      else notify(t.couldntMakeTheBackup, { description: t.exportTheOpenOutingInstead });
    }
    setWorking(null);
  };
  return (
    <section aria-labelledby="backup" className="space-y-3">
      <h2 id="backup" className="border-b border-ink text-lg">
        {t.backup}
      </h2>
      <p className="max-w-prose">{t.oneZipWithAllOutings}</p>
      <div className="flex flex-wrap gap-2">
        {working ? (
          <div role="status">
            <UnderWay what={t.packing} onCancel={() => working.abort()} />
          </div>
        ) : (
          <Button look="strong" onClick={() => void save()}>
            {t.saveABackup}
          </Button>
        )}
        <Restore />
      </div>
      <Folder />
    </section>
  );
}

function Folder() {
  const { folder } = useSession();
  const { possible, name, state, writtenAt } = useStore(folder.state);
  if (!possible)
    return <p className="max-w-prose text-[13px] text-soft">{t.thisBrowserCantWriteInto}</p>;
  if (state === 'none')
    return (
      <p className="flex flex-wrap items-center gap-3">
        <Button onClick={() => void folder.choose()}>{t.keepABackupInA}</Button>
        <span className="text-soft">{t.itIsWrittenAgainWithin}</span>
      </p>
    );
  return (
    <p className="flex flex-wrap items-center gap-3">
      <span role="status" className={state === 'failed' ? 'text-wrong' : ''}>
        {state === 'asks' && t.theBrowserNeedsYourPermission(name)}
        {state === 'failed' && t.couldntWriteTheBackupIn(name)}
        {state === 'kept' &&
          t.aBackupIsKeptIn(name, writtenAt === null ? null : format(writtenAt, 'HH:mm:ss'))}
      </span>
      {state !== 'kept' && <Button onClick={() => void folder.allow()}>{t.allow}</Button>}
      <Button look="quiet" onClick={() => void folder.forget()}>
        {t.stop}
      </Button>
    </p>
  );
}

function Bin() {
  const { library } = useSession();
  const [entries, setEntries] = useState<readonly OutingEntry[]>([]);
  const look = useCallback(
    () =>
      library()
        .then((l) => l.bin())
        .then(setEntries),
    [library],
  );
  const put = (work: (of: Library) => Promise<void>) => library().then(work).then(look);
  useEffect(() => void look(), [look]);
  const [now] = useState(Date.now);
  const left = ({ deletedAt }: OutingEntry) =>
    Math.max(0, Math.ceil(BIN_DAYS - (now - (deletedAt ?? 0)) / DAY_MS));
  return (
    <section aria-labelledby="bin" className="space-y-2">
      <h2 id="bin" className="border-b border-ink text-lg">
        {t.bin}
      </h2>
      {entries.length === 0 ? (
        <p className="text-soft">{t.emptyDeletedOutingsStayHere(BIN_DAYS)}</p>
      ) : (
        <ul>
          {entries.map((entry) => (
            <li
              key={entry.key}
              className="flex flex-wrap items-center gap-3 border-b border-hair py-1.5"
            >
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold">{entry.name}</span>
                <span className="block text-[12px] text-soft">
                  {t.deletedLeft(
                    format(entry.deletedAt ?? 0, 'd MMM yyyy, HH:mm'),
                    counted(left(entry), 'day'),
                  )}
                </span>
              </span>
              <Button
                onClick={() =>
                  void put((l) => l.restore(entry.key)).then(() =>
                    notify(t.isBackUnderOutings(entry.name)),
                  )
                }
              >
                {t.restore}
              </Button>
              <Button look="quiet" onClick={() => void put((l) => l.destroy(entry.key))}>
                {t.deleteForGood}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Asides() {
  const { host, state } = useSession();
  const asides = useSessionState((s) => s.asides);
  const discard = async (entry: AsideEntry) => {
    const keep = state.getState().asides.filter((a) => a.id !== entry.id);
    await host.stores.aside.remove(entry.id);
    state.setState({ asides: keep });
    notify(t.discardedTheUnreadableData, {
      action: {
        label: t.undo,
        onClick: () =>
          void setAside(host, entry).then(() => state.setState({ asides: [...keep, entry] })),
      },
    });
  };
  if (asides.length === 0) return null;
  return (
    <section aria-labelledby="aside" className="space-y-2">
      <h2 id="aside" className="border-b border-ink text-lg">
        {t.unreadableDataSetAside}
      </h2>
      <ul>
        {asides.map((entry) => (
          <li
            key={entry.id}
            className="flex flex-wrap items-center gap-3 border-b border-hair py-1.5"
          >
            <span className="min-w-0 flex-1">
              <span className="font-semibold">{entry.name}</span>
              <span className="block text-[13px] text-soft">
                {format(entry.at, 'd MMM yyyy, HH:mm')}: {asideText(entry.reason)}
              </span>
            </span>
            <Button onClick={() => download('set-aside.json', entry.text, 'application/json')}>
              {t.download}
            </Button>
            <Button look="quiet" onClick={() => void discard(entry)}>
              {t.discard}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
