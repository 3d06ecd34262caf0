/** How a moment stands on paper. */
export const MOMENT = 'd MMM yyyy, HH:mm';
