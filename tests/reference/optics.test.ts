import { readFileSync } from 'node:fs';
import { type SceneKey, SCENES } from '@/core/brief';
import * as optics from '@/core/optics';

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
  return { m, f: (s) => optics.focalLengthForMagnificationMm(m, s) };
}

function fisheye(row: Row) {
  const { n, sensor } = inputsOf(row);
  const projection = row.inputs.projection?.value as optics.FisheyeProjection;
  const half = (radius: number) =>
    optics.fisheyeHalfAngleDeg(projection, n('focal_length'), radius);
  return { n, sensor, projection, half };
}

/** Depth of field in the conventions of the tool that the row comes from: c = diagonal / 1440. */
function depthByTool(row: Row): Record<string, Value> {
  const { n, sensor } = inputsOf(row);
  const coc = optics.circleOfConfusionMm(optics.FULL_FRAME, 1440) / optics.cropFactor(sensor);
  const limits = optics.depthLimits(
    n('focal_length'),
    n('f_number'),
    coc,
    n('focus_distance') * 1000,
  );
  return {
    circle_of_confusion: coc,
    hyperfocal_no_plus_f:
      (optics.hyperfocalMm(n('focal_length'), n('f_number'), coc) - n('focal_length')) / 1000,
    dof_near: limits.nearMm / 1000,
    dof_far: limits.farMm === Infinity ? 'inf' : limits.farMm / 1000,
  };
}

const markedTime = (text: string) =>
  text.includes('/') ? 1 / Number(text.split('/')[1]) : Number(text);

