'use client';

import { format } from 'date-fns';
import { useRef, useState } from 'react';
import { sourceOf } from '@/core/gear';
import { type Backup, type BackupIssue, comparedGear, type NoBackup, same } from '@/document';
import { type Restored, type RestoredOuting, type Restoring, useDesk, useSession } from '@/session';
import { Button, Dialog, FileInput, notify, Tick } from '@/ui';
import { type Choices, readFile, TakingList, UnderWay } from '@/parts';
import { counted, keepingText, notReadText, refusalText } from '@/text';

const t = keepingText.restore;

interface FoundBackup {
  readonly backup: Backup;
  readonly issues: readonly BackupIssue[];
  readonly outings: readonly RestoredOuting[];
}

/** Reads a backup and shows what would change; nothing does until it is told to. */
export function Restore() {
  const { backups } = useSession();
  const input = useRef<HTMLInputElement>(null);
  const [found, setFound] = useState<FoundBackup | null>(null);
  const read = async (chosen: File) => {
    const all = await backups();
    const bytes = new Uint8Array(await chosen.arrayBuffer());
    const done = await readFile('backup', chosen.name, [bytes]);
    if (!done.ok) return notify(t.text(chosen.name, notReadText(done.error)));
    const result = done.value;
    if (!result.ok) return notify(t.text(chosen.name, noBackupText(result.error)));
    const { backup, issues } = result.value;
    setFound({ backup, issues, outings: await all.compare(backup) });
  };
  return (
    <>
      <FileInput
        ref={input}
        label={t.backupToRestore}
        accept=".zip,application/zip"
        onFile={(chosen) => void read(chosen)}
      />
      <Button onClick={() => input.current?.click()}>{t.restoreABackup}</Button>
      {found && <RestoreDialog found={found} onClose={() => setFound(null)} />}
    </>
  );
}

function restoredText({ restored, of, ended }: Restored): string {
  if (ended === 'whole') return t.restored(counted(restored, 'outing'));
  return ended === 'cancelled' ? t.stopped(restored, of) : t.ended(restored, of);
}

function issueText({ file, refusal }: BackupIssue): string {
  switch (refusal) {
    case 'doubled':
      return t.isThereTwice(file);
    case 'damaged':
      return t.cantBeReadAndIs(file, t.isDamaged);
    case 'photographs':
      return t.cantBeReadAndIs(file, t.photographsAreDamaged);
    default:
      return t.cantBeReadAndIs(file, refusalText(refusal));
  }
}

function noBackupText(refusal: NoBackup): string {
  switch (refusal.code) {
    case 'not-zip':
      return t.itIsntAZipOr;
    case 'not-backup':
      return t.itIsntABackupOf;
    case 'too-large':
      return t.itUnpacksToMoreThan(Math.round(refusal.bytes / 1e6));
  }
}

const STATES = {
  new: t.notHere,
  same: t.theSameAsHere,
  differs: t.differsFromTheOneHere,
} as const;

const WAYS: readonly (readonly [Restoring, string])[] = [
  ['both', t.keepBoth],
  ['take', t.useTheBackups],
  ['skip', t.keepTheOneHere],
];

