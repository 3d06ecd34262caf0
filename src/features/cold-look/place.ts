/** Where readings of the cold look are taken, as their entries say. */
export const PLACE = 'cold-look';
