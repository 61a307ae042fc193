'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { decode, type Refusal } from '@/document';
import { useSession } from '@/session';
import { Button, Dialog, FileInput, Menu } from '@/ui';
import { PLACES, SHORTCUTS } from './shortcuts';
import { useOpening } from './useOpening';
import { useOutingActions } from './useOutingActions';

// Loaded when they are first opened: the first page has no need of them.
const FirstOuting = dynamic(() => import('./FirstOuting').then((m) => m.FirstOuting));
const OutingsDialog = dynamic(() => import('./OutingsDialog').then((m) => m.OutingsDialog));
const Palette = dynamic(() => import('./Palette').then((m) => m.Palette));
const SettingsDialog = dynamic(() => import('./SettingsDialog').then((m) => m.SettingsDialog));
const StarterDialog = dynamic(() => import('./StarterDialog').then((m) => m.StarterDialog));

type Shown = 'starters' | 'first' | 'outings' | 'settings' | 'shortcuts' | 'palette' | null;

/** Opens, starts, exports, finds. Whatever was open is kept. */
export function FileMenu() {
  const { open } = useOpening();
  const { state } = useSession();
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ name: string; refusal: Refusal } | null>(null);
  const [shown, setShown] = useState<Shown>(null);
  const show = (what: Shown) => () => setShown(what);
  const showing = (what: Shown) => ({
    open: shown === what,
    onOpenChange: (isOpen: boolean) => setShown(isOpen ? what : null),
  });
  const actions = useOutingActions({
    chooseFile: () => input.current?.click(),
    showStarters: show('starters'),
    showFirst: show('first'),
    startTour: () => state.setState({ touring: true }),
    showOutings: show('outings'),
    showSettings: show('settings'),
    showShortcuts: show('shortcuts'),
  });
  useKeys({
    find: show('palette'),
    list: show('shortcuts'),
    go: (href) => router.push(href),
  });
  const read = async (chosen: File) => {
    const result = decode(await chosen.text());
    if (result.ok) open(result.value, `Opened ${result.value.outing.name}.`);
    else setRefused({ name: chosen.name, refusal: result.error });
  };

  return (
    <>
      <FileInput
        ref={input}
        label="Outing file to open"
        accept=".json,application/json"
        onFile={(chosen) => void read(chosen)}
      />
      <Menu
        trigger={<Button>Outing</Button>}
        groups={actions.map((group) =>
          group.map(({ label, hint, run }) => ({
            label,
            ...(hint === undefined ? {} : { hint }),
            onSelect: run,
          })),
        )}
      />
      {shown === 'palette' && <Palette {...showing('palette')} actions={actions.flat()} />}
      {shown === 'outings' && <OutingsDialog {...showing('outings')} />}
      {shown === 'settings' && <SettingsDialog {...showing('settings')} />}
      {shown === 'first' && <FirstOuting {...showing('first')} />}
      {shown === 'starters' && (
        <StarterDialog
          {...showing('starters')}
          onChoose={(next) => {
            setShown(null);
            open(next, `Started: ${next.outing.name}.`);
          }}
        />
      )}
      <Dialog
        {...showing('shortcuts')}
        title="Keys"
        description="Everything can be done without a mouse; these are the short ways."
      >
        <dl className="grid grid-cols-[8rem_1fr] gap-y-1">
          {SHORTCUTS.map(([keys, what]) => (
            <div key={keys} className="contents">
              <dt className="font-semibold">{keys}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
      <Dialog
        open={refused !== null}
        onOpenChange={(isOpen) => !isOpen && setRefused(null)}
        title="The file was not opened"
        description={
          refused ? `${refused.name}: ${refused.refusal.message} Your outing is as it was.` : ''
        }
      >
        <ul className="space-y-1">
          {refused?.refusal.issues
            .filter((issue) => issue.path !== '')
            .map((issue) => (
              <li key={issue.path + issue.message}>
                <code className="text-wrong">{issue.path}</code> {issue.message}
              </li>
            ))}
        </ul>
        <div className="mt-4 flex justify-end">
          <Button look="strong" onClick={() => setRefused(null)}>
            Close
          </Button>
        </div>
      </Dialog>
    </>
  );
}

/** Ctrl K, ?, and the numbers of the places; none of them while something is typed. */
function useKeys(does: { find: () => void; list: () => void; go: (href: string) => void }) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
      event.preventDefault();
      return does.find();
    }
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    if (event.key === '?') return does.list();
    const place = PLACES[Number(event.key) - 1];
    if (place) does.go(place[0]);
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.closest('input, textarea, select, [role="dialog"], [role="menu"]') !== null ||
      target.isContentEditable)
  );
}
