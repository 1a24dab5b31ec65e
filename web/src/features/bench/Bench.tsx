import { ChevronDown, ChevronUp } from 'lucide-react';
import { memo, useState, type ReactNode } from 'react';
import { useDesk } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { useBuilder } from './builder';
import { useBench } from '../playing/foot';
import { RunningStrip } from '../playing/RunningStrip';
import { GridPanel } from './GridPanel';
import { SelectionPanel } from './SelectionPanel';
import { StateBuilder } from './StateBuilder';
import { ValuesPanel } from './ValuesPanel';

interface Props {
  record: ReactNode;
  /** What the chapter is about: values beside the selection, or all ways to arrange it. */
  about?: 'values' | 'order';
  /** Whether it begins folded: the chapter has much to show. */
  folded?: boolean;
}

/** At the foot wherever lights are handled: selection, values, record. It folds. */
export const Bench = memo(function Bench({ record, about = 'values', folded = false }: Props) {
  useBench();
  const [open, setOpen] = useState(!folded);
  const desk = useDesk().data;
  const [shown, setShown] = useKept<'values' | 'order'>(`bench of ${about}`, about, false);
  const builder = useBuilder((s) => s.open);
  const grid = (desk?.grid.index ?? -1) >= 0;
  if (!desk) return null;
  return (
    <>
      <RunningStrip />
      <section aria-label="Bench" className="shrink-0 border-t border-line-strong bg-sheet">
        {builder && <StateBuilder />}
        {open ? (
          <div
            className={`relative grid h-[252px] divide-x divide-line ${shown === 'values' ? 'grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)_minmax(0,0.85fr)]' : grid ? 'grid-cols-[minmax(0,1.6fr)_minmax(0,0.9fr)_minmax(0,0.9fr)]' : 'grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]'}`}
          >
            <SelectionPanel desk={desk} wide={shown === 'order'} />
            {shown === 'values' ? (
              <ValuesPanel desk={desk} />
            ) : (
              grid && <GridPanel grid={desk.grid} patterns={desk.patterns} />
            )}
            <div className="min-h-0 overflow-auto p-3">{record}</div>
            <button
              title={
                shown === 'values' ? 'All ways to arrange what is in hand' : 'The values of what is in hand'
              }
              className="absolute top-1 right-9 min-h-7 border-0 px-1 text-[12px] text-petrol underline"
              onClick={() => setShown(shown === 'values' ? 'order' : 'values')}
            >
              {shown === 'values' ? 'Order' : 'Values'}
            </button>
            <button
              aria-label="Fold the bench"
              className="absolute top-1 right-1 min-h-7 min-w-7 text-ink-2"
              onClick={() => setOpen(false)}
            >
              <ChevronDown size={16} />
            </button>
          </div>
        ) : (
          <button className="flex min-h-8 w-full items-center gap-2 px-3" onClick={() => setOpen(true)}>
            <ChevronUp size={16} /> Bench · {desk.holds || 'nothing in hand'}
          </button>
        )}
      </section>
    </>
  );
});
