'use client';

import { useWatch } from 'react-hook-form';
import {
  ev100OfSource,
  type Light,
  type LightSource,
  moonAt,
  SCENES,
  skyLightLux,
  sunPosition,
} from '@/core/brief';
import { type DayPhase, moonIlluminanceLux, type Sky, SKY_DIVISORS } from '@/core/optics';
import { FormNumber, FormSelect, SelectField, TextField, Tick, useFormSet } from '@/ui';
import { briefFormText, exact, formatEv, SCENE_NAMES, type Step } from '@/text';
import { Figure } from '@/parts';
import { pairs, Section } from './parts';
import { SunCourse } from './SunCourse';

const text = briefFormText.lightFields;

const SOURCES: Record<LightSource['kind'], string> = {
  none: text.doesntMatter,
  scene: text.byAScene,
  ev: text.asEvAtIso100,
  lux: text.asLuxOnTheSubject,
  sun: text.byTimeAndPlace,
};

/** A first value of each kind, for when the kind is changed. */
const STARTING_SOURCES: Record<LightSource['kind'], LightSource> = {
  none: { kind: 'none' },
  scene: { kind: 'scene', scene: 'cloudyBright' },
  ev: { kind: 'ev', ev100: 13 },
  lux: { kind: 'lux', lux: 500 },
  sun: {
    kind: 'sun',
    at: '2027-06-12T21:00:00+02:00',
    latitudeDeg: 50,
    longitudeDeg: 8,
    sky: 'clear',
  },
};

const SKIES: Record<Sky, string> = {
  clear: 'clear',
  thinCloud: text.thinCloud,
  cloudy: 'cloudy',
  darkOvercast: text.darkOvercast,
};

const PHASES: Record<DayPhase, string> = {
  day: 'day',
  goldenHour: text.goldenHour,
  civilTwilight: text.civilTwilight,
  nauticalTwilight: text.nauticalTwilight,
  astronomicalTwilight: text.astronomicalTwilight,
  night: 'night',
};

const STARTING_MOVEMENT: Light['movement'] = {
  speedMps: 1.5,
  direction: 'across',
  blur: { kind: 'pixels', px: 3 },
};

/** The light there is, and what bounds the time: what is given, movement, stars, the hand. */
export function LightFields() {
  const set = useFormSet();
  const kind = useWatch({ name: 'light.source.kind' }) as LightSource['kind'];
  return (
    <Section title={text.lightAndTime}>
      <SelectField
        label={text.light}
        value={kind}
        options={pairs(SOURCES)}
        onChange={(next) => set('light.source', STARTING_SOURCES[next])}
      />
      {kind === 'scene' && (
        <FormSelect
          name="light.source.scene"
          label={text.scene}
          options={SCENES.map(
            (s) => [s.key, `${SCENE_NAMES[s.key]}, ${formatEv(s.ev100)}`] as const,
          )}
        />
      )}
      {kind === 'ev' && <FormNumber name="light.source.ev100" label={text.evAtIso100} unit="EV" />}
      {kind === 'lux' && <FormNumber name="light.source.lux" label={text.onTheSubject} unit="lx" />}
      {kind === 'sun' && <SunFields />}
      {kind !== 'none' && <TimeFields />}
    </Section>
  );
}

function SunFields() {
  const source = useWatch({ name: 'light.source' }) as Extract<LightSource, { kind: 'sun' }>;
  return (
    <>
      <WhenFields at={source.at} />
      <div className="grid grid-cols-2 gap-2">
        <FormNumber name="light.source.latitudeDeg" label={text.latitudeNorth} unit="°" />
        <FormNumber name="light.source.longitudeDeg" label={text.longitudeEast} unit="°" />
      </div>
      <FormSelect name="light.source.sky" label={text.sky} options={pairs(SKIES)} />
      <SunNote source={source} />
      <SunCourse source={source} />
    </>
  );
}

/** Offsets from UTC that are in use somewhere, hours. */
const OFFSETS = [
  -12, -11, -10, -9.5, -9, -8, -7, -6, -5, -4, -3.5, -3, -2, -1, 0, 1, 2, 3, 3.5, 4, 4.5, 5, 5.5,
  5.75, 6, 6.5, 7, 8, 8.75, 9, 9.5, 10, 10.5, 11, 12, 12.75, 13, 14,
];

const offsetText = (hours: number) => {
  const minutes = Math.round(Math.abs(hours) * 60);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${hours < 0 ? '-' : '+'}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
};

/** Date, time and zone of a moment, each asked for by itself. */
function WhenFields({ at }: { at: string }) {
  const set = useFormSet();
  const [, day = '', time = '', zone = 'Z'] = WHEN.exec(at) ?? [];
  const shown = zone === 'Z' ? '+00:00' : zone;
  const put = (next: { day?: string; time?: string; zone?: string }) => {
    const all = { day, time, zone: shown, ...next };
    if (all.day !== '' && all.time !== '')
      set('light.source.at', `${all.day}T${all.time}:00${all.zone}`);
  };
  const zones = [...new Set([...OFFSETS.map(offsetText), shown])];
  return (
    <div className="grid grid-cols-[1fr_1fr_1fr] gap-2">
      <TextField label={text.date} type="date" value={day} onChange={(d) => put({ day: d })} />
      <TextField label={text.time} type="time" value={time} onChange={(t) => put({ time: t })} />
      <SelectField
        label={text.zone}
        value={shown}
        options={zones.map((z) => [z, `UTC${z.replace('-', '−')}`] as const)}
        onChange={(z) => put({ zone: z })}
      />
    </div>
  );
}

