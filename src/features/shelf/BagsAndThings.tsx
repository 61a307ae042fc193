'use client';

import { Plus, Trash2 } from 'lucide-react';
import { type Bag, bag as bagSchema, freshId, setBags, setUsualThings } from '@/document';
import { packedThing, type PackedThing } from '@/core/brief';
import { useDesk, useEditDesk } from '@/session';
import { Button, EntityForm, FormNumber, FormText, IconButton } from '@/ui';
import { shelfText } from '@/text';

const text = shelfText.bagsAndThings;

/** Bags with their compartments, and what is packed on every outing unless it is left at home. */
export function BagsAndThings() {
  return (
    <div className="grid gap-8 border-t border-hair pt-3 lg:grid-cols-2">
      <Bags />
      <Things />
    </div>
  );
}

function Bags() {
  const { bags } = useDesk().shelf;
  const edit = useEditDesk();
  const put = (next: Bag, field: string) =>
    edit(setBags(bags.map((b) => (b.id === next.id ? next : b))), `${next.id}.${field}`);
  const add = () => {
    const id = freshId('bag', new Set(bags.map((b) => b.id)));
    const compartment = { id: 'main', name: text.main, widthMm: 280, heightMm: 170, depthMm: 400 };
    edit(setBags([...bags, { id, name: text.myBag, weightG: null, compartments: [compartment] }]));
  };
  return (
    <section aria-labelledby="bags" className="space-y-3">
      <h2 id="bags" className="text-lg">
        {text.bags}
      </h2>
      {bags.length === 0 && <p className="max-w-prose text-soft">{text.addABagWithIts}</p>}
      {bags.map((bag) => (
        <EntityForm
          key={bag.id}
          label={text.bag(bag.name)}
          schema={bagSchema}
          value={bag}
          onValid={put}
        >
          <div className="grid grid-cols-[1fr_8.5rem_auto] items-end gap-2">
            <FormText name="name" label={text.bag2} />
            <FormNumber name="weightG" label={text.weight} unit="g" placeholder={text.unknown} />
            <IconButton
              label={text.deleteIt(bag.name)}
              onClick={() => edit(setBags(bags.filter((b) => b !== bag)))}
            >
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </div>
          <Compartments bag={bag} onChange={(compartments) => put({ ...bag, compartments }, '')} />
        </EntityForm>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden />
        {text.addABag}
      </Button>
    </section>
  );
}

function Compartments({
  bag: { compartments, name },
  onChange,
}: {
  bag: Bag;
  onChange: (compartments: Bag['compartments']) => void;
}) {
  const add = () => {
    const id = freshId('compartment', new Set(compartments.map((c) => c.id)));
    onChange([
      ...compartments,
      { id, name: text.compartment, widthMm: 200, heightMm: 120, depthMm: 200 },
    ]);
  };
  return (
    <div className="mt-1 space-y-1 border-l border-hair pl-3">
      {compartments.map((c, i) => (
        <div key={c.id} className="grid grid-cols-[1fr_5rem_5rem_5rem_auto] items-end gap-1.5">
          <FormText name={`compartments.${i}.name`} label={text.compartment} />
          <FormNumber name={`compartments.${i}.widthMm`} label={text.width} unit="mm" />
          <FormNumber name={`compartments.${i}.heightMm`} label={text.height} unit="mm" />
          <FormNumber name={`compartments.${i}.depthMm`} label={text.depth} unit="mm" />
          <IconButton
            label={text.deleteOf(c.name, name)}
            onClick={() => onChange(compartments.filter((x) => x !== c))}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </div>
      ))}
      <Button look="quiet" onClick={add}>
        <Plus size={14} aria-hidden />
        {text.addACompartment}
      </Button>
    </div>
  );
}

function Things() {
  const { things } = useDesk().shelf;
  const edit = useEditDesk();
  const put = (next: PackedThing, field: string) =>
    edit(setUsualThings(things.map((t) => (t.id === next.id ? next : t))), `${next.id}.${field}`);
  const add = () => {
    const id = freshId('usual', new Set(things.map((t) => t.id)));
    edit(setUsualThings([...things, { id, name: text.newThing, weightG: null }]));
  };
  return (
    <section aria-labelledby="things" className="space-y-3">
      <h2 id="things" className="text-lg">
        {text.packedOnEveryOuting}
      </h2>
      {things.length === 0 && <p className="max-w-prose text-soft">{text.aLensClothAHeadlamp}</p>}
      {things.map((thing) => (
        <EntityForm
          key={thing.id}
          label={text.thing(thing.name)}
          schema={packedThing}
          value={thing}
          onValid={put}
        >
          <div className="grid grid-cols-[1fr_8.5rem_auto] items-end gap-2">
            <FormText name="name" label={text.thing2} />
            <FormNumber name="weightG" label={text.weight} unit="g" placeholder={text.unknown} />
            <IconButton
              label={text.deleteIt(thing.name)}
              onClick={() => edit(setUsualThings(things.filter((t) => t !== thing)))}
            >
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </div>
        </EntityForm>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden />
        {text.addAThing}
      </Button>
    </section>
  );
}
