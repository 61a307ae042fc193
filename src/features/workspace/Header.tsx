'use client';

import { Moon, Redo2, Sun, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { Fragment, useSyncExternalStore } from 'react';
import { useAnswer, useFilePart, useHistory, useSessionState } from '@/session';
import { applyTheme, IconButton, isNight, watchTheme } from '@/ui';
import { FileMenu } from './FileMenu';
import { PAGES } from './shortcuts';
import { workspaceText } from '@/text';

const t = workspaceText.header;

const SAVED = {
  saved: t.savedHere,
  saving: t.saving,
  full: t.notSavedNoRoomLeft,
  silent: t.notSavedTheStorageIsSilent,
  refused: t.notSavedTheBrowserRefuses,
  newer: t.notSavedReloadForThe,
} as const;

export function Header() {
  const name = useFilePart((file) => file.outing.name);
  const path = usePathname();
  // The other places are fetched beforehand, but not while the answer is waited for.
  const answered = useAnswer().result !== null;
  const saveState = useSessionState((s) => s.saveState);
  const { canUndo, canRedo, undo, redo } = useHistory();
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-8 gap-y-2 px-5 pt-3 max-sm:gap-y-1 max-sm:pt-2">
      <div className="min-w-0 max-sm:flex-1">
        <p className="text-[12px] text-soft max-sm:hidden">{t.armReach}</p>
        <p className="truncate font-(family-name:--font-title) text-2xl leading-tight max-sm:text-lg">
          {name}
        </p>
      </div>
      <nav
        aria-label={t.pages}
        className="flex flex-wrap gap-1 text-base max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-20 max-sm:flex-nowrap max-sm:gap-0 max-sm:border-t max-sm:border-ink max-sm:bg-paper max-sm:pb-[env(safe-area-inset-bottom)] print:hidden"
      >
        {PAGES.map(([href, name, of], i) => (
          <Fragment key={href}>
            {of === 'all' && PAGES[i - 1]?.[2] === 'outing' && (
              <span className="ml-2 flex items-center border-l border-ink pl-3 text-[12px] text-soft max-sm:m-0 max-sm:my-2 max-sm:p-0 max-sm:text-[0px]">
                {t.allOutings}
              </span>
            )}
            <Link
              href={href}
              prefetch={answered ? null : false}
              aria-current={path === href ? 'page' : undefined}
              className="border-b-2 border-transparent px-3 py-1 hover:bg-chosen aria-[current=page]:border-ink max-sm:flex max-sm:min-h-[48px] max-sm:flex-1 max-sm:items-center max-sm:justify-center max-sm:border-t-2 max-sm:border-b-0 max-sm:px-0 max-sm:text-[13px] aria-[current=page]:font-semibold"
            >
              {name}
            </Link>
          </Fragment>
        ))}
      </nav>
      <div className="flex items-center gap-1 print:hidden">
        <span
          role="status"
          aria-live="polite"
          className={`mr-2 text-[12px] ${saveState === 'saved' || saveState === 'saving' ? 'text-soft max-sm:sr-only' : 'text-wrong'}`}
        >
          {SAVED[saveState]}
        </span>
        <IconButton label={t.undoCtrlZ} disabled={!canUndo} onClick={undo}>
          <Undo2 size={16} aria-hidden />
        </IconButton>
        <IconButton label={t.redoCtrlShiftZ} disabled={!canRedo} onClick={redo}>
          <Redo2 size={16} aria-hidden />
        </IconButton>
        <ThemeButton />
        <FileMenu />
      </div>
    </header>
  );
}

function ThemeButton() {
  const night = useSyncExternalStore(watchTheme, isNight, () => false);
  const turn = () => applyTheme(night ? 'light' : 'night');
  return (
    <IconButton label={night ? t.lightTheme : t.nightTheme} onClick={turn}>
      {night ? <Sun size={16} aria-hidden /> : <Moon size={16} aria-hidden />}
    </IconButton>
  );
}
