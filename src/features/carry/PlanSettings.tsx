'use client';

import { Plus, Trash2 } from 'lucide-react';
import { packing as schema, type Packing } from '@/core/brief';
import { type CarryAnswer, type CarryPlan, USUAL_PICTURES_A_FRAME } from '@/core/carry';
import { freshId, setPacking } from '@/document';
import { useEdit, useFile } from '@/session';
import {
  Button,
  Choice,
  EntityForm,
  formatCount,
  formatWeight,
  FormNumber,
  FormText,
  IconButton,
  Tick,
} from '@/ui';

const PREFER: readonly (readonly [Packing['prefer'], string])[] = [
  ['changes', 'fewer changes'],
  ['weight', 'less weight'],
];

/** What the plan goes by. */
export function PlanSettings({ answer }: { answer: CarryAnswer }) {
  const { packing, stretches, frames } = useFile();
  const edit = useEdit();
  const put = (change: Partial<Packing>, field: string) =>
    edit(setPacking(change), `packing.${field}`);
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <Choice
        label="First of all"
        value={packing.prefer}
        options={PREFER}
        onChange={(prefer) => put({ prefer }, 'prefer')}
      />
      {answer.other && (
        <p className="text-[13px] text-soft">
          The other way: {planText(answer.other)}; this way: {planText(answer.plan)}.
        </p>
      )}
      {stretches.length > 0 && (
        <fieldset>
          <legend className="text-[12px] text-soft">Pictures in any order</legend>
          {stretches
            .filter((s) => s.changes)
            .map((s) => (
              <Tick
                key={s.id}
                label={s.name}
                on={packing.anyOrder.includes(s.id)}
                onChange={(on) =>
                  put(
                    {
                      anyOrder: on
                        ? [...packing.anyOrder, s.id]
                        : packing.anyOrder.filter((id) => id !== s.id),
                    },
                    'anyOrder',
                  )
                }
              />
            ))}
        </fieldset>
      )}
      <EntityForm
        label="Packing"
        schema={schema}
        value={packing}
        onValid={(next, field) => put(next, field)}
      >
        <div className="grid grid-cols-2 gap-2">
          <FormNumber
            name="pictures"
            label="Pictures expected"
            placeholder={String(USUAL_PICTURES_A_FRAME * frames.length)}
          />
          <FormNumber name="coldPercent" label="Cold takes" unit="%" />
          <FormNumber name="maxWeightG" label="Carry at most" unit="g" placeholder="no limit" />
          <FormNumber name="bagWeightG" label="Empty bag" unit="g" placeholder="not known" />
          <div className="col-span-2">
            <FormText name="base" label="The rest stays in" />
          </div>
          <Compartments packing={packing} put={put} />
          <Things packing={packing} put={put} />
        </div>
      </EntityForm>
    </div>
  );
}

function planText(plan: CarryPlan): string {
  return `${formatCount(plan.changes, 'change', 'changes')}${plan.worst ? `, ${formatWeight(plan.worst.weightG)} at most` : ''}`;
}

interface ListProps {
  readonly packing: Packing;
  readonly put: (change: Partial<Packing>, field: string) => void;
}

function Compartments({ packing, put }: ListProps) {
  const { compartments } = packing;
  const add = () => {
    const id = freshId('compartment', new Set(compartments.map((c) => c.id)));
    const fresh = { id, name: 'Compartment', widthMm: 280, heightMm: 170, depthMm: 400 };
    put({ compartments: [...compartments, fresh] }, 'compartments');
  };
  return (
    <fieldset className="col-span-2 space-y-2">
      <legend className="text-[12px] text-soft">Bag, inner sizes</legend>
      {compartments.map((c, i) => (
        <div key={c.id} className="grid grid-cols-3 gap-1.5 border-b border-hair pb-2">
          <div className="col-span-2">
            <FormText name={`compartments.${i}.name`} label="Compartment" />
          </div>
          <span className="flex items-end justify-end">
            <IconButton
              label={`Remove ${c.name}`}
              onClick={() => put({ compartments: compartments.filter((x) => x !== c) }, '')}
            >
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </span>
          <FormNumber name={`compartments.${i}.widthMm`} label="Width" unit="mm" />
          <FormNumber name={`compartments.${i}.heightMm`} label="Height" unit="mm" />
          <FormNumber name={`compartments.${i}.depthMm`} label="Depth" unit="mm" />
        </div>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden /> Add a compartment
      </Button>
    </fieldset>
  );
}

function Things({ packing, put }: ListProps) {
  const { things } = packing;
  const add = () => {
    const id = freshId('thing', new Set(things.map((t) => t.id)));
    put({ things: [...things, { id, name: 'New thing', weightG: null }] }, 'things');
  };
  return (
    <fieldset className="col-span-2 space-y-1">
      <legend className="text-[12px] text-soft">Things of your own</legend>
      {things.map((t, i) => (
        <div key={t.id} className="grid grid-cols-[1fr_5.5rem_1.75rem] items-end gap-1.5">
          <FormText name={`things.${i}.name`} label="Thing" />
          <FormNumber name={`things.${i}.weightG`} label="Weight" unit="g" placeholder="?" />
          <IconButton
            label={`Remove ${t.name}`}
            onClick={() => put({ things: things.filter((x) => x !== t) }, '')}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </div>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden /> Add a thing
      </Button>
    </fieldset>
  );
}
