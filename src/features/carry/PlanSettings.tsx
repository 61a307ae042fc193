'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useWatch } from 'react-hook-form';
import { type Charging, type PackedWeights, packing as schema, type Packing } from '@/core/brief';
import { type CarryAnswer, type CarryPlan, USUAL_PICTURES_A_FRAME } from '@/core/carry';
import { freshId, setPacking, setTies } from '@/document';
import { useDesk, useEdit, useEditDesk, useFile } from '@/session';
import {
  Button,
  Choice,
  EntityForm,
  FormNumber,
  FormSelect,
  FormText,
  IconButton,
  SelectField,
  Tick,
  useFormSet,
} from '@/ui';
import { formatCount, formatWeight } from '@/text';

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
      <BagField />
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
          <FormNumber name="coldPercent" label="Battery loss in the cold" unit="%" />
          <FormNumber name="maxWeightG" label="Carry at most" unit="g" placeholder="no limit" />
          <FormNumber name="bagWeightG" label="Empty bag" unit="g" placeholder="not known" />
          <div className="col-span-2">
            <FormText name="base" label="Leave the rest in" />
          </div>
          <ChargingFields />
          <Compartments packing={packing} put={put} />
          <Things packing={packing} put={put} />
          <WeightFields />
        </div>
      </EntityForm>
    </div>
  );
}

const CHARGING: Record<Charging['kind'], string> = {
  nightly: 'every night',
  none: 'not at all',
  powerBank: 'from a power bank',
};

/** How batteries are filled, and spare cards. */
function ChargingFields() {
  const set = useFormSet();
  const kind = useWatch({ name: 'charging.kind' }) as Charging['kind'];
  return (
    <>
      <SelectField
        label="Charging"
        value={kind}
        options={Object.entries(CHARGING) as [Charging['kind'], string][]}
        onChange={(next) =>
          set('charging', next === 'powerBank' ? { kind: next, charges: 5 } : { kind: next })
        }
      />
      <FormSelect
        name="spareCards"
        label="Spare cards"
        options={[
          ['shared', 'one of each kind'],
          ['each', 'one for each camera'],
        ]}
      />
      {kind === 'powerBank' && <FormNumber name="charging.charges" label="Charges in it" />}
    </>
  );
}

const SMALL: readonly (readonly [keyof PackedWeights, string])[] = [
  ['batteryG', 'A battery'],
  ['cardG', 'A card'],
  ['tripodG', 'Tripod'],
  ['monopodG', 'Monopod'],
  ['filterG', 'A filter or ring'],
  ['flashG', 'Flash'],
  ['rainG', 'Rain or dust cover'],
  ['headlampG', 'Headlamp'],
  ['powerBankG', 'Power bank'],
];

/** What the small things weigh, for the limit on everything carried. */
function WeightFields() {
  return (
    <details className="col-span-2">
      <summary className="text-[12px] text-soft">Weights of small things</summary>
      <div className="grid grid-cols-2 gap-2">
        {SMALL.map(([key, label]) => (
          <FormNumber
            key={key}
            name={`weights.${key}`}
            label={label}
            unit="g"
            placeholder="not known"
          />
        ))}
      </div>
    </details>
  );
}

function planText(plan: CarryPlan): string {
  return `${formatCount(plan.changes, 'change', 'changes')}${plan.worst ? `, ${formatWeight(plan.worst.weightG)} at most` : ''}`;
}

/** Which of the person's bags is taken; changing it here makes it the outing's own. */
function BagField() {
  const { plan, shelf } = useDesk();
  const edit = useEditDesk();
  if (shelf.bags.length === 0) return null;
  return (
    <SelectField
      label="Bag"
      value={plan.ties.bagId ?? ''}
      options={[['', 'this outing’s own'], ...shelf.bags.map((b) => [b.id, b.name] as const)]}
      onChange={(id) => edit(setTies({ bagId: id === '' ? null : id }))}
    />
  );
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
