import { useRef } from 'react';
import { create } from 'zustand';

/** Sideways farther than this it is meant for another niche. */
const SIDEWAYS = 24;

interface Swapping {
  kind: string;
  from: number;
  to: number | null;
}

/** What is dragged from niche to niche, and where it would land. */
const useSwapping = create<{ now: Swapping | null }>(() => ({ now: null }));

/** The niche of a kind under the pointer. */
function under(kind: string, x: number, y: number) {
  const found = document.elementsFromPoint(x, y).map((e) => e.closest<HTMLElement>(`[data-swap="${kind}"]`));
  const niche = found.find((e) => e !== null);
  return niche ? Number(niche.dataset.swapNumber) : null;
}

/** A niche that is dragged sideways to another one of its kind; what stands there changes places with it. */
export function useSwap(kind: string, number: number, onMove: ((to: number) => void) | undefined) {
  const start = useRef<{ x: number; y: number } | null>(null);
  const over = useSwapping((s) => s.now?.kind === kind && s.now.to === number && s.now.from !== number);
  const dragged = useSwapping((s) => s.now?.kind === kind && s.now.from === number);
  return {
    over,
    dragged,
    ref: (element: HTMLElement | null) => {
      if (!element) return;
      element.dataset.swap = kind;
      element.dataset.swapNumber = String(number);
    },
    begin: (e: React.PointerEvent) => {
      start.current = { x: e.clientX, y: e.clientY };
    },
    /** Whether it is dragged sideways. @param may begin to be, if it is not yet */
    move: (e: React.PointerEvent, may: boolean) => {
      const from = start.current;
      if (!onMove || !from) return false;
      const going = useSwapping.getState().now !== null;
      const aside = Math.abs(e.clientX - from.x);
      if (!going && !(may && aside > SIDEWAYS && aside > Math.abs(e.clientY - from.y))) return false;
      useSwapping.setState({ now: { kind, from: number, to: under(kind, e.clientX, e.clientY) } });
      return true;
    },
    end: () => {
      const to = useSwapping.getState().now?.to ?? null;
      start.current = null;
      useSwapping.setState({ now: null });
      if (to !== null && to !== number) onMove?.(to);
    },
    cancel: () => {
      start.current = null;
      useSwapping.setState({ now: null });
    },
  };
}
