'use client';

import Link from 'next/link';
import { useFormContext, useWatch } from 'react-hook-form';
import {
  type Frame,
  frame as frameSchema,
  type Need,
  type Output,
  type SubjectKey,
  SUBJECTS,
} from '@/core/brief';
import { putFrame, STARTING_NEEDS, STARTING_OUTPUTS, tieFrame } from '@/document';
import { useEdit, useFilePart } from '@/session';
import {
  Button,
  EntityForm,
  FormChoice,
  FormNumber,
  FormSelect,
  FormText,
  FormTextArea,
  SelectField,
  Sentence,
  Tick,
  useFormSet,
} from '@/ui';
import {
  briefFormText,
  FOOTING_HINTS,
  formatDistances,
  FOOTINGS,
  SUBJECT_NAMES,
  WANTS,
} from '@/text';
import { FrameStanding } from './FrameStanding';
import { FrameView } from './FrameView';
import { LightFields } from './LightFields';
import { pairs, Section } from './parts';
import { WhereFields } from './WhereFields';
import { WishFields } from './WishFields';

const t = briefFormText.frameEditor;

const NEED_KINDS: Record<Need['kind'], string> = {
  subject: t.aSubjectAtADistance,
  far: t.somethingFarAwayAsAn,
  focal: t.aFocalLengthOn36,
  angle: t.anAngleOfView,
  fisheye: t.aFisheyesPicture,
};

const OUTPUT_KINDS: Record<Output['kind'], string> = {
  uncropped: t.theWholePictureUncropped,
  pixels: t.aScreenInPixels,
  print: t.aPrint,
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
        label={t.picture(frame.name)}
        schema={frameSchema}
        value={frame}
        onValid={(next, field) => edit(putFrame(next), `${frame.id}.${field}`)}
      >
        <div className="space-y-4">
          <FormText name="name" label={t.picture2} />
          <div className="grid grid-cols-[1fr_7rem] gap-3">
            <FormChoice name="want" label={t.howMuchYouWantIt} options={pairs(WANTS)} />
            <FormNumber
              name="sharePercent"
              label={t.shareOfPictures}
              unit="%"
              placeholder={t.even}
            />
          </div>
          <NeedFields />
          <LightFields />
          <WishFields />
          <WhereFields />
          <OutputFields />
          <FormTextArea name="note" label={t.note} />
        </div>
      </EntityForm>
    </div>
  );
}