const RUN: Record<string, (row: Row) => Record<string, Value>> = {
  'angle_of_view/infinity': (row) => anglesAt(row, 0),
  'angle_of_view/published_rounded_diagonal': (row) => anglesAt(row, 0),
  'angle_of_view/magnification': (row) => anglesAt(row, inputsOf(row).n('magnification')),
  'angle_of_view/object_distance_from_lens': (row) => {
    const { n } = inputsOf(row);
    return anglesAt(row, optics.magnificationAt(n('focal_length'), n('object_distance_from_lens')));
  },
  'angle_of_view/focus_distance_from_sensor': (row) => {
    const { n } = inputsOf(row);
    return anglesAt(
      row,
      optics.magnificationAtFocusDistance(n('focal_length'), n('focus_distance_from_sensor')),
    );
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
    const fNumber = optics.equivalentDepthOfFieldFNumber(
      n('f_number'),
      sensor,
      'diagonal',
      reference,
    );
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
    const k = n('converter_factor');
    return {
      focal_min_out: n('focal_min') * k,
      focal_max_out: n('focal_max') * k,
      f_number_exact: n('f_number') * k,
      f_number_marked_third: optics.markedFNumber(n('f_number') * k),
      light_loss: optics.converterLossStops(k),
    };
  },
  'teleconverter/light_loss': (row) => {
    const loss = optics.converterLossStops(inputsOf(row).n('converter_factor'));
    return { light_loss: loss, light_fraction: 2 ** -loss };
  },
  'teleconverter/close_focus': (row) => {
    const { n } = inputsOf(row);
    return {
      max_magnification_out: n('max_magnification') * n('converter_factor'),
      min_focus_distance_out: n('min_focus_distance'),
    };
  },
  'stop_series/aperture_exact_of_marked': (row) => {
    const steps = { full: 1, half: 2, third: 3 } as const;
    const exact = optics.exactOfMarked(
      inputsOf(row).n('marked_f_number'),
      steps[row.inputs.step?.value as keyof typeof steps],
    );
    return { exact_f_number: exact, aperture_value_Av: 2 * Math.log2(exact) };
  },
  'stop_series/series_list': (row) => {
    const { n } = inputsOf(row);
    if (row.inputs.step?.value === 'full')
      return { marked_list: optics.fullStops(n('from'), n('to')) };
    const first = Math.round(6 * Math.log2(n('from')));
    const last = Math.round(6 * Math.log2(n('to')));
    return {
      marked_list: Array.from({ length: last - first + 1 }, (_, i) =>
        optics.markedFNumber(optics.exactFNumber(first + i)),
      ),
    };
  },
  'stop_series/stop_difference': (row) => {
    const { n } = inputsOf(row);
    return {
      stops_nominal: optics.nominalStopsBetween(n('from_f_number'), n('to_f_number')),
      stops_from_raw_numbers: optics.stopsBetween(n('from_f_number'), n('to_f_number')),
    };
  },
  'stop_series/shutter_exact_of_marked': (row) => ({
    exact_time: optics.exactTimeOfMarkedS(markedTime(String(row.inputs.marked_time?.value))),
  }),
  'exposure/ev': (row) => {
    const { n } = inputsOf(row);
    return {
      ev_at_settings: optics.exposureValue(n('f_number'), n('time')),
      ev100: optics.ev100Of({ fNumber: n('f_number'), timeS: n('time'), iso: n('iso') }),
    };
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
  'exposure/light_from_ev100': (row) => ({
    luminance: optics.luminanceFromEv100(inputsOf(row).n('ev100')),
    illuminance: optics.luxFromEv100(inputsOf(row).n('ev100')),
  }),
  'exposure/ev100_from_lux': (row) => ({
    ev100: optics.ev100FromLux(inputsOf(row).n('illuminance')),
  }),
  'exposure/exposure_pair': (row) => {
    const { n } = inputsOf(row);
    const [one, two] = [
      optics.exposureValue(n('f_number_1'), n('time_1')),
      optics.exposureValue(n('f_number_2'), n('time_2')),
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
    const f = (distance * m) / (1 + m) ** 2;
    expect(optics.focusDistanceMm(f, f * (1 + 1 / m))).toBeCloseTo(distance, 6);
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
    const at = (stops: number) => optics.handHeldTimeS(n('focal_length'), n('crop_factor'), stops);
    return { time_unstabilised: at(0), time_stabilised: at(n('stabiliser')) };
  },
  'resolution_crop/crop_pixels': (row) => {
    const left = optics.fractionLeft(inputsOf(row).n('linear_crop'));
    return { megapixels_left: inputsOf(row).n('megapixels') * left, fraction_left: left };
  },
  'resolution_crop/print_size': (row) => {
    const { n } = inputsOf(row);
    return {
      print_width: optics.printSizeMm(n('pixels_wide'), n('dpi')),
      print_height: optics.printSizeMm(n('pixels_high'), n('dpi')),
      megapixels: (n('pixels_wide') * n('pixels_high')) / 1e6,
    };
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
  'sampling_diffraction/effective_f_number': (row) => {
    const { n } = inputsOf(row);
    const effective = optics.effectiveFNumber(n('f_number'), n('magnification'));
    const airy = optics.airyDiscUm(effective, n('wavelength'));
    return {
      f_number_effective: effective,
      airy_diameter: airy,
      airy_in_pixels: airy / n('pixel_pitch'),
    };
  },
  'fisheye/half_angle_at_radius': (row) => ({
    half_angle: fisheye(row).half(inputsOf(row).n('image_radius')),
  }),
  'fisheye/image_circle': (row) => ({
    image_circle_diameter: optics.fisheyeImageCircleMm(
      fisheye(row).projection,
      inputsOf(row).n('focal_length'),
      inputsOf(row).n('full_angle'),
    ),
  }),
  'fisheye/frame_coverage': (row) => {
    const { n, sensor, projection, half } = fisheye(row);
    const across = (side: optics.SensorSide) => {
      const angle = half(optics.sideMm(sensor, side) / 2);
      return angle === null ? null : 2 * angle;
    };
    const capped = (side: optics.SensorSide) => Math.min(180, across(side) ?? 180);
    const names = {
      circular: 'circular',
      truncated: 'truncated_circle',
      'full-frame': 'full_frame',
    } as const;
    return {
      angle_horizontal_uncapped: across('width'),
      angle_vertical_uncapped: across('height'),
      angle_diagonal_uncapped: across('diagonal'),
      angle_horizontal_capped_180: capped('width'),
      angle_vertical_capped_180: capped('height'),
      angle_diagonal_capped_180: capped('diagonal'),
      circle_diameter_180: optics.fisheyeImageCircleMm(projection, n('focal_length'), 180),
      coverage: names[optics.fisheyeCoverage(projection, n('focal_length'), sensor)],
    };
  },
  'teleconverter/stacked': (row) => {
    const { n } = inputsOf(row);
    const [one, two] = [n('converter_factor_1'), n('converter_factor_2')];
    return {
      focal_out: n('focal_length') * one * two,
      f_number_exact: n('f_number') * one * two,
      light_loss: optics.converterLossStops(one) + optics.converterLossStops(two),
    };
  },
  'depth_of_field/hyperfocal': (row) => {
    const { n } = inputsOf(row);
    const h = optics.hyperfocalMm(n('focal_length'), n('f_number'), n('coc'));
    return {
      hyperfocal: h,
      hyperfocal_without_plus_f: h - n('focal_length'),
      near_limit_at_hyperfocal: optics.depthLimits(n('focal_length'), n('f_number'), n('coc'), h)
        .nearMm,
    };
  },
  'depth_of_field/limits': (row) => {
    const { n } = inputsOf(row);
    const [f, s] = [n('focal_length'), n('subject_distance_from_lens')];
    const { nearMm, farMm } = optics.depthLimits(f, n('f_number'), n('coc'), s);
    const far = farMm === Infinity ? 'inf' : farMm;
    if (farMm !== Infinity)
      expect(optics.fNumberForDepth(f, n('coc'), nearMm, farMm)).toBeCloseTo(n('f_number'), 6);
    return {
      hyperfocal: optics.hyperfocalMm(f, n('f_number'), n('coc')),
      near_limit: nearMm,
      far_limit: far,
      total_dof: far === 'inf' ? 'inf' : farMm - nearMm,
      magnification: optics.magnificationAt(f, s),
    };
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
    const [f, own] = [n('focal_length'), n('lens_max_magnification')];
    const most = optics.tubeMagnification(own, n('tube_length'), f);
    return {
      magnification_max: most,
      magnification_at_infinity_setting: optics.tubeMagnification(0, n('tube_length'), f),
      extension_needed_for_target: optics.extensionForMagnificationMm(
        f,
        own,
        n('target_magnification'),
      ),
      bellows_loss_at_max: optics.bellowsLossStops(most),
    };
  },
  'framing/working_distance': (row) => {
    const { n } = inputsOf(row);
    const [f, m] = [n('focal_length'), n('magnification')];
    const object = optics.objectDistanceMm(f, m);
    return {
      object_distance_from_lens: object,
      image_distance: f * (1 + m),
      focus_distance_from_sensor: optics.focusDistanceMm(f, object),
      working_distance: optics.workingDistanceMm(
        f,
        m,
        n('flange_distance'),
        n('lens_length_from_flange'),
      ),
    };
  },
  'framing/close_up_lens': (row) => {
    const { n } = inputsOf(row);
    const got = optics.closeUpLens(n('focal_length'), n('dioptre'));
    return {
      magnification_lens_at_infinity: got.magnification,
      working_distance_lens_at_infinity: got.workingDistanceMm,
    };
  },
  'shake_motion/motion_blur': (row) => {
    const { n } = inputsOf(row);
    const m = optics.magnificationAt(n('focal_length'), n('object_distance_from_lens'));
    const um = 1000 * optics.motionBlurMm(m, n('speed_across'), n('time'));
    return { magnification: m, blur_on_sensor: um, blur_pixels: um / n('pixel_pitch') };
  },
  'shake_motion/time_for_blur': (row) => {
    const { n } = inputsOf(row);
    const m = optics.magnificationAt(n('focal_length'), n('object_distance_from_lens'));
    const blur = (n('max_blur') * n('pixel_pitch')) / 1000;
    return { time_max: optics.timeForMotionBlurS(m, n('speed_across'), blur) };
  },
  'shake_motion/rule_of_500': (row) => ({
    time_max: optics.ruleOf500S(inputsOf(row).n('focal_length'), inputsOf(row).n('crop_factor')),
  }),
  'shake_motion/star_trail': (row) => {
    const { n } = inputsOf(row);
    const um = 1000 * optics.starTrailMm(n('focal_length'), n('declination'), n('time'));
    return { trail_on_sensor: um, trail_pixels: um / n('pixel_pitch') };
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
    const airy = optics.airyDiscUm(n('f_number'), n('wavelength'));
    return {
      pixel_pitch: pitch,
      airy_diameter: airy,
      airy_in_pixels: airy / pitch,
      f_number_airy_2px: optics.diffractionFNumber(pitch, 2, n('wavelength')),
      nyquist: optics.nyquistPerMm(pitch),
    };
  },
  'sampling_diffraction/cutoff': (row) => {
    const { n } = inputsOf(row);
    return {
      cutoff_frequency: optics.cutoffPerMm(n('f_number'), n('wavelength')),
      rayleigh_separation: optics.airyDiscUm(n('f_number'), n('wavelength')) / 2,
    };
  },
  'exiftool_crosscheck/dof': depthByTool,
  'exiftool_crosscheck/basic': (row) => {
    const { n, sensor } = inputsOf(row);
    const scale = row.inputs.focal_length_in_35mm_format
      ? n('focal_length_in_35mm_format') / n('focal_length')
      : optics.cropFactor(sensor);
    const m = row.inputs.focus_distance
      ? optics.magnificationAt(n('focal_length'), n('focus_distance') * 1000)
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

  it('leaves no row out', () => {
    const out = rows.filter((row) => !RUN[keyOf(row)] && keyOf(row) !== SCENE_ROWS);
    expect(out.map((row) => row.id)).toEqual([]);
    expect(known.length).toBe(rows.length - 6);
  });
});
