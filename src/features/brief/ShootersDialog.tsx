'use client';

import { Plus, Trash2 } from 'lucide-react';
import { type Shooter, shooterId } from '@/core/brief';
import { addShooter, freshId, removeShooter, setOuting } from '@/document';
import { useEdit, useFile } from '@/session';
import { Button, Dialog, IconButton, TextField } from '@/ui';
import { briefFormText } from '@/text';

const t = briefFormText.shootersDialog;

/** Everyone who photographs, by name. */
export function ShootersDialog({ onClose }: { onClose: () => void }) {
  const { outing, frames } = useFile();
  const edit = useEdit();
  const put = (shooters: Shooter[], field: string) =>
    edit(setOuting({ ...outing, shooters }), field);
  const add = (placed: boolean) => {
    const taken = new Set<string>(outing.shooters.map((s) => s.id));
    const people = outing.shooters.filter((s) => !s.placed).length;
    const name = placed ? t.placedCamera : people === 0 ? t.firstShooter : t.shooter(people + 1);
    const id = shooterId.parse(freshId(placed ? 'placed' : 'shooter', taken));
    edit(addShooter({ id, name, placed }));
  };
  // Who is only in stretches is taken out of them; pictures that name somebody would change their meaning.
  const inUse = (id: string) =>
    frames.some(
      (f) => f.shooterIds.some((s) => s === id) || f.views.some((v) => v.shooterId === id),
    );
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={t.shooters}
      description={t.everyoneWhoPhotographsOnThis}
    >
      <ul className="space-y-2">
        {outing.shooters.map((s, i) => (
          <li key={s.id} className="flex items-end gap-2" data-placed={s.placed}>
            <TextField
              label={s.placed ? t.placedCamera2(i + 1) : t.shooter(i + 1)}
              value={s.name}
              onChange={(name) =>
                name.trim() !== '' &&
                put(
                  outing.shooters.map((o) => (o.id === s.id ? { ...o, name } : o)),
                  `shooter.${s.id}`,
                )
              }
            />
            <IconButton
              label={inUse(s.id) ? t.isUsedInTheOuting(s.name) : t.deleteIt(s.name)}
              disabled={inUse(s.id)}
              onClick={() => edit(removeShooter(s.id))}
            >
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <p className="mt-3 flex flex-wrap gap-2">
        <Button onClick={() => add(false)}>
          <Plus size={14} aria-hidden />
          {t.addAShooter}
        </Button>
        <Button onClick={() => add(true)}>
          <Plus size={14} aria-hidden />
          {t.addAPlacedCamera}
        </Button>
      </p>
    </Dialog>
  );
}
