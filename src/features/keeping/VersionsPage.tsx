'use client';

import { format, formatDistanceToNow } from 'date-fns';
import { useState } from 'react';
import {
  type Change,
  copyOf,
  encode,
  fileOf,
  type PersonalShelf,
  type Plan,
  planChanges,
  shelfChanges,
} from '@/document';
import type { RecordKey } from '@/document/live';
import { itemsOf } from '@/core/gear';
import { download, useDesk, useEditDesk, useHistory, useKnownGear, useSession } from '@/session';
import { Button, Choice, notify } from '@/ui';
import { changesText, counted, keepingText, plainList } from '@/text';
import { readPlan, readShelf, type VersionsState, useVersions } from './useVersions';

const t = keepingText.versionsPage;

type Of = 'outing' | 'shelf';
const OF: readonly (readonly [Of, string])[] = [
  ['outing', t.thisOuting],
  ['shelf', t.myShelf],
];

/** Earlier states of the open outing and of the shelf: when, what was changed, and the way back. */
export function VersionsPage() {
  const [of, setOf] = useState<Of>('outing');
  return (
    <div className="max-w-4xl space-y-4 pt-4">
      <h1 className="text-xl">{t.earlierVersions}</h1>
      <div className="max-w-sm">
        <Choice label={t.versionsOf} value={of} options={OF} onChange={setOf} />
      </div>
      {of === 'outing' ? <OutingVersions /> : <ShelfVersions />}
      <p className="max-w-prose text-[13px] text-soft">{t.aVersionIsKeptWhenever}</p>
    </div>
  );
}

function OutingVersions() {
  const desk = useDesk();
  const { keeper, library } = useSession();
  const edit = useEditDesk();
  const { undo } = useHistory();
  const { plan } = desk;
  const bring = (value: Plan) => {
    edit((now) => ({ ...now, plan: value }));
    notify(t.restoredTheEarlierVersion, { action: { label: t.undo, onClick: undo } });
  };
  const copy = (value: Plan) => {
    const earlier = copyOf(value, 'earlier');
    void library()
      .then((l) => l.openPlan(earlier))
      .then((opened) => typeof opened === 'string' || notify(t.opened(earlier.outing.name)));
  };
  return (
    <Versions
      key={keeper.outing()}
      of={keeper.outing()}
      now={plan}
      read={readPlan}
      between={planChanges}
      about={planTextOf}
      actions={(value) => (
        <>
          <Button look="strong" onClick={() => bring(value)}>
            {t.restore}
          </Button>
          <Button onClick={() => copy(value)}>{t.openAsACopy}</Button>
          <Button
            onClick={() =>
              download(
                `${value.outing.id}.armreach.json`,
                encode(fileOf({ ...desk, plan: value })),
                'application/json',
              )
            }
          >
            {t.exportIt}
          </Button>
        </>
      )}
    />
  );
}

function ShelfVersions() {
  const { shelf } = useDesk();
  const edit = useEditDesk();
  const { undo } = useHistory();
  const bring = (value: PersonalShelf) => {
    edit((now) => ({ ...now, shelf: value }));
    notify(t.restoredTheEarlierShelf, { action: { label: t.undo, onClick: undo } });
  };
  return (
    <Versions
      of="shelf"
      now={shelf}
      read={readShelf}
      between={shelfChanges}
      about={shelfTextOf}
      actions={(value) => (
        <Button look="strong" onClick={() => bring(value)}>
          {t.restore}
        </Button>
      )}
    />
  );
}

interface VersionsProps<T> {
  readonly of: RecordKey;
  readonly now: T;
  readonly read: (text: string) => T | null;
  readonly between: (before: T, after: T) => Change[];
  readonly about: (value: T) => readonly string[];
  readonly actions: (value: T) => React.ReactNode;
}

