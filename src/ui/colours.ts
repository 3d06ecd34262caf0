/** Colours of the zones of a temperature scale; each zone also has its marks. */
export const ZONE_COLOUR = {
  cold: 'var(--zone-cold)',
  warming: 'var(--zone-warming)',
  regulated: 'var(--zone-regulated)',
  hot: 'var(--zone-hot)',
  boiling: 'var(--zone-boiling)',
} as const;

/** Colour of a family of causes, set in the theme; a shape or a label always stands beside it. */
export const familyColour = (family: string): string => `var(--family-${family})`;

const BESIDE = ['open', 'shut', 'sender', 'flow'] as const;

/** Colour of the n-th curve of a second log; its name always stands beside it. */
export const besideColour = (n: number): string => familyColour(BESIDE[n % BESIDE.length]!);
