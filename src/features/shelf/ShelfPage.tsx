'use client';

import { Plus } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useRef, useState } from 'react';
import { itemsOf } from '@/core/gear';
import {
  arrangeAll,
  editGear,
  keepOnShelf,
  type Kind,
  newItem,
  putItem,
  setTies,
  shelfCodec,
} from '@/document';
import { writeLensCsv } from '@/document/formats';
import { download, useDesk, useEditDesk, useFile, useKnownGear, useSelection } from '@/session';
import { Button, Menu, TAB_LOOK } from '@/ui';
import { HelpLink } from '@/parts';
import { counted, GEAR_KINDS, NEW_MOUNT, shelfText } from '@/text';
import { BagsAndThings } from './BagsAndThings';
import { CsvImport } from './CsvImport';
import { GearEditor } from './GearEditor';
import { GearList } from './GearList';
import { LensfunImport } from './LensfunImport';
import { LookUp } from './LookUp';
import { Mounts } from './Mounts';
import { PasteGear } from './PasteGear';
import {
  ADAPTER_COLUMNS,
  BODY_COLUMNS,
  CONVERTER_COLUMNS,
  LENS_COLUMNS,
  TUBE_COLUMNS,
} from './rows';
import { ShelfFile } from './ShelfFile';

const t = shelfText.shelfPage;

const KINDS = [
  ['lenses', LENS_COLUMNS],
  ['bodies', BODY_COLUMNS],
  ['converters', CONVERTER_COLUMNS],
  ['tubes', TUBE_COLUMNS],
  ['adapters', ADAPTER_COLUMNS],
] as const;

/** The tab of what is neither gear to choose from nor on any camera. */
const BAGS = 'bags';
export function ShelfPage() {
  const file = useFile();
  const desk = useDesk();
  const shelf = useKnownGear();
  const edit = useEditDesk();
  const [kindInAddress, setKind] = useSelection('kind');
  const [selected, select] = useSelection('item');
  const [opened, setOpened] = useState<Tool | null>(null);
  const shelfInput = useRef<HTMLInputElement>(null);
  const kind: Kind = KINDS.find(([key]) => key === kindInAddress)?.[0] ?? 'lenses';
  const isBags = kindInAddress === BAGS;
  const item = isBags ? null : (shelf[kind].find((i) => i.id === selected) ?? null);
  const add = () => {
    const added = newItem(kind, shelf, { name: GEAR_KINDS[kind].fresh, mount: NEW_MOUNT });
    edit(editGear(putItem(kind, added)));
    select(added.id);
  };
  const alone = itemsOf(desk.plan.alone).map((i) => i.id);
  const coming = new Set(itemsOf(file.shelf).map((i) => i.id));
  const wishes = itemsOf(desk.shelf.gear).filter(
    (i) => i.ownership === 'wished' && !coming.has(i.id),
  );
  return (
    <div className="grid gap-x-8 gap-y-4 pt-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <Tabs.Root value={isBags ? BAGS : kind} onValueChange={setKind} className="min-w-0">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
          <span className="flex items-center">
            <h1 className="text-xl">{t.shelf}</h1>
            <HelpLink topic="data" />
          </span>
          <Tabs.List aria-label={t.kindOfGear} className="flex flex-wrap gap-1">
            {KINDS.map(([key]) => (
              <Tabs.Trigger key={key} value={key} className={TAB_LOOK}>
                {GEAR_KINDS[key].title} {shelf[key].length}
              </Tabs.Trigger>
            ))}
            <Tabs.Trigger value={BAGS} className={TAB_LOOK}>
              {t.bagsAndThings}
            </Tabs.Trigger>
          </Tabs.List>
          <span className="flex gap-2">
            <ShelfTools onOpen={setOpened} onShelfFile={() => shelfInput.current?.click()} />
            {!isBags && (
              <Button look="strong" onClick={add}>
                <Plus size={14} aria-hidden />
                {GEAR_KINDS[kind].add}
              </Button>
            )}
          </span>
        </div>
        <Whole
          alone={alone.length}
          shelf={itemsOf(desk.shelf.gear).length}
          wishes={wishes.length}
          only={desk.plan.ties.only?.length ?? null}
          onAll={() => edit(setTies({ only: null }))}
          onKeep={() => edit(keepOnShelf(new Set(alone)))}
          onWishes={() =>
            edit(
              arrangeAll(
                wishes.map((w) => w.id),
                'wished',
              ),
            )
          }
        />
        <Tabs.Content value={BAGS} tabIndex={-1}>
          <BagsAndThings />
        </Tabs.Content>
        {KINDS.map(([key, columns]) => (
          <Tabs.Content key={key} value={key} tabIndex={-1}>
            {shelf[key].length === 0 ? (
              <p className="max-w-prose border-t border-hair pt-4">{GEAR_KINDS[key].none}</p>
            ) : (
              <GearList
                kind={key}
                label={GEAR_KINDS[key].title}
                columns={columns}
                selected={selected}
                onSelect={select}
              />
            )}
          </Tabs.Content>
        ))}
      </Tabs.Root>
      {!isBags && (
        <aside
          aria-label={GEAR_KINDS[kind].chosen}
          tabIndex={0}
          className="lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-auto"
        >
          {item ? (
            <GearEditor key={item.id} kind={kind} item={item} onSelect={select} />
          ) : (
            <p className="border-t border-hair pt-3 text-soft">{GEAR_KINDS[kind].choose}</p>
          )}
        </aside>
      )}
      <ShelfFile input={shelfInput} />
      <Opened tool={opened} onOpen={setOpened} />
    </div>
  );
}