function NeedFields() {
  const kind = useWatch({ name: 'need.kind' }) as Need['kind'];
  const set = useFormSet();
  return (
    <Section title={t.whatMustFit}>
      <SelectField
        label={t.describedBy}
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
          <FormNumber name="need.widthDeg" label={t.width} unit="°" placeholder={t.any} />
          <FormNumber name="need.heightDeg" label={t.height} unit="°" placeholder={t.any} />
        </div>
      )}
      {(kind === 'subject' || kind === 'far') && <FillFields />}
      {kind === 'focal' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="need.fromMm" label={t.from} unit="mm" />
          <FormNumber name="need.toMm" label={t.to} unit="mm" />
        </div>
      )}
      {kind === 'angle' && (
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="need.fromDeg" label={t.from} unit="°" />
          <FormNumber name="need.toDeg" label={t.to} unit="°" />
          <FormSelect
            name="need.across"
            label={t.acrossThe}
            options={[
              ['diagonal', t.diagonal],
              ['width', t.width2],
              ['height', t.height2],
            ]}
          />
        </div>
      )}
      {(kind === 'focal' || kind === 'angle') && (
        <FormNumber name="need.atM" label={t.subjectAt} unit="m" placeholder={t.farAway} />
      )}
      {kind === 'fisheye' && (
        <FormSelect
          name="need.coverage"
          label={t.the180Circle}
          options={[
            ['full-frame', t.fillsTheFrameToIts],
            ['circular', t.fitsCompletelyInTheFrame],
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
        label={t.subject}
        value={known ?? 'own'}
        options={[
          ['own', t.somethingElse] as const,
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
        <FormNumber name="need.widthM" label={t.width} unit="m" placeholder={t.any} />
        <FormNumber name="need.heightM" label={t.height} unit="m" placeholder={t.any} />
      </div>
      <DistanceFields />
      <p className="text-[12px] text-soft">{t.distancesFromTheCamerasSensor}</p>
    </>
  );
}

/** Nearest and farthest, in whichever order they are typed: put in order once both are left. */
function DistanceFields() {
  const { getValues } = useFormContext<Frame>();
  const set = useFormSet();
  const isKnown = useWatch({ name: 'distanceKnown' }) as boolean;
  const [id, standpoints] = useWatch({ name: ['id', 'standpoints'] }) as [
    Frame['id'],
    Frame['standpoints'],
  ];
  const order = () => {
    const { need } = getValues();
    if (need.kind !== 'subject' || !(need.fromM > need.toM)) return;
    set('need', { ...need, fromM: need.toM, toM: need.fromM });
  };
  if (standpoints.length > 0) return <MeasuredDistances id={id} standpoints={standpoints} />;
  return (
    <div
      className="grid grid-cols-2 gap-2"
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && order()}
    >
      <FormNumber name="need.fromM" label={t.nearest} unit="m" />
      <FormNumber name="need.toM" label={t.farthest} unit="m" />
      {!isKnown && (
        <p className="col-span-2 text-[13px] text-wrong">
          {t.distanceUnknown}{' '}
          <Button onClick={() => set('distanceKnown', true)}>{t.theseAreRight}</Button>
        </p>
      )}
    </div>
  );
}

/** Distances that follow the plan of the ground: from each station, until they are untied from it. */
function MeasuredDistances({ id, standpoints }: Pick<Frame, 'id' | 'standpoints'>) {
  const { stations } = useFilePart((file) => file.ground);
  const edit = useEdit();
  return (
    <div className="space-y-1">
      <p className="text-[12px] text-soft">
        <Sentence
          parts={t.measuredOn(
            <Link href={`/ground?frame=${id}`} className="underline">
              {t.ground}
            </Link>,
          )}
        />
      </p>
      <ul className="text-[13px]">
        {standpoints.map((s) => (
          <li key={s.stationId} className={s.seenPercent === 0 ? 'text-soft' : ''}>
            {t.fromStation(
              stations.find((station) => station.id === s.stationId)?.name ?? s.stationId,
              formatDistances(s.fromM, s.toM),
              s.seenPercent,
            )}
          </li>
        ))}
      </ul>
      <Button onClick={() => edit(tieFrame(id, null))}>{t.untie}</Button>
    </div>
  );
}

function FillFields() {
  return (
    <div className="grid grid-cols-[5rem_5rem_1fr] gap-2">
      <FormNumber name="need.fill.min" label={t.fillsFrom} unit="%" scale={100} />
      <FormNumber name="need.fill.max" label={t.to2} unit="%" scale={100} />
      <FormSelect
        name="need.orientation"
        label={t.orientation}
        options={[
          ['either', t.either],
          ['landscape', t.landscape],
          ['portrait', t.portrait],
        ]}
      />
    </div>
  );
}

function FootingField() {
  const footing = useWatch({ name: 'need.footing' }) as keyof typeof FOOTING_HINTS;
  return (
    <div>
      <FormChoice name="need.footing" label={t.position} options={pairs(FOOTINGS)} />
      <p className="text-[12px] text-soft">{FOOTING_HINTS[footing]}</p>
    </div>
  );
}

function OutputFields() {
  const [kind, cut] = useWatch({ name: ['output.kind', t.outputCut] }) as [
    Output['kind'],
    boolean | undefined,
  ];
  const set = useFormSet();
  return (
    <Section title={t.outputAndTheCropIt}>
      <SelectField
        label={t.usedFor}
        value={kind}
        options={pairs(OUTPUT_KINDS)}
        onChange={(next) => set('output', STARTING_OUTPUTS[next])}
      />
      {kind === 'pixels' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="output.longPx" label={t.longSide} unit="px" />
          <FormNumber name="output.shortPx" label={t.shortSide} unit="px" />
        </div>
      )}
      {kind === 'print' && (
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="output.longMm" label={t.longSide} unit="mm" />
          <FormNumber name="output.shortMm" label={t.shortSide} unit="mm" />
          <FormNumber name="output.dpi" label={t.resolution} unit="dpi" />
        </div>
      )}
      {kind !== 'uncropped' && (
        <Tick
          label={t.cropToThisShape}
          on={cut ?? false}
          onChange={(on) => set('output.cut', on)}
        />
      )}
    </Section>
  );
}
