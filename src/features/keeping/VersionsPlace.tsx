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
import { changesText, formatCount } from '@/text';
import { readPlan, readShelf, type State, useVersions } from './useVersions';

type Of = 'outing' | 'shelf';
const OF: readonly (readonly [Of, string])[] = [
  ['outing', 'this outing'],
  ['shelf', 'my shelf'],
];

/** Earlier states of the open outing and of the shelf: when, what was changed, and the way back. */
export function VersionsPlace() {
  const [of, setOf] = useState<Of>('outing');
  return (
    <div className="max-w-4xl space-y-4 pt-4">
      <h1 className="text-xl">Earlier versions</h1>
      <div className="max-w-sm">
        <Choice label="Versions of" value={of} options={OF} onChange={setOf} />
      </div>
      {of === 'outing' ? <OutingVersions /> : <ShelfVersions />}
      <p className="max-w-prose text-[13px] text-soft">
        A version is kept whenever you pause for a minute, and every five minutes while you work:
        the last 30, and one a day for 60 days. Bringing one back can be undone.
      </p>
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
    notify('Brought the earlier version back.', { action: { label: 'Undo', onClick: undo } });
  };
  const copy = (value: Plan) => {
    const earlier = copyOf(value, 'earlier');
    void library()
      .then((l) => l.openPlan(earlier))
      .then((opened) => typeof opened === 'string' || notify(`Opened ${earlier.outing.name}.`));
  };
  return (
    <Versions
      key={keeper.outing()}
      of={keeper.outing()}
      now={plan}
      read={readPlan}
      between={planChanges}
      about={planText}
      actions={(value) => (
        <>
          <Button look="strong" onClick={() => bring(value)}>
            Bring it back
          </Button>
          <Button onClick={() => copy(value)}>Open as a copy</Button>
          <Button
            onClick={() =>
              download(
                `${value.outing.id}.armreach.json`,
                encode(fileOf({ ...desk, plan: value })),
                'application/json',
              )
            }
          >
            Export
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
    notify('Brought the earlier shelf back.', { action: { label: 'Undo', onClick: undo } });
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
          Bring it back
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
  if (states === null) return <p role="status">Reading the versions…</p>;
  const [newest] = states;
  return (
    <ol className="border-t border-ink">
      <li className="border-b border-hair py-2">
        <span className="font-semibold">Now</span>
        {newest?.value && (
          <span className="ml-3 text-soft">{told(between(newest.value, now))}</span>
        )}
      </li>
      {states.length === 0 && (
        <li className="py-2 text-soft">
          No earlier version yet. The first is kept as soon as you change something saved.
        </li>
      )}
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
              <p className="text-[13px]">From here to now: {told(between(state.value, now))}.</p>
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
  state: State<T>;
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
          {value === null ? 'can’t be read' : changes === null ? 'the oldest one kept' : changes}
        </span>
        <Button aria-expanded={open} disabled={value === null} onClick={() => onOpen(!open)}>
          {open ? 'Close' : 'Look'}
        </Button>
      </div>
      {open && children}
    </li>
  );
}

/** How many names are listed before the rest is counted. */
const LISTED = 12;

function planText({ outing, frames, stretches, limits }: Plan): string[] {
  return [
    `${outing.name}${outing.place === '' ? '' : `, ${outing.place}`}`,
    `${formatCount(frames.length, 'picture', 'pictures')}: ${listed(frames)}`,
    `${formatCount(stretches.length, 'stretch', 'stretches')}: ${listed(stretches)}`,
    `${limits.lockedIn.length} locked in, ${limits.lockedOut.length} left out`,
  ];
}

function shelfTextOf({ gear, bags, things }: PersonalShelf): string[] {
  return [
    `${formatCount(gear.bodies.length, 'body', 'bodies')}: ${listed(gear.bodies)}`,
    `${formatCount(gear.lenses.length, 'lens', 'lenses')}: ${listed(gear.lenses)}`,
    `${gear.converters.length} converters, ${gear.tubes.length} tubes, ${gear.adapters.length} adapters`,
    `${formatCount(bags.length, 'bag', 'bags')}, ${formatCount(things.length, 'usual thing', 'usual things')}`,
  ];
}

function listed(items: readonly { readonly name: string }[]): string {
  if (items.length === 0) return 'none';
  const names = items.slice(0, LISTED).map((i) => i.name);
  const more = items.length - names.length;
  return `${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}