function Versions<T extends object>({ of, now, read, between, about, actions }: VersionsProps<T>) {
  const states = useVersions(of, read, between);
  const gear = useKnownGear();
  const names = new Map<string, string>(itemsOf(gear).map((i) => [i.id, i.name]));
  const told = (changes: readonly Change[]) => changesText(changes, (id) => names.get(id) ?? id);
  const [looking, setLooking] = useState<string | null>(null);
  if (states === null) return <p role="status">{t.readingTheVersions}</p>;
  const [newest] = states;
  return (
    <ol className="border-t border-ink">
      <li className="border-b border-hair py-2">
        <span className="font-semibold">{t.now}</span>
        {newest?.value && (
          <span className="ml-3 text-soft">{told(between(newest.value, now))}</span>
        )}
      </li>
      {states.length === 0 && <li className="py-2 text-soft">{t.noEarlierVersionYetThe}</li>}
      {states.map((state) => (
        <Entry
          key={state.version.key}
          state={state}
          changes={state.changes && told(state.changes)}
          open={looking === state.version.key}
          onOpen={(isOpen) => setLooking(isOpen ? state.version.key : null)}
        >
          {state.value && (
            <div className="mt-2 border-l-2 border-hair pl-3">
              <p className="text-[13px]">{t.sinceThen(told(between(state.value, now)))}</p>
              <ul className="my-2 list-disc pl-5 text-[13px]">
                {about(state.value).map((line, i) => (
                  <li key={i}>{line}</li>
                ))}
              </ul>
              <span className="flex flex-wrap gap-2">{actions(state.value)}</span>
            </div>
          )}
        </Entry>
      ))}
    </ol>
  );
}

function Entry<T>({
  state: { version, value },
  changes,
  open,
  onOpen,
  children,
}: {
  state: VersionsState<T>;
  /** What was changed, in words; null where it is not known. */
  changes: string | null;
  open: boolean;
  onOpen: (open: boolean) => void;
  children: React.ReactNode;
}) {
  return (
    <li className="border-b border-hair py-2">
      <div className="grid grid-cols-[13rem_1fr_auto] items-baseline gap-3 max-sm:grid-cols-1">
        <span>
          <time dateTime={new Date(version.savedAt).toISOString()}>
            {format(version.savedAt, 'd MMM yyyy, HH:mm:ss')}
          </time>
          <span className="block text-[12px] text-soft">
            {formatDistanceToNow(version.savedAt, { addSuffix: true })}
          </span>
        </span>
        <span>
          {value === null ? t.cantBeRead : changes === null ? t.theOldestOneKept : changes}
        </span>
        <Button aria-expanded={open} disabled={value === null} onClick={() => onOpen(!open)}>
          {open ? t.close : t.view}
        </Button>
      </div>
      {open && children}
    </li>
  );
}

/** How many names are listed before the rest is counted. */
const LISTED = 12;

function planTextOf({ outing, frames, stretches, limits }: Plan): string[] {
  return [
    `${outing.name}${outing.place === '' ? '' : `, ${outing.place}`}`,
    `${counted(frames.length, 'picture')}: ${listed(frames)}`,
    `${counted(stretches.length, 'stretch')}: ${listed(stretches)}`,
    t.lockedInLeftOut(limits.lockedIn.length, limits.lockedOut.length),
  ];
}

function shelfTextOf({ gear, bags, things }: PersonalShelf): string[] {
  return [
    `${counted(gear.bodies.length, 'body')}: ${listed(gear.bodies)}`,
    `${counted(gear.lenses.length, 'lens')}: ${listed(gear.lenses)}`,
    t.convertersTubesAdapters(gear.converters.length, gear.tubes.length, gear.adapters.length),
    `${counted(bags.length, 'bag')}, ${counted(things.length, 'usualThing')}`,
  ];
}

function listed(items: readonly { readonly name: string }[]): string {
  if (items.length === 0) return t.none;
  const names = items.slice(0, LISTED).map((i) => i.name);
  const more = items.length - names.length;
  return more > 0 ? t.andMore(plainList(names), more) : plainList(names);
}
