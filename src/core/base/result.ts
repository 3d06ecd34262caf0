/** Outcome of something that may fail for a reason the user can mend. Misuse by a programmer throws instead. */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E };

/** A successful result. */
export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value });

/** A failed result that carries a plain-data error. */
export const fail = <E>(error: E): Result<never, E> => ({ ok: false, error });
