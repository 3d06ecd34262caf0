import type { Result } from '@/core/base';

/** A failure of a worker in words; null for one that a person stopped. */
export const inWords = async <T>(
  result: Promise<Result<T, { readonly kind: string; readonly message?: string }>>,
): Promise<Result<T, string | null>> => {
  const r = await result;
  if (r.ok) return r;
  return {
    ok: false,
    error:
      r.error.kind === 'cancelled'
        ? null
        : `It failed: ${r.error.message ?? 'no reason given'}. Nothing was spent; try again.`,
  };
};
