'use client';

import { outing } from '@/core/brief';
import { setOuting } from '@/document';
import { useEdit, useFile } from '@/session';
import { Dialog, EntityForm, FormText, FormTextArea } from '@/ui';

/** What the outing is called, where and when it is. */
export function OutingDialog({ onClose }: { onClose: () => void }) {
  const { outing: current } = useFile();
  const edit = useEdit();
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title="Outing"
      description="Changes count at once and can be undone."
    >
      <EntityForm
        label="Outing"
        schema={outing}
        value={current}
        onValid={(next, field) => edit(setOuting(next), `outing.${field}`)}
      >
        <div className="grid grid-cols-2 gap-3">
          <div className="col-span-2">
            <FormText name="name" label="Name" />
          </div>
          <div className="col-span-2">
            <FormText name="place" label="Place" />
          </div>
          <FormText name="firstDay" label="First day" type="date" />
          <FormText name="lastDay" label="Last day" type="date" />
          <FormText name="currency" label="Currency of prices" hint="three letters, such as EUR" />
          <div className="col-span-2">
            <FormTextArea name="note" label="Note" />
          </div>
        </div>
      </EntityForm>
    </Dialog>
  );
}
