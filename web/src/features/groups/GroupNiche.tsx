import { useDraggable, useDroppable } from '@dnd-kit/core';
import { memo, useRef, useState } from 'react';
import { edit, type How } from '../../api/commands';
import type { GroupView } from '../../api/client';
import { useKeyedLevel } from '../../doing/keyed';
import { useGesture } from '../../doing/gesture';
import { attempt } from '../../doing/notices';
import { Niche } from '../../ui/Niche';
import { TinyPlan, type Places } from './TinyPlan';

/** Pixels up for one percent more. */
const PER_PERCENT = 1.2;
/**
 * Pixels before a press is a drag. By the way it has gone by then it is one thing to its end: rather up or down a level,
 * rather sideways a way to another niche.
 */
export const SLIP = 8;

interface Props {
  group: GroupView;
  places: Places | null;
  how: How;
  held: 'all' | 'some' | 'none';
  looked: boolean;
  onLook: (number: number, more: boolean) => void;
}

const facts = (g: GroupView) =>
  [
    `${g.units.length} ${g.units.length === 1 ? 'unit' : 'units'} in ${g.steps} ${g.steps === 1 ? 'step' : 'steps'}`,
    g.recipe && `follows ${g.recipe}`,
    g.unpatched > 0 && `${g.unpatched} without address`,
    g.dead > 0 && `${g.dead} dead`,
    g.note,
  ]
    .filter(Boolean)
    .join(' · ');

/** A group in its niche; drawn again only when the group itself has changed. */
export const GroupNiche = memo(function GroupNiche({ group, places, how, held, looked, onLook }: Props) {
  const drag = useDraggable({ id: `group ${group.number}`, data: { number: group.number } });
  const drop = useDroppable({ id: `niche ${group.number}`, data: { number: group.number } });
  const [level, setLevel] = useState<number | null>(null);
  const from = useRef<{ y: number; x: number; at: number } | null>(null);
  const levelTo = useGesture((percent: number) => ({ type: 'level-group', number: group.number, percent }));
  const levelled = useRef(false);
  const keyed = useKeyedLevel(() => lit());
  const onKey = (e: React.KeyboardEvent) => {
    const by = { PageUp: 10, PageDown: -10 }[e.key];
    if (by === undefined || (e.target as HTMLElement).matches('input')) return false;
    e.preventDefault();
    void levelTo(keyed(by));
    return true;
  };
  const press = (e: React.MouseEvent | React.KeyboardEvent) => {
    if (levelled.current) {
      levelled.current = false;
      return;
    }
    onLook(group.number, e.ctrlKey || e.metaKey);
    if (e.ctrlKey || e.metaKey) return;
    const chosen: How = e.shiftKey ? 'add' : e.altKey ? 'less' : how;
    void attempt(() => edit({ type: 'hold-group', number: group.number, how: chosen }));
  };
  const lit = () => {
    const bar = document.querySelector<HTMLElement>(`[data-level="${group.number}"]`);
    return Number(bar?.dataset.percent ?? 0);
  };
  const handlers: React.DOMAttributes<HTMLElement> = {
    ...drag.listeners,
    onPointerDown: (e) => {
      from.current = { y: e.clientY, x: e.clientX, at: lit() };
      // A quick hand is outside before it has moved once.
      if (e.button === 0) e.currentTarget.setPointerCapture(e.pointerId);
      (drag.listeners?.onPointerDown as ((e: React.PointerEvent) => void) | undefined)?.(e);
    },
    onPointerMove: (e) => {
      const start = from.current;
      if (!start || e.buttons !== 1) return;
      const up = start.y - e.clientY;
      if (level === null) {
        const across = Math.abs(e.clientX - start.x);
        if (Math.hypot(across, up) < SLIP) return;
        if (across >= Math.abs(up)) {
          from.current = null;
          return;
        }
      }
      // Whoever listens further out would take it for a way to another niche.
      e.nativeEvent.stopPropagation();
      levelled.current = true;
      const percent = Math.round(Math.max(0, Math.min(100, start.at + up / PER_PERCENT)));
      if (percent === level) return;
      setLevel(percent);
      void levelTo(percent);
    },
    onPointerUp: () => {
      from.current = null;
      setLevel(null);
    },
  };
  return (
    <Niche
      number={group.number}
      name={group.name}
      title={`${facts(group)}${held === 'all' ? '. All of it is selected' : held === 'some' ? '. A part of it is selected' : ''}`}
      tint={group.tint}
      face={
        <>
          <TinyPlan group={group} places={places} />
          <span aria-hidden="true" className="absolute bottom-0 left-0 h-full w-1">
            <span data-level={group.number} className="absolute bottom-0 left-0 w-1 bg-ochre" />
          </span>
          {level !== null && (
            <span className="mono absolute inset-0 flex items-center justify-center bg-sheet/80 text-[16px] font-bold text-petrol">
              {level} %
            </span>
          )}
        </>
      }
      ring={
        group.recipe || group.unpatched + group.dead > 0 ? (
          <span className="flex gap-0.5 text-[12px] leading-3">
            {group.recipe && (
              <span className="text-plum" title={`follows ${group.recipe}`}>
                ↻
              </span>
            )}
            {group.unpatched + group.dead > 0 && <span className="text-madder">■</span>}
          </span>
        ) : undefined
      }
      follow={held}
      active={looked}
      pressed={held === 'all' ? true : held === 'some' ? 'mixed' : false}
      onPress={press}
      onKey={onKey}
      onRename={async (name) =>
        (await attempt(() => edit({ type: 'rename-group', number: group.number, name }))) !== undefined
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
