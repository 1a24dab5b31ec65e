import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable } from '@dnd-kit/sortable';
import type { DeskView } from '../../api/client';
import { edit, select } from '../../api/commands';
import { attempt } from '../../app/notices';

const MOST_STEPS = 96;
/** Pixels a chip is dragged before it is not a press any more. */
const SLIP = 6;

const move = (from: number, to: number) => void attempt(() => edit({ type: 'order', from, to }));

/** Units in hand, step by step; dragged into another order, pressed to take one out. */
export function Chips({ desk }: { desk: DeskView }) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: SLIP } }));
  const steps = desk.steps.slice(0, MOST_STEPS);
  const ids = steps.map((_, i) => String(i + 1));
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) move(Number(active.id), Number(over.id));
  };
  return (
    <div
      className="flex min-h-0 flex-1 flex-wrap content-start gap-1 overflow-auto"
      role="group"
      aria-label="Units in hand, in order"
    >
      <DndContext sensors={sensors} onDragEnd={onDragEnd} accessibility={{ container: document.body }}>
        <SortableContext items={ids} strategy={() => null}>
          {steps.map((units, i) => (
            <StepChips key={`${i} ${units[0]}`} units={units} order={i + 1} of={desk.steps.length} />
          ))}
        </SortableContext>
      </DndContext>
      {desk.steps.length > MOST_STEPS && (
        <span className="self-center text-ink-2">and {desk.steps.length - MOST_STEPS} more steps</span>
      )}
      {desk.rest.slice(0, MOST_STEPS).map((unit) => (
        <button
          key={`rest ${unit}`}
          title={`${unit} is left by the pattern. Press to add it.`}
          onClick={() => void attempt(() => select([unit], 'add'))}
          className="mono h-[22px] rounded border border-line px-1 text-[12px] text-ink-label"
        >
          {unit}
        </button>
      ))}
      {desk.steps.length === 0 && (
        <p className="text-ink-2">Drag a frame on the plan, press rows in Patch, or type numbers.</p>
      )}
    </div>
  );
}

/** One step: what counts as one stands on one line. */
function StepChips({ units, order, of }: { units: string[]; order: number; of: number }) {
  const { listeners, setNodeRef, isDragging, isOver } = useSortable({ id: String(order) });
  const onKeyDown = (e: React.KeyboardEvent) => {
    const by = e.altKey ? { ArrowLeft: -1, ArrowRight: 1 }[e.key] : undefined;
    if (by === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    if (order + by >= 1 && order + by <= of) move(order, order + by);
  };
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      onKeyDown={onKeyDown}
      className={`flex touch-none flex-wrap gap-0.5 ${units.length > 1 ? 'border-b-2 border-plum' : ''} ${isDragging ? 'opacity-50' : ''} ${isOver ? 'border-l-2 border-l-petrol' : ''}`}
    >
      {units.map((unit) => (
        <button
          key={unit}
          title={`${unit}: step ${order}. Press to take it out; drag, or Alt with an arrow, puts it elsewhere.`}
          onClick={() => void attempt(() => select([unit], 'less'))}
          className="mono flex h-[22px] items-start gap-0.5 rounded border border-petrol bg-petrol-soft px-1 text-[12px] font-bold text-petrol"
        >
          {unit}
          <sup className="text-[9px] leading-3 font-normal">{order}</sup>
        </button>
      ))}
    </span>
  );
}
