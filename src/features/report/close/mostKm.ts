/** Further than any car has gone, km. */
export const MOST_KM = 5e6;
