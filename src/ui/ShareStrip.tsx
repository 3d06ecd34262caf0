import { Glyph, type GlyphShape } from './Glyph';

/** One part of a whole. */
export interface Share {
  readonly key: string;
  readonly name: string;
  readonly share: number;
  readonly colour: string;
  readonly shape: GlyphShape;
}

/** Smallest part that is drawn by itself. */
const SMALLEST = 0.015;
/** Smallest part that has room for its name. */
const NAMED_FROM = 0.11;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** A whole as one strip of labelled parts, largest first; the rest is hatched. Widths glide when they change. */
export function ShareStrip({ shares, label }: { shares: readonly Share[]; label: string }) {
  const drawn = shares.filter((s) => s.share >= SMALLEST);
  const rest = Math.max(0, 1 - drawn.reduce((sum, s) => sum + s.share, 0));
  const described = drawn.map((s) => `${s.name} ${percent(s.share)}`).join(', ');
  return (
    <div
      role="img"
      aria-label={`${label}: ${described}`}
      className="flex h-9 w-full overflow-hidden"
      data-testid="share-strip"
    >
      {drawn.map((s) => (
        <div
          key={s.key}
          title={`${s.name} ${percent(s.share)}`}
          className="flex min-w-0 items-center gap-1.5 border-t-4 border-r-2 border-r-base-100 bg-base-200 px-1.5 transition-[width] duration-500"
          style={{ width: `${100 * s.share}%`, borderTopColor: s.colour }}
        >
          <Glyph shape={s.shape} colour={s.colour} size={12} />
          {s.share >= NAMED_FROM && (
            <span className="truncate text-sm font-semibold" style={{ fontStretch: '85%' }}>
              {s.name} {percent(s.share)}
            </span>
          )}
        </div>
      ))}
      <div
        className="transition-[width] duration-500"
        style={{
          width: `${100 * rest}%`,
          background: 'repeating-linear-gradient(135deg, var(--color-base-300) 0 2px, transparent 2px 7px)',
        }}
      />
    </div>
  );
}
