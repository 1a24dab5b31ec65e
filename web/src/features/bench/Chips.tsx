import { memo, useRef, useState } from 'react';
import type { DeskView } from '../../api/client';
import { edit, select } from '../../api/commands';
import { attempt } from '../../doing/notices';
import { useOneStop } from '../../ui/useOneStop';

/** More are not seen without scrolling. */
const MOST_STEPS = 72;
/** Pixels a chip is dragged before it is not a press any more. */
const SLIP = 6;

const move = (from: number, to: number) => void attempt(() => edit({ type: 'order', from, to }));

/** The step that stands under a point, if one does. */
const stepAt = (x: number, y: number) => {
  const chip = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-step]');
  return chip ? Number(chip.dataset.step) : null;
};

/** Units selected, step by step; dragged into another order, pressed to take one out. */
export function Chips({ desk }: { desk: DeskView }) {
  const chips = useOneStop<HTMLDivElement>();
  const from = useRef<{ step: number; x: number; y: number } | null>(null);
  const [dragged, setDragged] = useState<{ step: number; over: number | null } | null>(null);
  const onPointerDown = (e: React.PointerEvent) => {
    const step = e.button === 0 ? stepAt(e.clientX, e.clientY) : null;
    from.current = step === null ? null : { step, x: e.clientX, y: e.clientY };
  };
  const onPointerMove = (e: React.PointerEvent) => {
    const start = from.current;
    if (!start || (!dragged && Math.hypot(e.clientX - start.x, e.clientY - start.y) < SLIP)) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    const over = stepAt(e.clientX, e.clientY);
    if (dragged?.over !== over) setDragged({ step: start.step, over });
  };
  const onPointerUp = () => {
    from.current = null;
    if (dragged && dragged.over !== null && dragged.over !== dragged.step) move(dragged.step, dragged.over);
    setDragged(null);
  };
  /** What was dragged was not pressed. */
  const onClickCapture = (e: React.MouseEvent) => {
    if (dragged) e.stopPropagation();
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    const by = e.altKey ? { ArrowLeft: -1, ArrowRight: 1 }[e.key] : undefined;
    const chip = (e.target as HTMLElement).closest<HTMLElement>('[data-step]');
    if (by === undefined || !chip) return;
    e.preventDefault();
    e.stopPropagation();
    const to = Number(chip.dataset.step) + by;
    if (to >= 1 && to <= desk.steps.length) move(to - by, to);
  };
  return (
    <div
      ref={chips}
      className="flex min-h-0 flex-1 touch-none flex-wrap content-start gap-1 overflow-auto"
      role="group"
      aria-label="Units selected, in order"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onClickCapture={onClickCapture}
      onKeyDown={onKeyDown}
    >
      {desk.steps.slice(0, MOST_STEPS).map((units, i) => (
        <StepChips
          key={units[0]}
          units={units.join(' ')}
          order={i + 1}
          dragged={dragged?.step === i + 1}
          over={dragged !== null && dragged.over === i + 1}
        />
      ))}
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

interface StepProps {
  units: string;
  order: number;
  dragged: boolean;
  over: boolean;
}

/** One step: what counts as one stands on one line. */
const StepChips = memo(function StepChips({ units, order, dragged, over }: StepProps) {
  const labels = units.split(' ');
  return (
    <span
      data-step={order}
      className={`flex flex-wrap gap-0.5 ${labels.length > 1 ? 'border-b-2 border-plum' : ''} ${dragged ? 'opacity-50' : ''} ${over ? 'border-l-2 border-l-petrol' : ''}`}
    >
      {labels.map((unit) => (
        <button
          key={unit}
          title={`${unit}: step ${order}. Press to take it out. Drag, or Alt with an arrow, puts it elsewhere.`}
          onClick={() => void attempt(() => select([unit], 'less'))}
          className="mono flex h-[22px] items-start gap-0.5 rounded border border-petrol bg-petrol-soft px-1 text-[12px] font-bold text-petrol"
        >
          {unit}
          <sup className="text-[9px] leading-3 font-normal">{order}</sup>
        </button>
      ))}
    </span>
  );
});
