import { useDraggable, useDroppable } from '@dnd-kit/core';
import { memo, useRef, useState } from 'react';
import type { PaletteView } from '../../api/client';
import { edit } from '../../api/commands';
import { runLine } from '../../doing/run-line';
import { attempt } from '../../doing/notices';
import { Niche } from '../../ui/Niche';
import { ScopeRing } from '../../ui/ScopeRing';
import { PaletteFace } from './PaletteFace';

/** How long a guarded one has to be held. */
const HOLD_MS = 900;

interface Props {
  palette: PaletteView;
  looked: boolean;
  active: boolean;
  onLook: (number: number | null, atOnce: boolean) => void;
  onPick: (number: number, more: boolean) => void;
}

export function reachWords(p: PaletteView): string {
  if (p.of === 0) return `${p.scope.replace('_', ' ')}, ${p.entries} values`;
  return p.reach
    .map((r) => `${r.units} × ${r.type}: ${r.way}${r.difference ? `, ${r.difference}` : ''}`)
    .join('\n');
}

/** A palette in its niche. Press: applies it; Ctrl: looks at several; guarded ones are held down. */
export const PaletteNiche = memo(function PaletteNiche({
  palette: p,
  looked,
  active,
  onLook,
  onPick,
}: Props) {
  const drag = useDraggable({ id: `palette ${p.kind} ${p.number}`, data: { number: p.number } });
  const drop = useDroppable({ id: `niche ${p.number}`, data: { number: p.number } });
  const [holding, setHolding] = useState(false);
  const timer = useRef(0);
  const apply = () => {
    onPick(p.number, false);
    // Held down, it was asked for: a command goes out for its time and stays nowhere.
    if (p.command) void runLine(`send ${p.kind} ${p.number} now`);
    else void attempt(() => edit({ type: 'apply', kind: p.kind, number: p.number }));
  };
  const release = () => {
    window.clearTimeout(timer.current);
    setHolding(false);
  };
  const hold = () => {
    if (!p.guarded || holding) return;
    setHolding(true);
    timer.current = window.setTimeout(() => {
      setHolding(false);
      apply();
    }, HOLD_MS);
  };
  const press = (e: React.MouseEvent | React.KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey) onPick(p.number, true);
    else if (p.guarded) onPick(p.number, false);
    else apply();
  };
  const handlers: React.DOMAttributes<HTMLElement> = {
    ...drag.listeners,
    onPointerDown: (e) => {
      hold();
      (drag.listeners?.onPointerDown as ((e: React.PointerEvent) => void) | undefined)?.(e);
    },
    onPointerUp: release,
    onPointerLeave: release,
    onKeyUp: release,
  };
  return (
    <Niche
      number={p.number}
      name={p.name}
      title={`${p.command ? 'A command: hold it down to send it. ' : p.guarded ? 'Hold it down to apply it. ' : ''}${reachWords(p)}${p.note ? `\n${p.note}` : ''}`}
      tint={p.tint}
      face={
        <>
          <PaletteFace face={p.face} kind={p.kind} />
          {holding && (
            <span className="absolute inset-0 origin-bottom animate-[fill_900ms_linear] bg-madder/40" />
          )}
        </>
      }
      ring={
        <span className="flex flex-col items-center gap-0.5">
          <ScopeRing scope={p.scope} mixed={p.mixedScopes} />
          <span className="mono flex gap-0.5 text-[9px] leading-3 font-bold">
            {p.follows && (
              <span className="rounded bg-plum-soft px-0.5 text-plum" title="follows other palettes">
                ↻
              </span>
            )}
            {p.guarded && (
              <span className="rounded bg-sheet px-0.5 text-madder" title="guarded: hold it down">
                hold
              </span>
            )}
            {p.kinds.length > 0 && (
              <span
                className="rounded bg-sheet/85 px-0.5 text-ink"
                title={`holds ${p.kinds.join(', ')} as well`}
              >
                +{p.kinds.map((k) => k.charAt(0).toUpperCase()).join('')}
              </span>
            )}
          </span>
        </span>
      }
      follow={p.of === 0 || p.follow === 0 ? 'none' : p.follow === p.of ? 'all' : 'some'}
      dimmed={p.of > 0 && p.follow === 0}
      active={looked}
      pressed={active}
      onPress={press}
      onHoldKey={p.guarded ? hold : undefined}
      onLook={(on, focus) => onLook(on ? p.number : null, focus)}
      onRename={async (name) =>
        (await attempt(() => edit({ type: 'rename-palette', kind: p.kind, number: p.number, name }))) !==
        undefined
      }
      drag={{
        ref: (e) => {
          drag.setNodeRef(e);
          drop.setNodeRef(e);
        },
        handlers,
        over: drop.isOver && !drag.isDragging,
        dragged: drag.isDragging,
      }}
    />
  );
});
