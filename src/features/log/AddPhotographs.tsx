'use client';

import { FileSpreadsheet, FolderOpen, Image as ImageIcon } from 'lucide-react';
import { type DragEvent, useEffect, useRef, useState } from 'react';
import { filesOfDrop, filesOfFolder, filesOfList, type FoundFile } from '@/document/reader';
import { fetchDemo, type PhotographKeeper, usePhotographs } from '@/session';
import { UnderWay } from '@/parts';
import { Button, FileInput, Tick } from '@/ui';
import { logText } from '@/text';

const t = logText.add;

type Picker = () => Promise<FileSystemDirectoryHandle>;
const picker = () => (window as unknown as { showDirectoryPicker?: Picker }).showDirectoryPicker;

/** The ways in: a folder, files, a table, and simulated ones to try it with. */
export function AddPhotographs({ keeper }: { keeper: PhotographKeeper }) {
  const { reading, done } = usePhotographs(keeper);
  useEffect(() => keeper.warm(), [keeper]);
  const [withPlace, setWithPlace] = useState(false);
  const [isOver, setIsOver] = useState(false);
  const [looking, setLooking] = useState(false);
  const [readsTable, setReadsTable] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);

  const readFound = async (find: () => Promise<readonly FoundFile[] | null>) => {
    setProblem(null);
    setLooking(true);
    const found = await find().catch(() => null);
    setLooking(false);
    if (found === null) return;
    if (found.length === 0) setProblem(t.nothingFound);
    else await keeper.read(found, withPlace);
  };
  const readTable = async (text: string) => {
    setProblem(null);
    setReadsTable(true);
    const came = await keeper.readTable(text, withPlace);
    setReadsTable(false);
    if (typeof came === 'string') setProblem(t.tableProblem[came]);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setIsOver(false);
    void readFound(() => filesOfDrop(event.dataTransfer));
  };
  const busy = looking || readsTable || reading !== null;
  return (
    <section
      aria-labelledby="add-photographs"
      className={`space-y-3 ${isOver ? 'bg-chosen' : ''}`}
      onDragOver={(event) => {
        event.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={drop}
    >
      <h2 id="add-photographs" className="text-lg">
        {t.addPhotographs}
      </h2>
      <p className="max-w-prose">{t.whatYourPhotographsTell}</p>
      <Ways busy={busy} onFound={readFound} onTable={readTable} />
      <div className="max-w-prose text-[13px] text-soft">
        <Tick label={t.withPlace} on={withPlace} onChange={setWithPlace} />
        <p>{t.dropHere}</p>
      </div>
      <Simulated busy={busy} onFound={readFound} onTable={readTable} />
      <div role="status" aria-live="polite">
        {looking && <p>{t.looking}</p>}
        {readsTable && <UnderWay what={t.readingTable} onCancel={keeper.cancel} />}
        {reading && (
          <div className="flex max-w-prose flex-wrap items-center gap-3">
            <progress
              className="grow"
              max={reading.files}
              value={reading.done}
              aria-label={t.reading(reading.done, reading.files)}
            />
            <span>{t.reading(reading.done, reading.files)}</span>
            <Button onClick={keeper.cancel}>{t.cancel}</Button>
          </div>
        )}
        {done && <p data-testid="reading-result">{t.result(done)}</p>}
        {problem && <p className="text-wrong">{problem}</p>}
      </div>
    </section>
  );
}

interface WaysProps {
  readonly busy: boolean;
  readonly onFound: (find: () => Promise<readonly FoundFile[] | null>) => Promise<void>;
  readonly onTable: (text: string) => Promise<void>;
}

function Ways({ busy, onFound, onTable }: WaysProps) {
  const folder = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const table = useRef<HTMLInputElement>(null);
  const open = () => {
    const pick = picker();
    if (pick) void onFound(async () => filesOfFolder(await pick()));
    else folder.current?.click();
  };
  const several = (label: string, ref: typeof folder, more: object) => (
    <input
      ref={ref}
      type="file"
      multiple
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      {...more}
      onChange={(event) => {
        const chosen = filesOfList(event.target.files ?? []);
        event.target.value = '';
        void onFound(async () => chosen);
      }}
    />
  );
  return (
    <div className="flex flex-wrap gap-2">
      <Button look="strong" disabled={busy} onClick={open}>
        <FolderOpen size={14} aria-hidden />
        {t.openFolder}
      </Button>
      <Button disabled={busy} onClick={() => files.current?.click()}>
        <ImageIcon size={14} aria-hidden />
        {t.chooseFiles}
      </Button>
      <Button disabled={busy} onClick={() => table.current?.click()}>
        <FileSpreadsheet size={14} aria-hidden />
        {t.importTable}
      </Button>
      {several(t.folder, folder, { webkitdirectory: '' })}
      {several(t.files, files, {
        accept: 'image/*,.dng,.nef,.cr2,.cr3,.arw,.orf,.pef,.raf,.rw2,.srw,.xmp',
      })}
      <FileInput
        ref={table}
        label={t.table}
        accept=".csv,.json,text/csv,application/json"
        onFile={(file) => void file.text().then(onTable)}
      />
    </div>
  );
}

/** A card and an archive that are made on the spot, read through the same door as anyone's. */
function Simulated({ busy, onFound, onTable }: WaysProps) {
  const card = async () => {
    const demo = await fetchDemo();
    const { simulatedCard } = await import('@/document/simulated');
    return simulatedCard(demo).files.map(({ path, bytes }) => ({ path, file: new Blob([bytes]) }));
  };
  const archive = async () => {
    const { simulatedArchive } = await import('@/document/simulated');
    await onTable(simulatedArchive());
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="text-soft">{t.trySimulated}</span>
      <Button disabled={busy} onClick={() => void onFound(card)}>
        {t.simulatedCard}
      </Button>
      <Button disabled={busy} onClick={() => void archive()}>
        {t.simulatedArchive}
      </Button>
    </div>
  );
}
