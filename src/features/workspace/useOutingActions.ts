'use client';

import { downloadOuting, useFileNow } from '@/session';
import { EMPTY_OUTING } from '@/document';
import { useOpening } from './useOpening';

/** Something done with outings, from the menu or the palette. */
export interface OutingAction {
  readonly label: string;
  readonly hint?: string;
  readonly run: () => void;
}

/** The dialogs that actions open. */
export interface OutingDialogs {
  readonly chooseFile: () => void;
  readonly showStarters: () => void;
  readonly showFirst: () => void;
  readonly startTour: () => void;
  readonly showOutings: () => void;
  readonly showSettings: () => void;
  readonly go: (href: string) => void;
  readonly showShortcuts: () => void;
}

/** What can be done with outings, in groups. */
export function useOutingActions(dialogs: OutingDialogs): readonly (readonly OutingAction[])[] {
  const fileNow = useFileNow();
  const { start, openDemo } = useOpening();
  return [
    [
      { label: 'All outings…', run: dialogs.showOutings },
      { label: 'Open a file…', run: dialogs.chooseFile },
      {
        label: 'Export this outing',
        hint: '.armreach.json',
        run: () => {
          downloadOuting(fileNow());
        },
      },
    ],
    [
      { label: 'New, from one camera…', run: dialogs.showFirst },
      { label: 'New from a starter brief…', run: dialogs.showStarters },
      {
        label: 'New and empty',
        run: () => start(EMPTY_OUTING, 'Started a new outing with your shelf.', false),
      },
      { label: 'The demo outing', run: openDemo },
      { label: 'Show me around', run: dialogs.startTour },
    ],
    [
      { label: 'Earlier versions', run: () => dialogs.go('/versions') },
      { label: 'Backup and storage', run: () => dialogs.go('/storage') },
    ],
    [
      { label: 'Settings…', run: dialogs.showSettings },
      { label: 'Keys…', hint: '?', run: dialogs.showShortcuts },
    ],
  ];
}