/** What can be opened beside the tables. */
type Tool = 'csv' | 'lensfun' | 'mounts' | 'lines' | 'lookUp';

/** The menu of ways to bring gear in and out, and of what else can be asked of it. */
function ShelfTools({
  onOpen,
  onShelfFile,
}: {
  readonly onOpen: (tool: Tool) => void;
  readonly onShelfFile: () => void;
}) {
  const desk = useDesk();
  const shelf = useKnownGear();
  return (
    <Menu
      trigger={<Button>{t.shelfTools}</Button>}
      groups={[
        [
          { label: t.pasteAGearList, onSelect: () => onOpen('lines') },
          { label: t.lookGearUp, onSelect: () => onOpen('lookUp') },
          { label: t.lensesFromACsvTable, onSelect: () => onOpen('csv') },
          {
            label: t.filesOfTheOpenLens,
            onSelect: () => onOpen('lensfun'),
          },
          {
            label: t.aWholeShelfFromA,
            onSelect: onShelfFile,
          },
        ],
        [
          {
            label: t.exportLensesAsCsv,
            disabled: shelf.lenses.length === 0,
            onSelect: () => download('lenses.csv', writeLensCsv(shelf.lenses), 'text/csv'),
          },
          {
            label: t.exportMyShelfAsJson,
            onSelect: () =>
              download('shelf.json', shelfCodec.write(desk.shelf), 'application/json'),
          },
        ],
        [{ label: t.whatFitsWhat, onSelect: () => onOpen('mounts') }],
      ]}
    />
  );
}

/** The dialog that is open. */
function Opened({
  tool,
  onOpen,
}: {
  readonly tool: Tool | null;
  readonly onOpen: (tool: Tool | null) => void;
}) {
  const close = () => onOpen(null);
  return (
    <>
      <CsvImport open={tool === 'csv'} onClose={close} />
      <PasteGear open={tool === 'lines'} onClose={close} />
      <LookUp open={tool === 'lookUp'} onClose={close} onFiles={() => onOpen('lensfun')} />
      <Mounts open={tool === 'mounts'} onClose={close} />
      <LensfunImport open={tool === 'lensfun'} onClose={close} />
    </>
  );
}

/** What of all that is listed is of this outing only, and what of the shelf could still come. */
function Whole(props: {
  alone: number;
  shelf: number;
  wishes: number;
  /** How many of what is owned may come; null for all. */
  only: number | null;
  onAll: () => void;
  onKeep: () => void;
  onWishes: () => void;
}) {
  const { alone, shelf, wishes, only } = props;
  if (alone === 0 && wishes === 0 && only === null) return null;
  return (
    <p className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 border-l-2 border-hair pl-3">
      {alone > 0 && (
        <>
          <span>
            {t.usedInThisOutingOnly(
              counted(alone, 'itemIs'),
              shelf === 0 ? t.yourOwnShelfIsEmpty : t.areOnYourShelf(shelf),
            )}
          </span>
          <Button onClick={props.onKeep}>{t.addThemToMyShelf}</Button>
        </>
      )}
      {only !== null && (
        <>
          <span>{t.thisOutingConsidersOfThe(only)}</span>
          <Button onClick={props.onAll}>{t.considerEverythingIOwn}</Button>
        </>
      )}
      {wishes > 0 && (
        <Button onClick={props.onWishes}>{t.considerOnThisOuting(counted(wishes, 'wish'))}</Button>
      )}
    </p>
  );
}
