/**
 * So many bytes from a place on, a letter for each; fewer where they end before. What browsers call latin1
 * has other letters between 0x80 and 0x9F.
 *
 * @param length up to some thousands
 */
export function latin1At(bytes: ArrayBuffer, at: number, length: number): string {
  const within = Math.max(0, Math.min(length, bytes.byteLength - at));
  return within === 0 ? '' : String.fromCharCode(...new Uint8Array(bytes, at, within));
}
