import type { ProofEntry } from './entry';

/** Fields of something shown after the work, all but what the store gives it. */
export const newProof = (
  fields: Partial<Omit<ProofEntry, 'id' | 'at' | 'kind' | 'takenBack'>>,
): Omit<ProofEntry, 'id' | 'at' | 'takenBack'> => ({
  ...{ kind: 'proof', item: '', answer: '', text: '', traceId: '', beforeId: '', by: '' },
  ...fields,
});
