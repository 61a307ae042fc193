import { readFileSync } from 'node:fs';
import { type SceneKey, SCENES } from '@/core/brief';
import { mountableSetups } from '@/core/gear';
import * as optics from '@/core/optics';
import { aConverter, aLens, aShelf } from '../support/gear';

type Value = number | string | boolean | null | readonly unknown[];
/** The tool behind the fov rows takes pi as 3.14159: a relative difference of 8.5e-7. */
const PI_ROUNDED = 1e-6;

interface Row {
  readonly id: string;
  readonly kind: string;
  readonly mode: string;
  readonly inputs: Record<string, { value: Value }>;
  readonly expected: Record<string, { value: Value }>;
  readonly tolerance: { readonly rel?: number; readonly abs?: number };
  readonly source: string;
}

const { rows } = JSON.parse(readFileSync('tests/fixtures/reference-values.json', 'utf8')) as {
  rows: Row[];
};

/** Inputs by name as numbers, with the sensor put together. */
function inputsOf(row: Row) {
  const n = (name: string) => row.inputs[name]?.value as number;
  return {
    n,
    sensor: { widthMm: n('sensor_width'), heightMm: n('sensor_height') },
    reference: { widthMm: n('reference_width'), heightMm: n('reference_height') },
  };
}

function anglesAt(row: Row, m: number | null): Record<string, Value> {
  const { n, sensor } = inputsOf(row);
  const at = (side: optics.SensorSide) =>
    m === null ? null : optics.angleOfViewDeg(n('focal_length'), sensor, side, m);
  return {
    angle_horizontal: at('width'),
    angle_vertical: at('height'),
    angle_diagonal: at('diagonal'),
    magnification_out: m,
  };
}

function framing(row: Row): { m: number; f: (s: number) => number } {
  const { n, sensor } = inputsOf(row);
  const m =
    n('fill_fraction') /
    optics.tightness(
      {
        width: row.inputs.subject_width?.value as number | null,
        height: row.inputs.subject_height?.value as number | null,
      },
      sensor,
    );
  // Distances of the rows are from the lens; from the sensor it is D = s·(1 + m).
  return { m, f: (s) => optics.slopeOfMagnification(m) * s * (1 + m) };
}

const projectionOf = (row: Row) => row.inputs.projection?.value as optics.FisheyeProjection;

/** Magnification at a distance from the lens, by the distance from the sensor that it comes to. */
const fromLens = (f: number, s: number) => optics.magnificationAt(f, (s * s) / (s - f));

/** A lens with a converter, as the application mounts it. */
function converted(row: Row, factor: number, change: Record<string, unknown> = {}) {
  const { n } = inputsOf(row);
  const wide = n('focal_min') || n('focal_length') || 100;
  const long = n('focal_max') || wide;
  const lens = aLens('l', wide, long, n('f_number') || 4, change);
  return mountableSetups(aShelf([lens], [aConverter('c', factor, ['l'])])).find(
    (s) => s.converterId !== null,
  )!;
}

/** Limits of depth from the formula that asks for an f-number: a depth is right when it asks for the one given. */
function asksFor(row: Row, nearMm: number, farMm: number, coc: number): number {
  return optics.fNumberForDepth(inputsOf(row).n('focal_length'), coc, nearMm, farMm);
}

/** Depth of field in the conventions of the tool that the row comes from: c = diagonal / 1440. */
function depthByTool(row: Row): Record<string, Value> {
  const { n, sensor } = inputsOf(row);
  const coc = optics.circleOfConfusionMm(optics.FULL_FRAME, 1440) / optics.cropFactor(sensor);
  const limit = (name: string) => row.expected[name]?.value;
  const [near, far] = [limit('dof_near'), limit('dof_far')];
  // The tool rounds its limits, and a small depth asks for much: within one in fifty.
  if (typeof near === 'number' && typeof far === 'number')
    expect(asksFor(row, near * 1000, far * 1000, coc) / n('f_number')).toBeCloseTo(1, 1);
  return {
    circle_of_confusion: coc,
    hyperfocal_no_plus_f:
      (optics.hyperfocalMm(n('focal_length'), n('f_number'), coc) - n('focal_length')) / 1000,
  };
}

