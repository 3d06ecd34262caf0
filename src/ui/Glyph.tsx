/** Shapes that stand for a family beside its colour, so that colour never speaks alone. */
const SHAPES = {
  circle: 'M8 1.5 A6.5 6.5 0 1 1 7.99 1.5 Z',
  down: 'M1 2 H15 L8 15 Z',
  up: 'M8 1 L15 14 H1 Z',
  diamond: 'M8 0.5 L15.5 8 L8 15.5 L0.5 8 Z',
  square: 'M2 2 H14 V14 H2 Z',
} as const;

/** Name of a shape. */
export type GlyphShape = keyof typeof SHAPES;

/** A small filled shape. */
export function Glyph({ shape, colour, size = 16 }: { shape: GlyphShape; colour: string; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden className="shrink-0">
      <path d={SHAPES[shape]} fill={colour} />
    </svg>
  );
}