/** A moment as stored: day, time, offset. */
const WHEN = /^(\d{4}-\d{2}-\d{2})T(\d{2}:\d{2})(?::[\d.]+)?(Z|[+-]\d{2}:\d{2})$/;

function sunSteps(
  source: Extract<LightSource, { kind: 'sun' }>,
  altitudeDeg: number,
  ev100: number,
): Step[] {
  const { at, latitudeDeg, longitudeDeg, sky } = source;
  const moon = altitudeDeg < 0 ? moonAt(at, latitudeDeg, longitudeDeg) : null;
  return [
    {
      name: text.altitudeOfTheSun,
      result: `${exact(altitudeDeg)}°`,
      formula: text.atNorthEastWithoutRefraction(at, exact(latitudeDeg), exact(longitudeDeg)),
      source: text.theAstronomyEnginePackage,
    },
    ...(moon
      ? [
          {
            name: text.lightOfTheMoon,
            result: text.lux(exact(moonIlluminanceLux(moon))),
            formula: text.aCubicInAltitude90(exact(moon.altitudeDeg), exact(moon.elongationDeg)),
            source: text.usnoCircular171,
          },
        ]
      : []),
    {
      name: text.lightOnLevelGround,
      result: text.lux(exact(skyLightLux(source))),
      formula: text.aCubicInTheSuns(SKY_DIVISORS[sky]),
      source: text.usnoCircular171,
    },
    {
      name: text.exposureValueAtIso100,
      result: exact(ev100),
      formula: text.log2Lux100CWith,
      source: text.incidentLightCalibrationIso2720,
    },
  ];
}

/** Where the sun stands then, and the light that follows; nothing while a field cannot be read. */
function SunNote({ source }: { source: Extract<LightSource, { kind: 'sun' }> }) {
  const ev100 = ev100OfSource(source);
  if (ev100 === null || !Number.isFinite(ev100)) return null;
  const { altitudeDeg, phase } = sunPosition(source.at, source.latitudeDeg, source.longitudeDeg);
  return (
    <p className="text-[12px] text-soft">
      {text.theSunIsTheHorizon(PHASES[phase], altitudeDeg)}
      <Figure
        label={text.lightByTheSunsAltitude}
        steps={() => sunSteps(source, altitudeDeg, ev100)}
      >
        {text.inTheOpen(formatEv(ev100))}
      </Figure>
      .
    </p>
  );
}

function TimeFields() {
  const set = useFormSet();
  const [movement, stars, flash] = useWatch({
    name: ['light.movement', 'light.stars', 'light.flash'],
  }) as [Light['movement'], Light['stars'], Light['flash']];
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <FormNumber
          name="light.longestTimeS"
          label={text.longestTime}
          unit="s"
          placeholder={text.any}
          show={showTime}
        />
        <FormNumber
          name="light.shortestTimeS"
          label={text.shortestTime}
          unit="s"
          placeholder={text.any}
          show={showTime}
        />
        <FormNumber name="light.isoCeiling" label={text.isoAtMost} placeholder={text.outings} />
        <FormSelect
          name="light.support"
          label={text.camera}
          options={[
            ['hand', 'hand-held'],
            ['support', text.onSupport],
          ]}
        />
      </div>
      <Tick
        label={text.itMoves}
        on={movement !== null}
        onChange={(on) => set('light.movement', on ? STARTING_MOVEMENT : null)}
      >
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="light.movement.speedMps" label={text.speed} unit="m/s" />
          <FormSelect
            name="light.movement.direction"
            label={text.direction}
            options={[
              ['across', text.across],
              ['diagonal', text.atAnAngle],
              ['toward', text.towardsMe],
            ]}
          />
          {movement?.blur.kind === 'share' ? (
            <FormNumber name="light.movement.blur.percent" label={text.blurAtMost} unit="%" />
          ) : (
            <FormNumber name="light.movement.blur.px" label={text.blurAtMost} unit="px" />
          )}
        </div>
      </Tick>
      <Tick
        label={text.starsAsPoints}
        on={stars !== null}
        onChange={(on) => set('light.stars', on ? { declinationDeg: 0, trailPx: 3 } : null)}
      >
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="light.stars.declinationDeg" label={text.declination} unit="°" />
          <FormNumber name="light.stars.trailPx" label={text.trailAtMost} unit="px" />
        </div>
      </Tick>
      <Tick
        label={text.flashMayBeUsed}
        on={flash !== null}
        onChange={(on) => set('light.flash', on ? { guideNumberM: 30 } : null)}
      >
        <FormNumber
          name="light.flash.guideNumberM"
          label={text.guideNumberAtIso100}
          unit="m"
          hint={text.noFlashAtNestsOn}
        />
      </Tick>
    </>
  );
}

/** 1/250 rather than 0.004, where that is what was meant. */
function showTime(timeS: number): string {
  const denominator = 1 / timeS;
  return timeS < 0.4 && Math.abs(denominator - Math.round(denominator)) < 1e-6
    ? `1/${Math.round(denominator)}`
    : String(timeS);
}
