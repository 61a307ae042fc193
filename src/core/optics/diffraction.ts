import { UM_PER_MM } from '@/core/units';

const UM_PER_NM = 0.001;
const AIRY = 2.44;
/** Green, where the eye and most sensors see best. */
const WAVELENGTH_NM = 550;

/**
 * Diffraction of a round aperture.
 *
 * Source: Airy 1835; first dark ring at 2.44·λ·N (Ray, from memory). Beyond it no focusing helps.
 */

/** Distance between pixels, µm. */
export function pixelPitchUm(sensorWidthMm: number, pixelsWide: number): number {
  return (sensorWidthMm / pixelsWide) * UM_PER_MM;
}

/** Effective f-number at which the Airy disc is as wide as so many pixels. */
export function diffractionFNumber(
  pitchUm: number,
  pixels = 2,
  wavelengthNm = WAVELENGTH_NM,
): number {
  return (pixels * pitchUm) / (AIRY * wavelengthNm * UM_PER_NM);
}
