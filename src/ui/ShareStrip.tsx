import { Glyph, type GlyphShape } from './Glyph';
import { useElementWidth } from './useElementWidth';

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

/** Room that a name takes at most beside its sign: per letter, and what stands around it, px. */
const LETTER_PX = 7.2;
const AROUND_PX = 34;
/** Room for the sign alone, px. */
const SIGN_PX = 27;

/** A whole as one strip of labelled parts, largest first; the rest is hatched. Widths glide when they change. */
export function ShareStrip({ shares, label }: { shares: readonly Share[]; label: string }) {
  const [strip, width_px] = useElementWidth();
  const drawn = shares.filter((s) => s.share >= SMALLEST);
  const rest = Math.max(0, 1 - drawn.reduce((sum, s) => sum + s.share, 0));
  const described = drawn.map((s) => `${s.name} ${percent(s.share)}`).join(', ');
  const named = drawn.filter((s) => s.share >= NAMED_FROM);
  const fits = (s: Share, text: string) =>
    width_px === 0 || s.share * width_px >= LETTER_PX * (text.length + 5) + AROUND_PX;
  // Where the window is narrow the names stand below, not cut off in the strip.
  const below = named.filter((s) => !fits(s, s.name));
  return (
    <div>
      <div
        ref={strip}
        role="img"
        aria-label={`${label}: ${described}`}
        className="flex h-9 w-full overflow-hidden"
        data-testid="share-strip"
      >
        {drawn.map((s) => (
          <div
            key={s.key}
            title={`${s.name} ${percent(s.share)}`}
            className="flex min-w-0 items-center gap-1.5 overflow-hidden border-t-4 border-r-2 border-r-base-100 bg-base-200 px-1.5 transition-[width] duration-500"
            style={{ width: `${100 * s.share}%`, borderTopColor: s.colour }}
          >
            {s.share * width_px >= SIGN_PX && <Glyph shape={s.shape} colour={s.colour} size={12} />}
            {s.share >= NAMED_FROM && fits(s, '') && (
              <span className="text-sm font-semibold whitespace-nowrap" style={{ fontStretch: '85%' }}>
                {fits(s, s.name) ? `${s.name} ` : ''}
                {percent(s.share)}
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
      {below.length > 0 && (
        <p aria-hidden className="flex flex-wrap gap-x-4 text-sm font-semibold">
          {below.map((s) => (
            <span key={s.key} className="inline-flex items-center gap-1.5">
              <Glyph shape={s.shape} colour={s.colour} size={12} /> {s.name} {percent(s.share)}
            </span>
          ))}
        </p>
      )}
    </div>
  );
}
