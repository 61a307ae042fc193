'use client';

import { NO_GEAR, type OutingFile } from '@/document';
import { outingFromStarter, STARTERS } from '@/document/starters';
import { useDesk } from '@/session';
import { Dialog } from '@/ui';
import { counted, STARTER_TEXTS, dialogText } from '@/text';

const t = dialogText.starterDialog;

/** The starter briefs by genre; one chosen becomes a new outing with the person's shelf. */
export function StarterDialog({
  open,
  onOpenChange,
  onChoose,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onChoose: (file: OutingFile) => void;
}) {
  const { settings, shelf } = useDesk();
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={t.startFromABrief}
      description={t.typicalPicturesDistancesAndLight}
      wide
    >
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {STARTERS.map((starter) => (
          <li key={starter.key} className="border-b border-hair">
            <button
              type="button"
              className="w-full px-2 py-2 text-left hover:bg-chosen"
              onClick={() =>
                onChoose(
                  outingFromStarter(starter, STARTER_TEXTS[starter.key], {
                    shelf: NO_GEAR,
                    atHand: shelf.gear,
                    currency: settings.currency,
                  }),
                )
              }
            >
              <span className="block font-semibold">{STARTER_TEXTS[starter.key].name}</span>
              <span className="block text-[13px] text-soft">
                {STARTER_TEXTS[starter.key].about} {counted(starter.shots.length, 'picture')}.
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