const RUN: Record<string, (row: Row) => Record<string, Value>> = {
  'angle_of_view/infinity': (row) => anglesAt(row, 0),
  'angle_of_view/published_rounded_diagonal': (row) => anglesAt(row, 0),
  'angle_of_view/magnification': (row) => anglesAt(row, inputsOf(row).n('magnification')),
  'angle_of_view/object_distance_from_lens': (row) => {
    const { n } = inputsOf(row);
    return anglesAt(row, fromLens(n('focal_length'), n('object_distance_from_lens')));
  },
  'angle_of_view/focus_distance_from_sensor': (row) => {
    const { n } = inputsOf(row);
    const [f, distance] = [n('focal_length'), n('focus_distance_from_sensor')];
    // Nearer than 4f no thin lens focuses; the application takes the stated magnification there.
    return anglesAt(row, distance < 4 * f ? null : optics.magnificationAt(f, distance));
  },
  'crop_equivalence/crop_factors': (row) => {
    const { sensor, reference } = inputsOf(row);
    const by = (side: optics.SensorSide) => optics.cropFactor(sensor, side, reference);
    return { crop_diagonal: by('diagonal'), crop_width: by('width'), crop_height: by('height') };
  },
  'crop_equivalence/equivalent_lens': (row) => {
    const { n, sensor, reference } = inputsOf(row);
    const by = (side: optics.SensorSide) =>
      optics.equivalentFocalLengthMm(n('focal_length'), sensor, side, reference);
    const crop = optics.cropFactor(sensor, 'diagonal', reference);
    const fNumber = n('f_number') * crop;
    return {
      focal_eq_by_diagonal: by('diagonal'),
      focal_eq_by_width: by('width'),
      focal_eq_by_height: by('height'),
      f_number_eq_by_diagonal: fNumber,
      entrance_pupil_diameter: n('focal_length') / n('f_number'),
      equivalence_stops: optics.stopsBetween(n('f_number'), fNumber),
      iso_factor_same_total_light: crop * crop,
    };
  },
  'crop_equivalence/equivalent_common_aspect': (row) => {
    const { n, sensor, reference } = inputsOf(row);
    const used = optics.inscribedAspect(sensor, n('output_aspect'));
    const crop = optics.cropFactor(
      used,
      'diagonal',
      optics.inscribedAspect(reference, n('output_aspect')),
    );
    return {
      crop_common: crop,
      focal_eq: n('focal_length') * crop,
      used_width: used.widthMm,
      used_height: used.heightMm,
    };
  },
  'teleconverter/combination': (row) => {
    const { n } = inputsOf(row);
    const setup = converted(row, n('converter_factor'));
    const fNumber = setup.fNumberAt(setup.focal.longMm);
    return {
      focal_min_out: setup.focal.wideMm,
      focal_max_out: setup.focal.longMm,
      f_number_exact: fNumber,
      f_number_marked_third: optics.markedFNumber(fNumber),
      light_loss: optics.stopsBetween(n('f_number'), fNumber),
    };
  },
  'teleconverter/light_loss': (row) => {
    const setup = converted(row, inputsOf(row).n('converter_factor'));
    const loss = optics.stopsBetween(4, setup.fNumberAt(setup.focal.longMm));
    return { light_loss: loss, light_fraction: 2 ** -loss };
  },
  'teleconverter/close_focus': (row) => {
    const { n } = inputsOf(row);
    const setup = converted(row, n('converter_factor'), {
      maxMagnification: n('max_magnification'),
      minFocusM: n('min_focus_distance') / 1000,
    });
    return {
      max_magnification_out: setup.maxMagnification,
      min_focus_distance_out: setup.minFocusM! * 1000,
    };
  },
  'stop_series/series_list': (row) => {
    const { n } = inputsOf(row);
    if (row.inputs.step?.value === 'full')
      return { marked_list: optics.fullStops(n('from'), n('to')) };
    const first = Math.round(6 * Math.log2(n('from')));
    const last = Math.round(6 * Math.log2(n('to')));
    return {
      marked_list: Array.from({ length: last - first + 1 }, (_, i) =>
        optics.markedFNumber(2 ** ((first + i) / 6)),
      ),
    };
  },
  'stop_series/stop_difference': (row) => ({
    stops_from_raw_numbers: optics.stopsBetween(
      inputsOf(row).n('from_f_number'),
      inputsOf(row).n('to_f_number'),
    ),
  }),
  'exposure/ev': (row) => {
    const { n } = inputsOf(row);
    const at = (iso: number) => optics.ev100Of({ fNumber: n('f_number'), timeS: n('time'), iso });
    return { ev_at_settings: at(100), ev100: at(n('iso')) };
  },
  'exposure/required_f_number': (row) => ({
    f_number: optics.slowestFNumber(
      inputsOf(row).n('ev100'),
      inputsOf(row).n('time'),
      inputsOf(row).n('iso'),
    ),
  }),
  'exposure/required_iso': (row) => ({
    iso: optics.requiredIso(
      inputsOf(row).n('ev100'),
      inputsOf(row).n('f_number'),
      inputsOf(row).n('time'),
    ),
  }),
  'exposure/required_time': (row) => ({
    time: optics.requiredTimeS(
      inputsOf(row).n('ev100'),
      inputsOf(row).n('f_number'),
      inputsOf(row).n('iso'),
    ),
  }),
  'exposure/light_from_ev100': (row) => {
    // The way back from the illuminance that the row gives.
    const lux = row.expected.illuminance?.value as number;
    expect(optics.ev100FromLux(lux)).toBeCloseTo(inputsOf(row).n('ev100'), 5);
    return { illuminance: lux };
  },
  'exposure/ev100_from_lux': (row) => ({
    ev100: optics.ev100FromLux(inputsOf(row).n('illuminance')),
  }),
  'exposure/exposure_pair': (row) => {
    const { n } = inputsOf(row);
    const [one, two] = [
      optics.ev100Of({ fNumber: n('f_number_1'), timeS: n('time_1'), iso: 100 }),
      optics.ev100Of({ fNumber: n('f_number_2'), timeS: n('time_2'), iso: 100 }),
    ];
    return {
      ev_1: one,
      ev_2: two,
      difference: two - one,
      nominally_equal_within_0p1: Math.abs(two - one) <= 0.1,
    };
  },
  'framing/focal_for_framing': (row) => {
    const { m, f } = framing(row);
    const s = inputsOf(row).n('object_distance_from_lens');
    return { magnification: m, focal_length: f(s), focal_length_far_approx: m * s };
  },
  'framing/focal_range_for_distances': (row) => {
    const { f } = framing(row);
    const [near, far] = [f(inputsOf(row).n('distance_near')), f(inputsOf(row).n('distance_far'))];
    return { focal_min: near, focal_max: far, zoom_ratio: far / near };
  },
  'framing/focal_from_sensor_distance': (row) => {
    const { m } = framing(row);
    const distance = inputsOf(row).n('distance_from_sensor');
    const f = optics.slopeOfMagnification(m) * distance;
    expect(optics.focusDistanceMm(f, m)).toBeCloseTo(distance, 6);
    return { magnification: m, focal_length: f };
  },
  'framing/magnification_for_object': (row) => {
    const { n, sensor } = inputsOf(row);
    return {
      magnification:
        n('fill_fraction') / optics.tightness({ width: n('object_width'), height: null }, sensor),
    };
  },
  'shake_motion/reciprocal_rule': (row) => {
    const { n } = inputsOf(row);
    const at = (stops: number) => optics.handheldTimeS(n('focal_length'), n('crop_factor'), stops);
    return { time_unstabilised: at(0), time_stabilised: at(n('stabiliser')) };
  },
  'resolution_crop/crop_pixels': (row) => {
    const left = optics.fractionLeft(inputsOf(row).n('linear_crop'));
    return { megapixels_left: inputsOf(row).n('megapixels') * left, fraction_left: left };
  },
  'resolution_crop/print_size': (row) => {
    // The pixels that a print of the size given needs are those that there are.
    const { n } = inputsOf(row);
    const side = (name: string) => row.expected[name]?.value as number;
    const px = optics.printPixels(side('print_width'), side('print_height'), n('dpi'));
    expect([px.longPx / n('pixels_wide'), px.shortPx / n('pixels_high')]).toEqual([
      expect.closeTo(1, 6),
      expect.closeTo(1, 6),
    ]);
    return { print_width: side('print_width') };
  },
  'resolution_crop/bridge_gap_by_crop': (row) => {
    const { n } = inputsOf(row);
    const crop = optics.cropToBridge(n('focal_have'), n('focal_wanted'));
    return {
      linear_crop: crop,
      fraction_left: optics.fractionLeft(crop),
      megapixels_left: n('megapixels') * optics.fractionLeft(crop),
    };
  },
  'resolution_crop/dpi_for_print': (row) => {
    const { n } = inputsOf(row);
    const have = { longPx: n('pixels_wide'), shortPx: n('pixels_high') };
    const atOneDpi = optics.printPixels(n('print_width') * 10, n('print_height') * 10, 1);
    const [long, short] = [have.longPx / atOneDpi.longPx, have.shortPx / atOneDpi.shortPx];
    return {
      dpi_uncropped_fit: Math.max(long, short),
      dpi_fill_cropped: optics.linearCropAllowed(have, atOneDpi),
    };
  },
  'sampling_diffraction/effective_f_number': (row) => ({
    f_number_effective: optics.effectiveFNumber(
      inputsOf(row).n('f_number'),
      inputsOf(row).n('magnification'),
    ),
  }),
  'fisheye/half_angle_at_radius': (row) => {
    // The way back: the circle of the angle that the row gives has that radius.
    const half = row.expected.half_angle?.value;
    if (typeof half !== 'number') return { half_angle: null };
    const circle = optics.fisheyeImageCircleMm(
      projectionOf(row),
      inputsOf(row).n('focal_length'),
      2 * half,
    );
    expect(circle / 2).toBeCloseTo(inputsOf(row).n('image_radius'), 5);
    return { half_angle: half };
  },
  'fisheye/image_circle': (row) => ({
    image_circle_diameter: optics.fisheyeImageCircleMm(
      projectionOf(row),
      inputsOf(row).n('focal_length'),
      inputsOf(row).n('full_angle'),
    ),
  }),
  'fisheye/frame_coverage': (row) => ({
    circle_diameter_180: optics.fisheyeImageCircleMm(
      projectionOf(row),
      inputsOf(row).n('focal_length'),
      180,
    ),
  }),
  'depth_of_field/hyperfocal': (row) => {
    const { n } = inputsOf(row);
    const [f, fNumber, coc] = [n('focal_length'), n('f_number'), n('coc')];
    const h = optics.hyperfocalMm(f, fNumber, coc);
    const near = row.expected.near_limit_at_hyperfocal?.value as number;
    expect(asksFor(row, near, Infinity, coc) / fNumber).toBeCloseTo(1, 6);
    return { hyperfocal: h, hyperfocal_without_plus_f: h - f };
  },
  'depth_of_field/limits': (row) => {
    const { n } = inputsOf(row);
    const [f, s] = [n('focal_length'), n('subject_distance_from_lens')];
    const [near, far] = [row.expected.near_limit?.value, row.expected.far_limit?.value];
    if (typeof near === 'number' && typeof far === 'number') {
      expect(asksFor(row, near, far, n('coc')) / n('f_number')).toBeCloseTo(1, 5);
      expect(optics.focusForDepthMm(near, far) / s).toBeCloseTo(1, 6);
    }
    return {
      hyperfocal: optics.hyperfocalMm(f, n('f_number'), n('coc')),
      magnification: s >= 2 * f ? fromLens(f, s) : undefined,
    } as Record<string, Value>;
  },
  'depth_of_field/blur_disc': (row) => {
    const { n, sensor } = inputsOf(row);
    const [f, s] = [n('focal_length'), n('subject_distance_from_lens')];
    const given = row.inputs.point_distance_from_lens?.value;
    const point = given === 'inf' ? Infinity : Number(given);
    const disc = optics.blurDiscMm(f, n('f_number'), s, point);
    expect(optics.fNumberForBlur(f, s, point, disc)).toBeCloseTo(n('f_number'), 9);
    return {
      blur_diameter_on_sensor: disc,
      blur_percent_of_diagonal: (100 * disc) / optics.sideMm(sensor, 'diagonal'),
    };
  },
  'framing/extension_tube': (row) => {
    const { n } = inputsOf(row);
    const withTube = (own: number) =>
      optics.tubeMagnification(own, n('tube_length'), n('focal_length'));
    return {
      magnification_max: withTube(n('lens_max_magnification')),
      magnification_at_infinity_setting: withTube(0),
    };
  },
  'framing/working_distance': (row) => {
    const { n } = inputsOf(row);
    const distance = optics.focusDistanceMm(n('focal_length'), n('magnification'));
    return {
      focus_distance_from_sensor: distance,
      object_distance_from_lens: optics.objectDistanceMm(distance, n('magnification')),
    };
  },
  'shake_motion/motion_blur': (row) => {
    // The way back: the smear that the row gives is what its time allows.
    const { n } = inputsOf(row);
    const m = fromLens(n('focal_length'), n('object_distance_from_lens'));
    const blurMm = (row.expected.blur_on_sensor?.value as number) / 1000;
    expect(optics.timeForMotionBlurS(m, n('speed_across'), blurMm) / n('time')).toBeCloseTo(1, 6);
    return { magnification: m };
  },
  'shake_motion/time_for_blur': (row) => {
    const { n } = inputsOf(row);
    const m = fromLens(n('focal_length'), n('object_distance_from_lens'));
    const blur = (n('max_blur') * n('pixel_pitch')) / 1000;
    return { time_max: optics.timeForMotionBlurS(m, n('speed_across'), blur) };
  },
  'shake_motion/rule_of_500': (row) => ({
    time_max: optics.ruleOf500S(inputsOf(row).n('focal_length'), inputsOf(row).n('crop_factor')),
  }),
  'shake_motion/star_trail': (row) => {
    const { n } = inputsOf(row);
    const um = row.expected.trail_on_sensor?.value as number;
    const timeS = optics.timeForStarTrailS(n('focal_length'), n('declination'), um / 1000);
    if (um > 0) expect(timeS / n('time')).toBeCloseTo(1, 6);
    return { trail_on_sensor: um };
  },
  'shake_motion/time_for_star_trail': (row) => {
    const { n } = inputsOf(row);
    const trail = (n('max_trail') * n('pixel_pitch')) / 1000;
    return {
      time_max: optics.timeForStarTrailS(n('focal_length'), n('declination'), trail),
    };
  },
  'sampling_diffraction/pixel_pitch_and_airy': (row) => {
    const { n } = inputsOf(row);
    const pitch = optics.pixelPitchUm(n('sensor_width'), n('pixels_wide'));
    return {
      pixel_pitch: pitch,
      f_number_airy_2px: optics.diffractionFNumber(pitch, 2, n('wavelength')),
    };
  },
  'exiftool_crosscheck/dof': depthByTool,
  'exiftool_crosscheck/basic': (row) => {
    const { n, sensor } = inputsOf(row);
    const scale = row.inputs.focal_length_in_35mm_format
      ? n('focal_length_in_35mm_format') / n('focal_length')
      : optics.cropFactor(sensor);
    const m = row.inputs.focus_distance
      ? fromLens(n('focal_length'), n('focus_distance') * 1000)
      : 0;
    return {
      scale_factor_35efl: scale,
      light_value: optics.ev100Of({ fNumber: n('f_number'), timeS: n('time'), iso: n('iso') }),
      fov_long_side: optics.angleOfLengthDeg(36 / scale, n('focal_length') * (1 + m)),
    };
  },
};
const basic = RUN['exiftool_crosscheck/basic']!;
RUN['exiftool_crosscheck/focused'] = (row) => ({ ...basic(row), ...depthByTool(row) });

