'use client';

import { useEffect, useState } from 'react';
import { apertureEnds } from '@/core/gear';
import { addGear, alreadyOn, editGear, fittingGear, shelfIds } from '@/document';
import { type DatabaseCamera, type DatabaseLens, gearFromDatabase } from '@/document/formats';
import { useEditDesk, useHistory, useKnownGear } from '@/session';
import { Button, Dialog, notify, TextField, Sentence } from '@/ui';
import { formatFNumbers, formatFocalRange, leftOutText, shelfText } from '@/text';

const t = shelfText.lookUp;

interface FoundGear {
  readonly count: number;
  readonly lenses: readonly DatabaseLens[];
  readonly cameras: readonly DatabaseCamera[];
  readonly more: number;
}
type LookUpAnswer = FoundGear | 'missing' | 'failed' | null;

interface LookUpProps {
  readonly open: boolean;
  readonly onClose: () => void;
  /** Opens files of the database instead. */
  readonly onFiles: () => void;
}

/** Finds gear in the open lens database as one types, where it lies on the machine that serves. */
export function LookUp({ open, onClose, onFiles }: LookUpProps) {
  const [text, setText] = useState('');
  const answer = useSearch(open, text);
  return (
    <Dialog
      wide
      open={open}
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.lookGearUp}
      description={t.inTheOpenLensDatabase}
    >
      {answer === 'missing' ? (
        <Missing onFiles={onFiles} />
      ) : (
        <div className="space-y-3">
          <TextField label={t.makerModelOrMount} value={text} onChange={setText} />
          <p role="status" className="text-soft">
            {answer === null && t.searching}
            {answer === 'failed' && t.theServerDidntAnswerYou}
            {answer !== null && answer !== 'failed' && statusText(answer, text)}
          </p>
          {answer !== null && answer !== 'failed' && <Results found={answer} />}
          <Button onClick={onFiles}>{t.openDatabaseFilesInstead}</Button>
        </div>
      )}
    </Dialog>
  );
}

function statusText({ count, lenses, cameras, more }: FoundGear, text: string): string {
  if (text.trim() === '') return t.lensesAndCamerasToSearch(count);
  const shown = lenses.length + cameras.length;
  if (shown === 0) return t.nothingFoundTryFewerWords;
  return more > 0 ? t.shownMoreTypeOnTo(shown, more) : t.found(shown);
}

const DEBIAN_PACKAGE = 'liblensfun-data-v1';
const DATABASE_VARIABLE = 'LENS_DATABASE';

function Missing({ onFiles }: { onFiles: () => void }) {
  return (
    <div className="max-w-prose space-y-3">
      <p>
        <Sentence
          parts={t.databaseMissing(<code>{DEBIAN_PACKAGE}</code>, <code>{DATABASE_VARIABLE}</code>)}
        />
      </p>
      <Button onClick={onFiles}>{t.openDatabaseFiles}</Button>
    </div>
  );
}

/** The answer to what is typed last; answers that come late are dropped. */
function useSearch(open: boolean, text: string): LookUpAnswer {
  const [answer, setAnswer] = useState<LookUpAnswer>(null);
  useEffect(() => {
    if (!open) return;
    const stop = new AbortController();
    const search = async () => {
      try {
        const response = await fetch(`/api/lenses?q=${encodeURIComponent(text)}`, {
          signal: stop.signal,
        });
        if (response.status === 404) return setAnswer('missing');
        setAnswer(response.ok ? ((await response.json()) as FoundGear) : 'failed');
      } catch {
        if (!stop.signal.aborted) setAnswer('failed');
      }
    };
    void search();
    return () => stop.abort();
  }, [open, text]);
  return answer;
}

function Results({ found: { lenses, cameras } }: { found: FoundGear }) {
  return (
    <ul aria-label={t.found2} className="max-h-[50vh] overflow-auto" tabIndex={0}>
      {lenses.map((lens, i) => (
        <LensEntry key={`l${i}`} lens={lens} />
      ))}
      {cameras.map((camera, i) => (
        <CameraEntry key={`c${i}`} camera={camera} />
      ))}
    </ul>
  );
}

function useTake() {
  const shelf = useKnownGear();
  const edit = useEditDesk();
  const { undo } = useHistory();
  const gearOf = (
    lenses: readonly DatabaseLens[],
    cameras: readonly DatabaseCamera[],
    mount: string,
  ) =>
    gearFromDatabase(
      { mounts: [{ name: mount, accepts: [] }], cameras, lenses, skipped: [], fixedLenses: 0 },
      { mounts: new Set([mount]), cameras, lenses, compatibility: false },
      shelfIds(shelf),
    );
  return {
    shelf,
    gearOf,
    take: (gear: ReturnType<typeof gearOf>, name: string) => {
      const known = new Set(shelf.mounts.map((m) => m.name));
      const mounts = gear.mounts.filter((m) => !known.has(m.name));
      const { taken, left } = fittingGear(shelf, { ...gear, mounts });
      const [why] = left;
      if (why) return notify(t.wasNotAdded(name, leftOutText(why.problem)));
      if (!edit(editGear(addGear(taken)))) return;
      notify(t.addedToYourShelf(name), {
        description: t.weightPriceAndClosestFocus,
        action: { label: t.undo, onClick: undo },
      });
    },
  };
}

function LensEntry({ lens }: { lens: DatabaseLens }) {
  const { shelf, gearOf, take } = useTake();
  const usual = lens.mounts.find((m) => shelf.bodies.some((b) => b.mount === m));
  const [mount, setMount] = useState(usual ?? lens.mounts[0] ?? '');
  const gear = gearOf([lens], [], mount);
  const name = `${lens.maker} ${lens.model}`;
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
      <span className="min-w-0 flex-1">
        {name}{' '}
        <span className="text-soft">
          {formatFocalRange(lens.focal.wideMm, lens.focal.longMm)}{' '}
          {formatFNumbers(...apertureEnds(lens.apertures))}
        </span>
      </span>
      {lens.mounts.length > 1 ? (
        <select
          aria-label={t.mountOf(name)}
          value={mount}
          onChange={(e) => setMount(e.target.value)}
          className="min-h-7 pointer-coarse:min-h-[44px] border border-edge bg-sheet px-1"
        >
          {lens.mounts.map((m) => (
            <option key={m}>{m}</option>
          ))}
        </select>
      ) : (
        <span className="text-soft">{mount}</span>
      )}
      <Add
        name={name}
        known={alreadyOn(shelf, gear).size > 0}
        disabled={gear.lenses.length === 0}
        onAdd={() => take(gear, name)}
      />
    </li>
  );
}

function CameraEntry({ camera }: { camera: DatabaseCamera }) {
  const { shelf, gearOf, take } = useTake();
  const gear = gearOf([], [camera], camera.mount);
  const name = `${camera.maker} ${camera.model}`;
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-hair py-1">
      <span className="min-w-0 flex-1">
        {name} <span className="text-soft">{t.cameraCrop(camera.cropFactor)}</span>
      </span>
      <span className="text-soft">{camera.mount}</span>
      <Add
        name={name}
        known={alreadyOn(shelf, gear).size > 0}
        disabled={gear.bodies.length === 0}
        onAdd={() => take(gear, name)}
      />
    </li>
  );
}

function Add(props: { name: string; known: boolean; disabled: boolean; onAdd: () => void }) {
  if (props.known) return <span className="text-soft">{t.onYourShelf}</span>;
  return (
    <Button aria-label={t.add(props.name)} disabled={props.disabled} onClick={props.onAdd}>
      {t.add2}
    </Button>
  );
}
