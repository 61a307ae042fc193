'use client';

import type { Refusal } from '@/document';
import { Button, Dialog } from '@/ui';

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
      title="The file was not opened"
      description={`${name}: ${refusal.message} Your outing is as it was.`}
    >
      <ul className="space-y-1">
        {refusal.issues
          .filter((issue) => issue.path !== '')
          .map((issue) => (
            <li key={issue.path + issue.message}>
              <code className="text-wrong">{issue.path}</code> {issue.message}
            </li>
          ))}
      </ul>
      <div className="mt-4 flex justify-end">
        <Button look="strong" onClick={onClose}>
          Close
        </Button>
      </div>
    </Dialog>
  );
}
