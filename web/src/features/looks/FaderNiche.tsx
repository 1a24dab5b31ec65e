import { useRef, useState, type ReactNode } from 'react';
import { Niche } from '../../ui/Niche';
import { useKeyedLevel } from '../../doing/keyed';
import { useSwap } from '../niches/useSwap';

/** Pixels up for one percent more. */
const PER_PERCENT = 0.8;
const SLIP = 5;

interface Props {
  kind: 'submaster' | 'group';
  number: number;
  name: string;
  /** what is under it */
  what: string;
  level: number;
  /** What is under it, drawn as far as its level lets it through. */
  under?: ReactNode;
  active: boolean;
  onLevel: (value: number) => void;
  onFlash?: (on: boolean) => void;
  onLook: () => void;
  onRename: (name: string) => Promise<boolean>;
  onMove?: (to: number) => void;
}

/** A level in a niche: dragged up and down, or by keys; held with F it flashes. Dragged sideways it goes to another niche. */
export function FaderNiche({
  kind,
  number,
  name,
  what,
  level,
  under,
  active,
  onLevel,
  onFlash,
  onLook,
  onRename,
  onMove,
}: Props) {
  const [shown, setShown] = useState<number | null>(null);
  const from = useRef<{ y: number; at: number } | null>(null);
  const dragged = useRef(false);
  const swap = useSwap(kind, number, onMove);
  const now = shown ?? level;
  const keyed = useKeyedLevel(() => level);
  return (
    <div
      className="touch-none select-none"
      onKeyDown={(e) => {
        const step = { PageUp: 10, PageDown: -10, '+': 5, '-': -5 }[e.key];
        if (step !== undefined && !(e.target as HTMLElement).matches('input')) {
          e.preventDefault();
          e.stopPropagation();
          onLevel(keyed(step));
        } else if (
          onFlash &&
          e.key.toLowerCase() === 'f' &&
          !e.repeat &&
          !(e.target as HTMLElement).matches('input')
        ) {
          e.preventDefault();
          e.stopPropagation();
          onFlash(true);
        }
      }}
      onKeyUp={(e) => e.key.toLowerCase() === 'f' && onFlash?.(false)}
    >
      <Niche
        number={number}
        name={name}
        title={`${what} at ${Math.round(now)} %. Drag up and down, or Page Up and Page Down${onFlash ? '; F held flashes it' : ''}${onMove ? '; drag sideways to another niche' : ''}`}
        face={
          <>
            {under}
            {under && (
              <span
                aria-hidden="true"
                className="absolute inset-x-0 top-0 bg-sheet/65"
                style={{ height: `${100 - now}%` }}
              />
            )}
            <span
              aria-hidden="true"
              className={`absolute inset-x-0 bottom-0 border-t-2 border-petrol ${under ? '' : 'bg-petrol-soft'} ${kind === 'group' ? 'border-dashed' : ''}`}
              style={{ height: `${now}%` }}
            />
            {shown !== null && (
              <span className="mono absolute inset-x-0 top-6 text-center text-[14px] font-bold text-petrol">
                {Math.round(shown)} %
              </span>
            )}
          </>
        }
        follow={now > 0 ? 'all' : 'none'}
        active={active}
        onPress={() => {
          if (!dragged.current) onLook();
          dragged.current = false;
        }}
        onRename={onRename}
        drag={{
          ref: swap.ref,
          over: swap.over,
          dragged: swap.dragged,
          handlers: {
            onMouseDown: (e) => e.preventDefault(),
            onPointerDown: (e) => {
              if (e.button !== 0) return;
              from.current = { y: e.clientY, at: level };
              dragged.current = false;
              swap.begin(e);
              e.currentTarget.setPointerCapture(e.pointerId);
            },
            onPointerMove: (e) => {
              const start = from.current;
              if (!start || e.buttons !== 1) return;
              if (swap.move(e, shown === null)) {
                dragged.current = true;
                return;
              }
              const up = start.y - e.clientY;
              if (!dragged.current && Math.abs(up) < SLIP) return;
              dragged.current = true;
              const value = Math.round(Math.max(0, Math.min(100, start.at + up / PER_PERCENT)));
              if (value === shown) return;
              setShown(value);
              onLevel(value);
            },
            onPointerUp: () => {
              from.current = null;
              setShown(null);
              swap.end();
            },
            onPointerCancel: () => {
              from.current = null;
              setShown(null);
              swap.cancel();
            },
          },
        }}
      />
    </div>
  );
}
