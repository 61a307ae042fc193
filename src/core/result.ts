/** The one shape in which an expected failure is returned: data with a code, never a thrown error. */
export type Result<T, E extends { readonly code: string }> = Ok<T> | Err<E>;

export interface Ok<T> {
  readonly ok: true;
  readonly value: T;
}

export interface Err<E extends { readonly code: string }> {
  readonly ok: false;
  readonly error: E;
}

export function ok<T>(value: T): Ok<T> {
  return { ok: true, value };
}

export function err<E extends { readonly code: string }>(error: E): Err<E> {
  return { ok: false, error };
}
