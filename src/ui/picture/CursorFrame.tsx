'use client';

import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type ReactNode, type WheelEvent } from 'react';
import { PLOT_RIGHT } from './scale';
import { useCursor, type DriveView } from './useDriveView';
import type { CursorStore } from './view';

/** A drag shorter than this is a click, px. */
const LEAST_DRAG_PX = 6;
const ZOOM_STEP = 0.6;
const WHEEL_PER_PX = 0.0016;

function CursorLine({ cursor, view, left }: { cursor: CursorStore; view: DriveView; left: number }) {
  const at_s = useCursor(cursor);
  const { from_s, to_s } = view.range;
  if (at_s === null || at_s < from_s || at_s > to_s) return null;
  const share = (at_s - from_s) / (to_s - from_s);
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute inset-y-0 w-px bg-primary"
      data-testid="cursor"
      style={{ left: `calc(${left}px + (100% - ${left + PLOT_RIGHT}px) * ${share})` }}
    />
  );
}

/**
 * A frame around the lanes of one drive: the pointer moves the cursor, a drag picks a stretch to look at, and everything
 * goes by keyboard as well. A click holds the cursor, a second one lets it go. Arrow keys move the cursor, with shift the view; + and - zoom, 0 shows all.
 */
export function CursorFrame({
  view,
  left,
  label,
  onMark,
  children,
}: {
  view: DriveView;
  /** Where the plots begin, px from the left. */
  left: number;
  label: string;
  /** Called with the cursor's moment on Enter or a double click. */
  onMark?: (at_s: number) => void;
  children: ReactNode;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const drag = useRef<{ readonly x: number; readonly at_s: number } | null>(null);
  const brush = useRef<HTMLDivElement>(null);
  /** A click or a key holds the cursor where it is, so that the pointer can leave for what is said of it. */
  const held = useRef(false);
  const { range, whole, cursor } = view;
  const width_s = range.to_s - range.from_s;

  const momentAt = (clientX: number): number | null => {
    const box = frame.current?.getBoundingClientRect();
    if (!box) return null;
    const share = (clientX - box.left - left) / Math.max(1, box.width - left - PLOT_RIGHT);
    return share < -0.02 || share > 1.02 ? null : range.from_s + Math.min(1, Math.max(0, share)) * width_s;
  };
  const showBrush = (x: number | null) => {
    const box = frame.current?.getBoundingClientRect();
    if (!brush.current || !box) return;
    brush.current.hidden = x === null || drag.current === null;
    if (x === null || drag.current === null) return;
    brush.current.style.left = `${Math.min(x, drag.current.x) - box.left}px`;
    brush.current.style.width = `${Math.abs(x - drag.current.x)}px`;
  };
  const move = (e: PointerEvent) => {
    if (!held.current) cursor.set(momentAt(e.clientX));
    if (drag.current && Math.abs(e.clientX - drag.current.x) >= LEAST_DRAG_PX) showBrush(e.clientX);
  };
  const down = (e: PointerEvent) => {
    const at_s = momentAt(e.clientX);
    if (e.button !== 0 || at_s === null) return;
    drag.current = { x: e.clientX, at_s };
    frame.current?.focus({ preventScroll: true });
  };
  const up = (e: PointerEvent) => {
    const from = drag.current;
    showBrush(null);
    drag.current = null;
    const at_s = momentAt(e.clientX);
    if (!from || at_s === null) return;
    if (Math.abs(e.clientX - from.x) < LEAST_DRAG_PX) {
      const pinned = cursor.get();
      const near = pinned !== null && Math.abs(at_s - pinned) < width_s / 150;
      held.current = !(held.current && near);
      cursor.set(at_s);
      return;
    }
    view.look({ from_s: Math.min(from.at_s, at_s), to_s: Math.max(from.at_s, at_s) });
  };
  const wheel = (e: WheelEvent) => {
    // A plain wheel scrolls the page.
    if (!e.ctrlKey && !e.shiftKey) return;
    const by = Math.abs(e.deltaY) > Math.abs(e.deltaX) ? e.deltaY : e.deltaX;
    if (e.ctrlKey) view.zoom(Math.exp(by * WHEEL_PER_PX));
    else view.pan(by * WHEEL_PER_PX);
  };
  useEffect(() => {
    // The browser zooms the page on a pinch unless it is told not to, and React listens passively.
    const element = frame.current;
    const keep = (e: globalThis.WheelEvent) => {
      if (e.ctrlKey || e.shiftKey) e.preventDefault();
    };
    element?.addEventListener('wheel', keep, { passive: false });
    return () => element?.removeEventListener('wheel', keep);
  }, []);
  const step = (by: number) => {
    const at_s = Math.min(whole.to_s, Math.max(whole.from_s, (cursor.get() ?? range.from_s) + by));
    held.current = true;
    cursor.set(at_s);
    if (at_s < range.from_s || at_s > range.to_s) view.pan(at_s < range.from_s ? -0.5 : 0.5);
  };
  const key = (e: KeyboardEvent) => {
    const small = Math.max(1, width_s / 200);
    const keys: Readonly<Record<string, () => void>> = {
      ArrowLeft: () => (e.shiftKey ? view.pan(-0.2) : step(-small)),
      ArrowRight: () => (e.shiftKey ? view.pan(0.2) : step(small)),
      PageUp: () => step(-10 * small),
      PageDown: () => step(10 * small),
      Home: () => step(-Infinity),
      End: () => step(Infinity),
      '+': () => view.zoom(ZOOM_STEP),
      '=': () => view.zoom(ZOOM_STEP),
      '-': () => view.zoom(1 / ZOOM_STEP),
      '0': view.showAll,
      Escape: () => {
        held.current = false;
        cursor.set(null);
      },
      Enter: () => {
        const at_s = cursor.get();
        if (at_s !== null) onMark?.(at_s);
      },
    };
    const does = e.target === e.currentTarget && !e.ctrlKey && !e.metaKey && !e.altKey ? keys[e.key] : undefined;
    if (!does) return;
    e.preventDefault();
    e.stopPropagation();
    does();
  };
  return (
    <div
      ref={frame}
      className="relative touch-pan-y select-none"
      role="application"
      aria-label={`${label}. Arrow keys move the cursor, with shift the view; plus and minus zoom, zero shows all, enter sets a mark.`}
      tabIndex={0}
      data-testid="desk-lanes"
      onPointerMove={move}
      onPointerDown={down}
      onPointerUp={up}
      onPointerLeave={() => showBrush(null)}
      onDoubleClick={(e) => {
        const at_s = momentAt(e.clientX);
        if (at_s !== null) onMark?.(at_s);
      }}
      onWheel={wheel}
      onKeyDown={key}
    >
      {children}
      <div ref={brush} hidden className="pointer-events-none absolute inset-y-0 bg-primary/20" />
      <CursorLine cursor={cursor} view={view} left={left} />
    </div>
  );
}
