'use client';

import { Plus, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
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
import { carryText, counted, formatWeight } from '@/text';

const text = carryText.planSettings;

const PREFER: readonly (readonly [Packing['prefer'], string])[] = [
  ['changes', text.fewerChanges],
  ['weight', text.lessWeight],
];

/** Changes fields of the packing; those of one name become one step of the history. */
type PutPacking = (change: Partial<Packing>, field: string) => void;

function usePutPacking(): PutPacking {
  const edit = useEdit();
  return (change, field) => edit(setPacking(change), `packing.${field}`);
}

/** Fields of the packing, beside the view that goes by them. */
function Settings({ children }: { readonly children: ReactNode }) {
  const { packing } = useFile();
  const put = usePutPacking();
  return (
    <EntityForm
      label={text.packing}
      schema={schema}
      value={packing}
      onValid={(next, field) => put(next, field)}
    >
      <div className="grid grid-cols-2 gap-2">{children}</div>
    </EntityForm>
  );
}

/** What the plan of the day goes by. */
export function DaySettings({ answer }: { answer: CarryAnswer }) {
  const { packing, stretches } = useFile();
  const put = usePutPacking();
  return (
    <div className="space-y-3">
      <Choice
        label={text.prefer}
        value={packing.prefer}
        options={PREFER}
        onChange={(prefer) => put({ prefer }, 'prefer')}
      />
      {answer.other && (
        <p className="text-[13px] text-soft">
          {text.otherPreference(packing.prefer, planTold(answer.other), planTold(answer.plan))}
        </p>
      )}
      {stretches.length > 0 && (
        <fieldset>
          <legend className="text-[12px] text-soft">{text.picturesInAnyOrder}</legend>
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
      <Settings>
        <FormNumber
          name="maxWeightG"
          label={text.carryAtMost}
          unit="g"
          placeholder={text.noLimit}
        />
        <FormText name="base" label={text.leaveTheRestIn} />
      </Settings>
    </div>
  );
}

/** What the packing list goes by. */
export function PackingSettings() {
  const { packing, frames } = useFile();
  const put = usePutPacking();
  return (
    <Settings>
      <FormNumber
        name="pictures"
        label={text.picturesExpected}
        placeholder={String(USUAL_PICTURES_A_FRAME * frames.length)}
      />
      <FormNumber name="coldPercent" label={text.batteryLossInTheCold} unit="%" />
      <ChargingFields />
      <Things packing={packing} put={put} />
      <WeightFields />
    </Settings>
  );
}

/** What it is packed into. */
export function BagSettings() {
  const { packing } = useFile();
  const put = usePutPacking();
  return (
    <div className="space-y-3">
      <BagField />
      <Settings>
        <FormNumber name="bagWeightG" label={text.emptyBag} unit="g" placeholder={text.unknown} />
        <Compartments packing={packing} put={put} />
      </Settings>
    </div>
  );
}

const CHARGING: Record<Charging['kind'], string> = {
  nightly: text.everyNight,
  none: text.notAtAll,
  powerBank: text.fromAPowerBank,
};

/** How batteries are filled, and spare cards. */
function ChargingFields() {
  const set = useFormSet();
  const kind = useWatch({ name: 'charging.kind' }) as Charging['kind'];
  return (
    <>
      <SelectField
        label={text.charging}
        value={kind}
        options={Object.entries(CHARGING) as [Charging['kind'], string][]}
        onChange={(next) =>
          set('charging', next === 'powerBank' ? { kind: next, charges: 5 } : { kind: next })
        }
      />
      <FormSelect
        name="spareCards"
        label={text.spareCards}
        options={[
          ['shared', text.oneOfEachKind],
          ['each', text.oneForEachCamera],
        ]}
      />
      {kind === 'powerBank' && <FormNumber name="charging.charges" label={text.chargesItHolds} />}
    </>
  );
}

const SMALL: readonly (readonly [keyof PackedWeights, string])[] = [
  ['batteryG', text.aBattery],
  ['cardG', text.aCard],
  ['tripodG', text.tripod],
  ['monopodG', text.monopod],
  ['filterG', text.aFilterOrRing],
  ['flashG', text.flash],
  ['rainG', text.rainOrDustCover],
  ['headlampG', text.headlamp],
  ['powerBankG', text.powerBank],
];

/** What the small things weigh, for the limit on everything carried. */
function WeightFields() {
  return (
    <details className="col-span-2">
      <summary className="text-[12px] text-soft">{text.weightsOfSmallItems}</summary>
      <div className="grid grid-cols-2 gap-2">
        {SMALL.map(([key, label]) => (
          <FormNumber
            key={key}
            name={`weights.${key}`}
            label={label}
            unit="g"
            placeholder={text.unknown}
          />
        ))}
      </div>
    </details>
  );
}

function planTold(plan: CarryPlan): string {
  return `${counted(plan.changes, 'lensChange')}${plan.worst ? text.atMost(formatWeight(plan.worst.weightG)) : ''}`;
}

/** Which of the person's bags is taken; changing it here makes it the outing's own. */
function BagField() {
  const { plan, shelf } = useDesk();
  const edit = useEditDesk();
  if (shelf.bags.length === 0) return null;
  return (
    <SelectField
      label={text.bag}
      value={plan.ties.bagId ?? ''}
      options={[['', text.thisOutingsOwn], ...shelf.bags.map((b) => [b.id, b.name] as const)]}
      onChange={(id) => edit(setTies({ bagId: id === '' ? null : id }))}
    />
  );
}

interface ListProps {
  readonly packing: Packing;
  readonly put: PutPacking;
}

function Compartments({ packing, put }: ListProps) {
  const { compartments } = packing;
  const add = () => {
    const id = freshId('compartment', new Set(compartments.map((c) => c.id)));
    const fresh = { id, name: text.compartment, widthMm: 280, heightMm: 170, depthMm: 400 };
    put({ compartments: [...compartments, fresh] }, 'compartments');
  };
  return (
    <fieldset className="col-span-2 space-y-2">
      <legend className="text-[12px] text-soft">{text.bagInnerSizes}</legend>
      {compartments.map((c, i) => (
        <div key={c.id} className="grid grid-cols-3 gap-1.5 border-b border-hair pb-2">
          <div className="col-span-2">
            <FormText name={`compartments.${i}.name`} label={text.compartment} />
          </div>
          <span className="flex items-end justify-end">
            <IconButton
              label={text.deleteIt(c.name)}
              onClick={() => put({ compartments: compartments.filter((x) => x !== c) }, '')}
            >
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </span>
          <FormNumber name={`compartments.${i}.widthMm`} label={text.width} unit="mm" />
          <FormNumber name={`compartments.${i}.heightMm`} label={text.height} unit="mm" />
          <FormNumber name={`compartments.${i}.depthMm`} label={text.depth} unit="mm" />
        </div>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden />
        {text.addACompartment}
      </Button>
    </fieldset>
  );
}

function Things({ packing, put }: ListProps) {
  const { things } = packing;
  const add = () => {
    const id = freshId('thing', new Set(things.map((t) => t.id)));
    put({ things: [...things, { id, name: text.newThing, weightG: null }] }, 'things');
  };
  return (
    <fieldset className="col-span-2 space-y-1">
      <legend className="text-[12px] text-soft">{text.yourOwnThings}</legend>
      {things.map((t, i) => (
        <div key={t.id} className="grid grid-cols-[1fr_5.5rem_auto] items-end gap-1.5">
          <FormText name={`things.${i}.name`} label={text.thing} />
          <FormNumber name={`things.${i}.weightG`} label={text.weight} unit="g" placeholder="?" />
          <IconButton
            label={text.deleteIt(t.name)}
            onClick={() => put({ things: things.filter((x) => x !== t) }, '')}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </div>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden />
        {text.addAThing}
      </Button>
    </fieldset>
  );
}