function RestoreDialog({ found, onClose }: { found: FoundBackup; onClose: () => void }) {
  const { backups } = useSession();
  const { shelf, settings } = useDesk();
  const { backup, issues, outings } = found;
  const empty = Object.values(shelf.gear).every((list) => list.length === 0);
  const compared = empty ? [] : comparedGear(backup.shelf.gear, shelf.gear);
  const settingsDiffer = !same(backup.settings, settings);
  const [ways, setWays] = useState<ReadonlyMap<string, Restoring>>(
    new Map(outings.map((o) => [o.id, USUAL[o.state]] as const)),
  );
  const [gear, setGear] = useState<Choices>(
    new Map(compared.map((c) => [c.theirs.id, c.mine ? 'mine' : sourceOf(c.theirs.ownership)])),
  );
  const [takesSettings, setTakesSettings] = useState(empty);
  const [takesPhotographs, setTakesPhotographs] = useState(true);
  const photographs = backup.photographs?.log.count ?? 0;
  const [working, setWorking] = useState<AbortController | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const restore = async () => {
    const control = new AbortController();
    setWorking(control);
    try {
      const choices = {
        outings: ways,
        gear,
        settings: settingsDiffer && takesSettings,
        photographs: takesPhotographs,
      };
      const done = await (
        await backups()
      ).restore(backup, choices, {
        signal: control.signal,
        tell: (restored, of) => setShare(restored / of),
      });
      notify(restoredText(done), { description: t.whatTheyReplacedIsUnder });
      onClose();
    } catch {
      notify(t.notRestoredItCantBe, { description: t.nothingWasReplaced });
      setWorking(null);
    }
  };
  return (
    <Dialog
      wide
      open
      onOpenChange={(isOpen) => {
        if (isOpen) return;
        working?.abort();
        onClose();
      }}
      title={t.restoreABackup2}
      description={t.hereIsWhatItHolds}
    >
      <div className="space-y-4">
        {issues.map((issue, i) => (
          <p key={i} role="alert" className="text-wrong">
            {issueText(issue)}
          </p>
        ))}
        <section>
          <h3 className="border-b border-ink font-semibold">{counted(outings.length, 'outing')}</h3>
          <ul className="max-h-60 overflow-auto" tabIndex={0} aria-label={t.outingsInTheBackup}>
            {outings.map((o) => (
              <Outing
                key={o.id}
                outing={o}
                way={ways.get(o.id) ?? 'skip'}
                onChange={(way) => setWays(new Map([...ways, [o.id, way]]))}
              />
            ))}
          </ul>
        </section>
        {empty ? (
          <p>{t.yourShelfIsEmptySo}</p>
        ) : (
          <TakingList
            compared={compared}
            choices={gear}
            onChange={setGear}
            currencies={{ mine: settings.currency, theirs: backup.settings.currency }}
            shelfOnly
          />
        )}
        {photographs > 0 && (
          <Tick
            label={t.addItsPhotographs(counted(photographs, 'photograph'))}
            on={takesPhotographs}
            onChange={setTakesPhotographs}
          />
        )}
        {settingsDiffer && (
          <Tick label={t.useTheBackupsSettings} on={takesSettings} onChange={setTakesSettings} />
        )}
        <div className="flex justify-end gap-2">
          {working ? (
            <div role="status">
              <UnderWay
                what={t.restoring}
                cancel={t.stop}
                share={share}
                onCancel={() => working.abort()}
              />
            </div>
          ) : (
            <>
              <Button onClick={onClose}>{t.cancel}</Button>
              <Button look="strong" onClick={() => void restore()}>
                {t.restore}
              </Button>
            </>
          )}
        </div>
      </div>
    </Dialog>
  );
}

const USUAL = { new: 'take', same: 'skip', differs: 'both' } as const;

function Outing({
  outing: { name, savedAt, state, hereSavedAt },
  way,
  onChange,
}: {
  outing: RestoredOuting;
  way: Restoring;
  onChange: (way: Restoring) => void;
}) {
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
      <span className="min-w-0 flex-1">
        {name}{' '}
        <span className="text-soft">
          {t.saved(format(savedAt, 'd MMM yyyy, HH:mm'), STATES[state])}
          {state === 'differs' &&
            hereSavedAt !== null &&
            t.saved2(format(hereSavedAt, 'd MMM yyyy, HH:mm'))}
        </span>
      </span>
      {state === 'differs' && (
        <select
          aria-label={t.whatToDoWith(name)}
          value={way}
          onChange={(e) => onChange(e.target.value as Restoring)}
          className="min-h-7 pointer-coarse:min-h-[44px] border border-edge bg-sheet px-1"
        >
          {WAYS.map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      )}
      {state === 'new' && (
        <Tick
          label={t.restore}
          on={way === 'take'}
          onChange={(on) => onChange(on ? 'take' : 'skip')}
        />
      )}
    </li>
  );
}
