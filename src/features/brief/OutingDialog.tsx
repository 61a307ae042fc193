'use client';

import { outing } from '@/core/brief';
import { setOuting } from '@/document';
import { useEdit, useFile } from '@/session';
import { Dialog, EntityForm, FormText, FormTextArea, SelectField } from '@/ui';
import { briefFormText, STARTER_TEXTS } from '@/text';

const t = briefFormText.outingDialog;

const NO_GENRE = '';
const GENRES = [
  [NO_GENRE, t.noGenre] as const,
  ...Object.entries(STARTER_TEXTS).map(([key, { name }]) => [key, name] as const),
];

/** What the outing is called, where and when it is. */
export function OutingDialog({ onClose }: { onClose: () => void }) {
  const { outing: current } = useFile();
  const edit = useEdit();
  return (
    <Dialog
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.outing}
      description={t.changesCountAtOnceAnd}
    >
      <EntityForm
        label={t.outing}
        schema={outing}
        value={current}
        onValid={(next, field) => edit(setOuting(next), `outing.${field}`)}
      >
        <div className="grid grid-cols-2 gap-3">
          <div className="col-span-2">
            <FormText name="name" label={t.name} />
          </div>
          <div className="col-span-2">
            <FormText name="place" label={t.location} />
          </div>
          <FormText name="firstDay" label={t.firstDay} type="date" />
          <FormText name="lastDay" label={t.lastDay} type="date" />
          <FormText name="currency" label={t.currencyOfPrices} hint={t.threeLettersSuchAsEur} />
          <SelectField
            label={t.genre}
            value={current.genre ?? NO_GENRE}
            options={GENRES}
            onChange={(next) =>
              edit(setOuting({ ...current, genre: next === NO_GENRE ? null : next }))
            }
          />
          <div className="col-span-2">
            <FormTextArea name="note" label={t.note} />
          </div>
        </div>
      </EntityForm>
    </Dialog>
  );
}
