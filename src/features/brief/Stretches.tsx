'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import {
  type Hand,
  type Shooter,
  shooterId,
  stretch as stretchSchema,
  type Stretch,
  stretchId,
} from '@/core/brief';
import { freshId, putStretch, removeStretch, setOuting } from '@/document';
import { useEdit, useFile } from '@/session';
import {
  Button,
  Dialog,
  EntityForm,
  FormNumber,
  FormSelect,
  FormText,
  FormTextArea,
  formatCount,
  formatWeight,
  IconButton,
  TextField,
  Tick,
  useFormSet,
} from '@/ui';

import { Timeline } from './Timeline';

const WEATHERS = { dry: 'dry', wet: 'wet', dust: 'dust or sand' } as const;

/** The parts of the outing in time order: where, in what weather, what is in hand. */
export function Stretches() {
  const file = useFile();
  const edit = useEdit();
  const [opened, setOpened] = useState<string | null>(null);
  const current = file.stretches.find((s) => s.id === opened);
  const add = () => {
    const added = newStretch(file.stretches);
    edit(putStretch(added));
    setOpened(added.id);
  };
  return (
    <section aria-labelledby="stretches" className="mb-5">
      <div className="mb-1 flex items-end justify-between gap-3">
        <h2 id="stretches" className="text-lg">
          Stretches
        </h2>
        <span className="flex gap-2">
          <Shooters />
          <Button onClick={add}>
            <Plus size={14} aria-hidden /> Add a stretch
          </Button>
        </span>
      </div>
      {file.stretches.length === 0 ? (
        <p className="max-w-prose border-t border-hair pt-2 text-soft">
          One stretch, with everything at hand. Add stretches where something differs: lenses cannot
          be changed, it is wet, fewer bodies are in hand, or two shooters share the gear.
        </p>
      ) : (
        <>
          <Timeline onOpen={setOpened} about={stretchText} />
          <ol className="flex flex-wrap border-t border-hair empty:hidden">
            {file.stretches
              .filter((s) => s.fromTime === null || s.toTime === null)
              .map((s) => (
                <li key={s.id} className="border-r border-b border-hair">
                  <button
                    type="button"
                    className="min-h-7 px-3 py-1 text-left hover:bg-chosen"
                    onClick={() => setOpened(s.id)}
                  >
                    <span className="block font-semibold">{s.name}</span>
                    <span className="block text-[12px] text-soft">{stretchText(s)}</span>
                  </button>
                </li>
              ))}
          </ol>
          {file.stretches.some((s) => s.fromTime !== null && s.toTime !== null) && (
            <p className="text-[12px] text-soft">
              Drag a bar to move it, its end to lengthen it; by keyboard ← → and Shift ← →. Enter
              opens it.
            </p>
          )}
        </>
      )}
      <Dialog
        open={current !== undefined}
        onOpenChange={(open) => !open && setOpened(null)}
        title={current?.name ?? 'Stretch'}
        description="Changes count at once and can be undone."
      >
        {current && (
          <StretchForm
            key={current.id}
            stretch={current}
            onRemove={() => {
              setOpened(null);
              edit(removeStretch(current.id));
            }}
          />
        )}
      </Dialog>
    </section>
  );
}

function newStretch(stretches: readonly Stretch[]): Stretch {
  const taken = new Set<string>(stretches.map((s) => s.id));
  return {
    id: stretchId.parse(freshId('stretch', taken)),
    name: 'New stretch',
    day: null,
    fromTime: null,
    toTime: null,
    place: '',
    weather: 'dry',
    changes: true,
    hands: [],
    note: '',
  };
}

/** What is particular about a stretch, short. */
function stretchText({ weather, changes, hands }: Stretch): string {
  const limits = hands.flatMap((h) => [
    ...(h.bodies === null ? [] : [formatCount(h.bodies, 'body', 'bodies')]),
    ...(h.maxWeightG === null ? [] : [formatWeight(h.maxWeightG)]),
  ]);
  return [
    ...(weather === 'dry' ? [] : [WEATHERS[weather]]),
    ...(changes ? [] : ['no change']),
    ...(hands.length > 1 ? [`${hands.length} shooters`] : []),
    ...limits,
  ].join(', ');
}

