import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useDesk } from '../../api/queries';
import { SelectionPanel } from './SelectionPanel';
import { ValuesPanel } from './ValuesPanel';

/** At the foot wherever lights are handled: selection, values, record. It folds. */
export function Bench({ record }: { record: ReactNode }) {
  const [open, setOpen] = useState(true);
  const desk = useDesk().data;
  if (!desk) return null;
  return (
    <section aria-label="Bench" className="shrink-0 border-t border-line-strong bg-sheet">
      {open ? (
        <div className="relative grid h-[252px] grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)_minmax(0,0.85fr)] divide-x divide-line">
          <SelectionPanel desk={desk} />
          <ValuesPanel desk={desk} />
          <div className="min-h-0 overflow-auto p-3">{record}</div>
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
  );
}
