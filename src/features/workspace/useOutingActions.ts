'use client';

import { downloadOuting, isSeason, leaveSeason, useFileNow } from '@/session';
import { newOuting } from './newOuting';
import { openSeason } from './openSeason';
import { useOpening } from './useOpening';
import { seasonText, workspaceText } from '@/text';

const t = workspaceText.useOutingActions;

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
      { label: t.allOutings, run: dialogs.showOutings },
      { label: t.openAFile, run: dialogs.chooseFile },
      {
        label: t.exportThisOuting,
        hint: '.armreach.json',
        run: () => {
          downloadOuting(fileNow());
        },
      },
    ],
    [
      { label: t.newFromOneCamera, run: dialogs.showFirst },
      { label: t.newFromAStarterBrief, run: dialogs.showStarters },
      {
        label: t.newAndEmpty,
        run: () => void start(newOuting(), t.startedANewOutingWith, false),
      },
      { label: t.theDemoOuting, run: openDemo },
      isSeason()
        ? { label: seasonText.leaveAction, run: leaveSeason }
        : { label: seasonText.action, run: () => void openSeason() },
      { label: t.showMeAround, run: dialogs.startTour },
    ],
    [
      { label: t.earlierVersions, run: () => dialogs.go('/versions') },
      { label: t.backupAndStorage, run: () => dialogs.go('/storage') },
    ],
    [
      { label: t.settings, run: dialogs.showSettings },
      { label: t.keys, hint: '?', run: dialogs.showShortcuts },
    ],
  ];
}