function StretchForm({ stretch, onRemove }: { stretch: Stretch; onRemove: () => void }) {
  const edit = useEdit();
  return (
    <EntityForm
      label={`Stretch ${stretch.name}`}
      schema={stretchSchema}
      value={stretch}
      onValid={(next, field) => edit(putStretch(next), `${stretch.id}.${field}`)}
    >
      <div className="grid grid-cols-3 gap-2">
        <div className="col-span-3">
          <FormText name="name" label="Name" />
        </div>
        <FormText name="day" label="Day" type="date" />
        <FormText name="fromTime" label="From" type="time" />
        <FormText name="toTime" label="To" type="time" />
        <div className="col-span-2">
          <FormText name="place" label="Place" />
        </div>
        <FormSelect
          name="weather"
          label="Weather"
          options={Object.entries(WEATHERS) as [keyof typeof WEATHERS, string][]}
        />
        <div className="col-span-3">
          <ChangesTick />
        </div>
        <div className="col-span-3">
          <HandsFields />
        </div>
        <div className="col-span-3">
          <FormTextArea name="note" label="Note" />
        </div>
      </div>
      <p className="mt-3">
        <Button onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> Remove this stretch
        </Button>
      </p>
    </EntityForm>
  );
}

function ChangesTick() {
  const set = useFormSet();
  const changes = useWatch({ name: 'changes' }) as boolean;
  return (
    <Tick label="Lenses can be changed here" on={changes} onChange={(on) => set('changes', on)} />
  );
}

const everything = (shooter: Shooter): Hand => ({
  shooterId: shooter.id,
  bodyIds: [],
  bodies: null,
  maxWeightG: null,
});

/** Who is there, with which bodies and how much weight. */
function HandsFields() {
  const { outing, shelf } = useFile();
  const set = useFormSet();
  const hands = useWatch({ name: 'hands' }) as Hand[];
  if (outing.shooters.length === 0) {
    return (
      <p className="text-[12px] text-soft">
        Name the shooters first to say which bodies are in hand and how much may be carried.
      </p>
    );
  }
  return (
    <fieldset>
      <legend className="text-[12px] text-soft">
        Who is there; nobody ticked, the first shooter with everything
      </legend>
      {outing.shooters.map((shooter) => {
        const at = hands.findIndex((h) => h.shooterId === shooter.id);
        const hand = hands[at];
        return (
          <Tick
            key={shooter.id}
            label={shooter.name}
            on={at >= 0}
            onChange={(on) =>
              set(
                'hands',
                on
                  ? [...hands, everything(shooter)]
                  : hands.filter((h) => h.shooterId !== shooter.id),
              )
            }
          >
            <div className="ml-5 grid grid-cols-2 gap-2">
              <FormNumber name={`hands.${at}.bodies`} label="Bodies in hand" placeholder="all" />
              <FormNumber
                name={`hands.${at}.maxWeightG`}
                label="Carries at most"
                unit="g"
                placeholder="no limit"
              />
              <span className="col-span-2 flex flex-wrap gap-x-4">
                {shelf.bodies.map((b) => (
                  <Tick
                    key={b.id}
                    label={b.name}
                    on={hand?.bodyIds.includes(b.id) ?? false}
                    onChange={(on) =>
                      set(
                        `hands.${at}.bodyIds`,
                        on
                          ? [...(hand?.bodyIds ?? []), b.id]
                          : hand?.bodyIds.filter((id) => id !== b.id),
                      )
                    }
                  />
                ))}
                <span className="text-[12px] text-soft">no body ticked, any of them</span>
              </span>
            </div>
          </Tick>
        );
      })}
    </fieldset>
  );
}

/** Everyone who photographs, by name. */
function Shooters() {
  const { outing, stretches, frames } = useFile();
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const put = (shooters: Shooter[], field: string) =>
    edit(setOuting({ ...outing, shooters }), field);
  const inUse = (id: string) =>
    stretches.some((s) => s.hands.some((h) => h.shooterId === id)) ||
    frames.some(
      (f) => f.shooterIds.some((s) => s === id) || f.views.some((v) => v.shooterId === id),
    );
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        {formatCount(Math.max(1, outing.shooters.length), 'shooter', 'shooters')}
      </Button>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="Shooters"
        description="Everyone who photographs on this outing. The first is you."
      >
        <ul className="space-y-2">
          {outing.shooters.map((s, i) => (
            <li key={s.id} className="flex items-end gap-2">
              <TextField
                label={`Shooter ${i + 1}`}
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
                label={inUse(s.id) ? `${s.name} is named in the outing` : `Remove ${s.name}`}
                disabled={inUse(s.id)}
                onClick={() =>
                  put(
                    outing.shooters.filter((o) => o.id !== s.id),
                    '',
                  )
                }
              >
                <Trash2 size={14} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
        <p className="mt-3">
          <Button
            onClick={() => {
              const taken = new Set<string>(outing.shooters.map((s) => s.id));
              const name = taken.size === 0 ? 'First shooter' : `Shooter ${taken.size + 1}`;
              const id = shooterId.parse(freshId('shooter', taken));
              put([...outing.shooters, { id, name }], '');
            }}
          >
            <Plus size={14} aria-hidden /> Add a shooter
          </Button>
        </p>
      </Dialog>
    </>
  );
}
