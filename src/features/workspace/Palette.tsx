'use client';

import { Command, defaultFilter } from 'cmdk';
import { useRouter } from 'next/navigation';
import { Dialog as Radix } from 'radix-ui';
import { PROFILES, withProfile } from '@/core/brief';
import { ITEM_KINDS } from '@/core/gear';
import { setLimits } from '@/document';
import { useAnswer, useEdit, useFile, useHistory, useKnownGear, useSelection } from '@/session';
import { besideHref, besideKeys, isWithViews, PAGE_VIEWS, viewHref } from '@/parts';
import {
  besideText,
  PROFILE_NAMES,
  dialogText,
  HELP_TITLES,
  HELP_TOPICS,
  helpTitleText,
} from '@/text';
import { useFocusBefore, useInertBehind } from '@/ui';
import { PAGES } from './shortcuts';
import type { OutingAction } from './useOutingActions';

const t = dialogText.palette;

/** Finds anything by its name: pages, pictures, gear, selection styles, actions. */
export function Palette({
  open,
  onOpenChange,
  actions,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  actions: readonly OutingAction[];
}) {
  const giveBack = useFocusBefore(open);
  useInertBehind(open);
  const groups = useEntries(actions, () => onOpenChange(false));
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Radix.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveBack();
          }}
          className="fixed top-[10vh] left-1/2 z-50 w-[94vw] max-w-xl -translate-x-1/2 border border-edge bg-sheet"
        >
          <Radix.Title className="sr-only">{t.findAnything}</Radix.Title>
          <Command label={t.findAnything} loop filter={byName}>
            <Command.Input
              placeholder={t.findAPageAPicture}
              className="w-full border-b border-hair bg-sheet px-4 py-3 text-base outline-none"
            />
            <Command.List tabIndex={0} className="max-h-[60vh] overflow-auto p-1">
              <Command.Empty className="px-3 py-2 text-soft">{t.nothingHasThatName}</Command.Empty>
              {groups.map(([heading, found]) => (
                <Command.Group
                  key={heading}
                  heading={heading}
                  className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[12px] [&_[cmdk-group-heading]]:text-soft"
                >
                  {found.map((item) => (
                    <Command.Item
                      key={item.key}
                      value={`${heading} ${item.key}`}
                      keywords={[item.name]}
                      onSelect={item.run}
                      className="cursor-pointer px-3 py-1.5 data-[selected=true]:bg-chosen"
                    >
                      {item.name}
                    </Command.Item>
                  ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** By what is read, not by what tells two of the same name apart. */
const byName = (_: string, search: string, names: string[] = []) =>
  defaultFilter(names.join(' '), search);

interface FoundEntry {
  readonly key: string;
  readonly name: string;
  readonly run: () => void;
}

/** All that can be found, by kind; choosing one closes the palette first. */
function useEntries(
  actions: readonly OutingAction[],
  close: () => void,
): readonly (readonly [heading: string, entries: readonly FoundEntry[]])[] {
  const file = useFile();
  const shelf = useKnownGear();
  const edit = useEdit();
  const router = useRouter();
  const { undo, redo } = useHistory();
  const { result } = useAnswer();
  const [shown] = useSelection('lenses');
  // What stands side by side already, else the lineup.
  const beside = shown === null ? (result?.lineup.lensIds ?? []) : besideKeys(shown);
  const entry = (key: string, name: string, what: () => void): FoundEntry => ({
    key,
    name,
    run: () => {
      close();
      what();
    },
  });
  const linked = (key: string, name: string, href: string) =>
    entry(key, name, () => router.push(href));
  return [
    [
      t.pages,
      [
        ...PAGES.map(([href, name]) => linked(href, name, href)),
        ...PAGES.flatMap(([page, pageName]) =>
          isWithViews(page)
            ? PAGE_VIEWS[page].map(([view, name]) =>
                linked(`${page} ${view}`, t.viewOf(pageName, name), viewHref(page, view)),
              )
            : [],
        ),
        linked('/beside', besideText.title, besideHref(beside)),
      ],
    ],
    [
      helpTitleText.help,
      HELP_TOPICS.map((topic) =>
        linked(`help ${topic}`, HELP_TITLES[topic], `/help?topic=${topic}`),
      ),
    ],
    [t.pictures, file.frames.map((f) => linked(f.id, f.name, `/brief?frame=${f.id}`))],
    [
      t.gear,
      ITEM_KINDS.flatMap((kind) =>
        shelf[kind].map(({ id, name }) => linked(id, name, `/shelf?kind=${kind}&item=${id}`)),
      ),
    ],
    [
      besideText.sideBySide,
      shelf.lenses.map(({ id, name }) =>
        linked(`beside ${id}`, besideText.besideIt(name), besideHref([...beside, id])),
      ),
    ],
    [
      t.selectionStyle,
      PROFILES.map(({ key }) =>
        entry(key, PROFILE_NAMES[key], () => edit(setLimits(withProfile(file.limits, key)))),
      ),
    ],
    [
      t.actions,
      [
        entry('undo', t.undo, undo),
        entry('redo', t.redo, redo),
        ...actions.map((action) => entry(action.label, action.label, action.run)),
      ],
    ],
  ];
}
