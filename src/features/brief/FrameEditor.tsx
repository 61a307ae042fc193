'use client';

import { useWatch } from 'react-hook-form';
import {
  type Frame,
  frame as frameSchema,
  type Need,
  type Output,
  type SubjectKey,
  SUBJECTS,
} from '@/core/brief';
import { putFrame, STARTING_NEEDS, STARTING_OUTPUTS } from '@/document';
import { useEdit } from '@/session';
import {
  EntityForm,
  FormChoice,
  FormNumber,
  FormSelect,
  FormText,
  FormTextArea,
  SelectField,
  Tick,
  useFormSet,
} from '@/ui';
import { FOOTING_HINTS, FOOTINGS, SUBJECT_NAMES, WANTS } from '@/text';
import { FrameStanding } from './FrameStanding';
import { FrameView } from './FrameView';
import { LightFields } from './LightFields';
import { pairs, Section } from './parts';
import { WhereFields } from './WhereFields';
import { WishFields } from './WishFields';

const NEED_KINDS: Record<Need['kind'], string> = {
  subject: 'a subject at a distance',
  far: 'something far away, as an angle',
  focal: 'a focal length on 36×24 mm',
  angle: 'an angle of view',
  fisheye: 'a fisheye’s picture',
};

const OUTPUT_KINDS: Record<Output['kind'], string> = {
  uncropped: 'the whole picture, uncropped',
  pixels: 'a screen, in pixels',
  print: 'a print',
};

/** Wishes that fall away when the frame is not a subject at a distance any more. */
const SUBJECT_ONLY = [
  ['depth', { sharp: null, blur: null }],
  ['special.magnification', null],
  ['views', []],
] as const;

/** One frame in full. Every valid change counts at once; what is not valid waits with its message. */
export function FrameEditor({ frame }: { frame: Frame }) {
  const edit = useEdit();
  return (
    <div className="space-y-4 border-t border-ink pt-2">
      <FrameStanding frame={frame} />
      <FrameView frame={frame} />
      <EntityForm
        label={`Picture ${frame.name}`}
        schema={frameSchema}
        value={frame}
        onValid={(next, field) => edit(putFrame(next), `${frame.id}.${field}`)}
      >
        <div className="space-y-4">
          <FormText name="name" label="Picture" />
          <div className="grid grid-cols-[1fr_7rem] gap-3">
            <FormChoice name="want" label="How badly wanted" options={pairs(WANTS)} />
            <FormNumber name="sharePercent" label="Share of pictures" unit="%" placeholder="even" />
          </div>
          <NeedFields />
          <LightFields />
          <WishFields />
          <WhereFields />
          <OutputFields />
          <FormTextArea name="note" label="Note" />
        </div>
      </EntityForm>
    </div>
  );
}

function NeedFields() {
  const kind = useWatch({ name: 'need.kind' }) as Need['kind'];
  const set = useFormSet();
  return (
    <Section title="What must fit">
      <SelectField
        label="Given as"
        value={kind}
        options={pairs(NEED_KINDS)}
        onChange={(next) => {
          set('need', STARTING_NEEDS[next]);
          if (next !== 'subject') for (const [name, value] of SUBJECT_ONLY) set(name, value);
        }}
      />
      {kind === 'subject' && <SubjectFields />}
      {kind === 'far' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="need.widthDeg" label="Width" unit="°" placeholder="any" />
          <FormNumber name="need.heightDeg" label="Height" unit="°" placeholder="any" />
        </div>
      )}
      {(kind === 'subject' || kind === 'far') && <FillFields />}
      {kind === 'focal' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="need.fromMm" label="From" unit="mm" />
          <FormNumber name="need.toMm" label="To" unit="mm" />
        </div>
      )}
      {kind === 'angle' && (
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="need.fromDeg" label="From" unit="°" />
          <FormNumber name="need.toDeg" label="To" unit="°" />
          <FormSelect
            name="need.across"
            label="Across the"
            options={[
              ['diagonal', 'diagonal'],
              ['width', 'width'],
              ['height', 'height'],
            ]}
          />
        </div>
      )}
      {(kind === 'focal' || kind === 'angle') && (
        <FormNumber name="need.atM" label="Subject at" unit="m" placeholder="far away" />
      )}
      {kind === 'fisheye' && (
        <FormSelect
          name="need.coverage"
          label="The circle of 180°"
          options={[
            ['full-frame', 'fills the frame to its corners'],
            ['circular', 'lies whole in the frame'],
          ]}
        />
      )}
      {kind !== 'far' && kind !== 'fisheye' && <FootingField />}
    </Section>
  );
}

function SubjectFields() {
  const set = useFormSet();
  const known = useWatch({ name: 'subject' }) as SubjectKey | null;
  return (
    <>
      <SelectField
        label="Subject"
        value={known ?? 'own'}
        options={[
          ['own', 'something else'] as const,
          ...SUBJECTS.map((s) => [s.key, SUBJECT_NAMES[s.key]] as const),
        ]}
        onChange={(key) => {
          const subject = SUBJECTS.find((s) => s.key === key);
          set('subject', subject?.key ?? null);
          if (!subject) return;
          set('need.widthM', subject.widthM);
          set('need.heightM', subject.heightM);
        }}
      />
      <div className="grid grid-cols-2 gap-2">
        <FormNumber name="need.widthM" label="Width" unit="m" placeholder="any" />
        <FormNumber name="need.heightM" label="Height" unit="m" placeholder="any" />
        <FormNumber name="need.fromM" label="Nearest" unit="m" />
        <FormNumber name="need.toM" label="Farthest" unit="m" />
      </div>
      <p className="text-[12px] text-soft">Distances from the camera’s sensor plane.</p>
    </>
  );
}

function FillFields() {
  return (
    <div className="grid grid-cols-[5rem_5rem_1fr] gap-2">
      <FormNumber name="need.fill.min" label="Fills from" unit="%" scale={100} />
      <FormNumber name="need.fill.max" label="to" unit="%" scale={100} />
      <FormSelect
        name="need.orientation"
        label="Held"
        options={[
          ['either', 'either way'],
          ['landscape', 'landscape'],
          ['portrait', 'portrait'],
        ]}
      />
    </div>
  );
}

function FootingField() {
  const footing = useWatch({ name: 'need.footing' }) as keyof typeof FOOTING_HINTS;
  return (
    <div>
      <FormChoice name="need.footing" label="Footing" options={pairs(FOOTINGS)} />
      <p className="text-[12px] text-soft">{FOOTING_HINTS[footing]}</p>
    </div>
  );
}

function OutputFields() {
  const [kind, cut] = useWatch({ name: ['output.kind', 'output.cut'] }) as [
    Output['kind'],
    boolean | undefined,
  ];
  const set = useFormSet();
  return (
    <Section title="Output, and so the crop allowed">
      <SelectField
        label="For"
        value={kind}
        options={pairs(OUTPUT_KINDS)}
        onChange={(next) => set('output', STARTING_OUTPUTS[next])}
      />
      {kind === 'pixels' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="output.longPx" label="Long side" unit="px" />
          <FormNumber name="output.shortPx" label="Short side" unit="px" />
        </div>
      )}
      {kind === 'print' && (
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="output.longMm" label="Long side" unit="mm" />
          <FormNumber name="output.shortMm" label="Short side" unit="mm" />
          <FormNumber name="output.dpi" label="Resolution" unit="dpi" />
        </div>
      )}
      {kind !== 'uncropped' && (
        <Tick
          label="Cut the picture to this shape"
          on={cut ?? false}
          onChange={(on) => set('output.cut', on)}
        />
      )}
    </Section>
  );
}
