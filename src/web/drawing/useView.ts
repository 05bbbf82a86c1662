import { type KeyboardEvent, type PointerEvent, useCallback, useEffect, useRef, useState } from 'react';

/** How a drawing is looked at: so much enlarged, about this point, as shares of the whole. */
export interface View {
  scale: number;
  x: number;
  y: number;
}

const WHOLE: View = { scale: 1, x: 0.5, y: 0.5 };
const MOST = 12;
/** One press of a button, and how much of the part that is seen an arrow key goes on. */
const STEP = 1.4;
const GO = 0.15;

/** Drawings as they were left, by what they are called: the same when one comes back to them. */
const left = new Map<string, View>();

const clamp = (v: number, least: number, most: number): number => Math.min(most, Math.max(least, v));

/** Never beyond the rim of the drawing. */
function within({ scale, x, y }: View): View {
  const s = clamp(scale, 1, MOST);
  const half = 0.5 / s;
  return { scale: s, x: clamp(x, half, 1 - half), y: clamp(y, half, 1 - half) };
}

export interface Looking {
  view: View;
  zoom: (by: number) => void;
  fit: () => void;
  onKeyDown: (e: KeyboardEvent) => void;
  onPointerDown: (e: PointerEvent<Element>) => void;
  onPointerMove: (e: PointerEvent<Element>) => void;
  onPointerUp: () => void;
  onWheel: (e: WheelEvent) => void;
}

/** Enlarging and moving a drawing: buttons, the wheel with Ctrl, dragging, and by keyboard plus, minus, 0 and the arrows. */
export function useView(place: string | undefined): Looking {
  const [view, setView] = useState(WHOLE);
  const drag = useRef<{ x: number; y: number; at: View; moved: boolean } | null>(null);
  useEffect(() => setView((place && left.get(place)) || WHOLE), [place]);
  const put = useCallback(
    (to: (v: View) => View): void =>
      setView((v) => {
        const next = within(to(v));
        if (place) left.set(place, next);
        return next;
      }),
    [place],
  );
  const zoom = useCallback(
    (by: number): void => put((v) => ({ ...v, scale: v.scale * (by > 0 ? STEP : 1 / STEP) })),
    [put],
  );
  const fit = useCallback((): void => put(() => WHOLE), [put]);
  const go = (dx: number, dy: number): void =>
    put((v) => ({ ...v, x: v.x + (dx * GO) / v.scale, y: v.y + (dy * GO) / v.scale }));
  const KEYS: Record<string, () => void> = {
    '+': () => zoom(1),
    '-': () => zoom(-1),
    '0': fit,
    ArrowLeft: () => go(-1, 0),
    ArrowRight: () => go(1, 0),
    ArrowUp: () => go(0, -1),
    ArrowDown: () => go(0, 1),
  };
  return {
    view,
    zoom,
    fit,
    onKeyDown: (e) => {
      const does = KEYS[e.key];
      if (!place || !does || e.altKey || e.ctrlKey || e.metaKey || e.target !== e.currentTarget) return;
      e.preventDefault();
      does();
    },
    onPointerDown: (e) => {
      if (view.scale > 1) drag.current = { x: e.clientX, y: e.clientY, at: view, moved: false };
    },
    onPointerMove: (e) => {
      const d = drag.current;
      if (!d || !e.buttons) return;
      // A click that shakes is none.
      if (!d.moved && Math.hypot(e.clientX - d.x, e.clientY - d.y) < 5) return;
      if (!d.moved) e.currentTarget.setPointerCapture(e.pointerId);
      d.moved = true;
      const box = e.currentTarget.getBoundingClientRect();
      const [x, y] = [(e.clientX - d.x) / box.width, (e.clientY - d.y) / box.height];
      put(() => ({ ...d.at, x: d.at.x - x / d.at.scale, y: d.at.y - y / d.at.scale }));
    },
    onPointerUp: () => {
      drag.current = null;
    },
    onWheel: (e) => {
      if (!e.ctrlKey && !e.metaKey) return;
      e.preventDefault();
      const box = (e.currentTarget as Element).getBoundingClientRect();
      const [px, py] = [(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height];
      const scale = clamp(view.scale * (e.deltaY < 0 ? STEP : 1 / STEP), 1, MOST);
      // What lies under the pointer stays there.
      const at = { x: view.x + (px - 0.5) / view.scale, y: view.y + (py - 0.5) / view.scale };
      put(() => ({ scale, x: at.x - (px - 0.5) / scale, y: at.y - (py - 0.5) / scale }));
    },
  };
}
