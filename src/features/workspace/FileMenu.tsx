'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { type OutingFile, type Refusal } from '@/document';
import { useDeskNow, useOnceAnswered, useSession } from '@/session';
import { Button, FileInput, notify, singleKeysOn } from '@/ui';
import { readFile } from '@/parts';
import { PAGES } from './shortcuts';
import { useOpening } from './useOpening';
import { useOutingActions } from './useOutingActions';
import { notReadText, workspaceText } from '@/text';

const t = workspaceText.fileMenu;

// Loaded when they are first opened: the first page has no need of them.
const FirstOuting = dynamic(() => import('./FirstOuting').then((m) => m.FirstOuting));
const loadMenu = () => import('./OutingMenu').then((m) => m.OutingMenu);
const OutingMenu = dynamic(loadMenu, {
  loading: () => <OutingButton expanded />,
});
const OpenFileDialog = dynamic(() => import('./OpenFileDialog').then((m) => m.OpenFileDialog));
const OutingsDialog = dynamic(() => import('./OutingsDialog').then((m) => m.OutingsDialog));
const loadPalette = () => import('./Palette').then((m) => m.Palette);
const Palette = dynamic(loadPalette);
const RefusedDialog = dynamic(() => import('./RefusedDialog').then((m) => m.RefusedDialog));
const SettingsDialog = dynamic(() => import('./SettingsDialog').then((m) => m.SettingsDialog));
const ShortcutsDialog = dynamic(() => import('./ShortcutsDialog').then((m) => m.ShortcutsDialog));
const StarterDialog = dynamic(() => import('./StarterDialog').then((m) => m.StarterDialog));

type ShownDialog = 'starters' | 'first' | 'outings' | 'settings' | 'shortcuts' | 'palette' | null;

/** Opens, starts, exports, finds. Whatever was open is kept. */
export function FileMenu() {
  const { openFile, start } = useOpening();
  const deskNow = useDeskNow();
  const { state } = useSession();
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ name: string; refusal: Refusal } | null>(null);
  const [found, setFound] = useState<OutingFile | null>(null);
  const [shown, setShown] = useState<ShownDialog>(null);
  const [asked, setAsked] = useState(false);
  const show = (what: ShownDialog) => () => setShown(what);
  const showing = (what: ShownDialog) => ({
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
    go: (href) => router.push(href),
    showShortcuts: show('shortcuts'),
  });
  useLoadedAfterwards();
  useKeys({
    find: show('palette'),
    list: show('shortcuts'),
    go: (href) => router.push(href),
  });
  const read = async (chosen: File) => {
    const done = await readFile('outing', chosen.name, [await chosen.text()]);
    if (!done.ok) return notify(t.wasNotOpened(chosen.name, notReadText(done.error)));
    const result = done.value;
    if (result.ok) {
      const { hasGearInQuestion } = await import('./gearInQuestion');
      if (hasGearInQuestion(result.value, deskNow().shelf.gear)) setFound(result.value);
      else openFile(result.value, t.opened(result.value.outing.name));
    } else setRefused({ name: chosen.name, refusal: result.error });
  };

  return (
    <>
      <FileInput
        ref={input}
        label={t.outingFileToOpen}
        accept=".json,application/json"
        onFile={(chosen) => void read(chosen)}
      />
      {asked ? (
        <OutingMenu actions={actions} />
      ) : (
        <OutingButton expanded={false} onClick={() => setAsked(true)} />
      )}
      {shown === 'palette' && <Palette {...showing('palette')} actions={actions.flat()} />}
      {shown === 'outings' && <OutingsDialog {...showing('outings')} />}
      {shown === 'settings' && <SettingsDialog {...showing('settings')} />}
      {shown === 'first' && <FirstOuting {...showing('first')} />}
      {shown === 'starters' && (
        <StarterDialog
          {...showing('starters')}
          onChoose={(next) => {
            setShown(null);
            start(next, t.started(next.outing.name));
          }}
        />
      )}
      {shown === 'shortcuts' && <ShortcutsDialog {...showing('shortcuts')} />}
      {found && <OpenFileDialog file={found} onClose={() => setFound(null)} />}
      {refused && <RefusedDialog {...refused} onClose={() => setRefused(null)} />}
    </>
  );
}

/** How long after the first answer what is reached by one key is fetched, ms. */
const AFTERWARDS_MS = 300;

/** Fetches what is reached by one key once nothing is waited for, so that no typing runs ahead of it. */
function useLoadedAfterwards() {
  const due = useOnceAnswered(AFTERWARDS_MS);
  useEffect(() => {
    if (!due) return;
    void loadMenu();
    void loadPalette();
  }, [due]);
}

/** Stands in for the menu's own button until the menu is first asked for. */
function OutingButton({ expanded, onClick }: { expanded: boolean; onClick?: () => void }) {
  return (
    <Button aria-haspopup="menu" aria-expanded={expanded} onClick={onClick}>
      {t.outing}
    </Button>
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
    if (!singleKeysOn()) return;
    if (event.key === '?') return does.list();
    const place = PAGES[Number(event.key) - 1];
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
