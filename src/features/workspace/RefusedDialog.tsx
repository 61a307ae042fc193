'use client';

import type { Refusal } from '@/document';
import { Button, Dialog } from '@/ui';
import { fieldProblemText, issueText, refusalText, dialogText } from '@/text';

const t = dialogText.refusedDialog;

/** What is wrong with a file that was not opened, place by place. */
export function RefusedDialog({
  name,
  refusal,
  onClose,
}: {
  readonly name: string;
  readonly refusal: Refusal;
  readonly onClose: () => void;
}) {
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.theFileWasNotOpened}
      description={t.yourOutingIsAsIt(name, refusalText(refusal))}
    >
      <ul className="space-y-1">
        {refusal.issues
          .filter((issue) => issue.path !== '')
          .map((issue) => (
            <li key={issueText(issue)}>
              <code className="text-wrong">{issue.path}</code> {fieldProblemText(issue.problem)}
            </li>
          ))}
      </ul>
      <div className="mt-4 flex justify-end">
        <Button look="strong" onClick={onClose}>
          {t.close}
        </Button>
      </div>
    </Dialog>
  );
}