/** Rows of formulas that the application has no use for, so that it does not hold them. */
const NOT_IN_THE_APPLICATION = new Set([
  'stop_series/aperture_exact_of_marked',
  'stop_series/shutter_exact_of_marked',
  'teleconverter/stacked',
  'framing/close_up_lens',
  'sampling_diffraction/cutoff',
]);

/** The scenes of the application that the rows of the exposure guide speak of. */
const SCENE_OF_ROW: Record<string, SceneKey[]> = {
  '06-15': ['fullSun'],
  '06-16': ['heavyOvercast'],
  '06-17': ['homeInterior'],
  '06-18': ['stage', 'floodlitSport'],
  '06-19': ['nightStreet'],
  '06-20': ['fullMoonLandscape'],
};
const SCENE_ROWS = 'exposure/scene_ev100';
const keyOf = (row: Row) => `${row.kind}/${row.mode}`;

describe('reference values', () => {
  const known = rows.filter((row) => RUN[keyOf(row)]);
  it.each(known.map((row) => [row.id, keyOf(row), row.source, row] as const))(
    '%s %s – %s',
    (_, key, __, row) => {
      const got = RUN[key]!(row);
      for (const [name, value] of Object.entries(got)) {
        const want = row.expected[name]?.value;
        if (want === undefined || value === undefined) continue;
        if (typeof want === 'number' && typeof value === 'number') {
          const { rel = 0, abs = 0 } = row.tolerance;
          expect(Math.abs(value - want)).toBeLessThanOrEqual(
            Math.max(abs, rel * Math.abs(want)) +
              (name === 'fov_long_side' ? PI_ROUNDED * want : 0),
          );
        } else expect(value).toEqual(want);
      }
      expect(Object.keys(got).some((name) => name in row.expected)).toBe(true);
    },
  );

  it.each(
    rows
      .filter((row) => keyOf(row) === SCENE_ROWS)
      .map((row) => [row.id, row.source, row] as const),
  )('%s scene – %s', (id, _, row) => {
    const slack = row.tolerance.abs ?? 0;
    for (const key of SCENE_OF_ROW[id] ?? []) {
      const scene = SCENES.find((s) => s.key === key);
      expect(scene?.ev100).toBeGreaterThanOrEqual(
        (row.expected.ev100_low?.value as number) - slack,
      );
      expect(scene?.ev100).toBeLessThanOrEqual((row.expected.ev100_high?.value as number) + slack);
    }
    expect(SCENE_OF_ROW[id]).toBeDefined();
  });

  it('leaves out no row of a formula that runs', () => {
    const out = rows.filter((row) => !RUN[keyOf(row)] && keyOf(row) !== SCENE_ROWS);
    expect(new Set(out.map(keyOf))).toEqual(NOT_IN_THE_APPLICATION);
    expect(known.length).toBeGreaterThan(130);
  });
});
