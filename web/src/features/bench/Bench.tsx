import { ChevronDown, ChevronUp } from 'lucide-react';
import { memo, useEffect, type ReactNode } from 'react';
import { useDesk } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { unfoldsBy } from '../../doing/record-name';
import { Panes } from '../../ui/Panes';
import { useBuilder } from './builder';
import { useBench } from '../playing/foot';
import { RunningStrip } from '../playing/RunningStrip';
import { GridPanel } from './GridPanel';
import { SelectionPanel } from './SelectionPanel';
import { StateBuilder } from './StateBuilder';
import { ValuesPanel } from './ValuesPanel';
import { ValuesTable } from './ValuesTable';

/** What stands between the selection and recording. */
type About = 'values' | 'order' | 'table';

interface Props {
  /** The chapter: it remembers whether it is folded and how high it is. */
  of: string;
  record: ReactNode;
  /** What the chapter is about: values beside the selection, or all ways to arrange it. */
  about?: About;
  /** Whether it begins folded: the chapter has much to show. */
  folded?: boolean;
  /** The chapter itself, above it. */
  children: ReactNode;
}

/** Whether the bench of a chapter is open. @param folded whether it begins folded */
export const useBenchOpen = (of: string, folded = false) => useKept(`bench open ${of}`, !folded, false);

/** Pixels: two rows of chips, the patterns, and six values. */
const USUAL = 252;

/** A chapter, and at its foot the bench: selection, values, record. It folds, and its edge is dragged. */
export function Bench({ of, record, about = 'values', folded = false, children }: Props) {
  useBench();
  const [open, setOpen] = useBenchOpen(of, folded);
  const desk = useDesk().data;
  const builder = useBuilder((s) => s.open);
  useEffect(() => unfoldsBy(() => setOpen(true)), [setOpen]);
  return (
    <>
      <Panes
        of={`bench of ${of}`}
        down
        panes={[
          {
            id: 'chapter',
            called: 'the chapter',
            usual: '66%',
            least: 180,
            children: (
              <>
                {children}
                <RunningStrip />
                {builder && desk && <StateBuilder />}
              </>
            ),
          },
          ...(open && desk
            ? [
                {
                  id: 'bench',
                  called: 'the bench',
                  usual: USUAL,
                  least: 112,
                  keeps: true,
                  children: <Open about={about} record={record} onFold={setOpen} />,
                },
              ]
            : []),
        ]}
      />
      {!open && desk && (
        <section aria-label="Bench" className="shrink-0 border-t border-line-strong bg-sheet">
          <button className="flex min-h-8 w-full items-center gap-2 px-3" onClick={() => setOpen(true)}>
            <ChevronUp size={16} /> Bench · {desk.holds || 'nothing selected'}
          </button>
        </section>
      )}
    </>
  );
}

const VIEWS: { about: About; text: string; title: string }[] = [
  { about: 'values', text: 'Values', title: 'The values of the selection' },
  { about: 'order', text: 'Order', title: 'All ways to arrange the selection' },
  { about: 'table', text: 'Table', title: 'All values of the selection as a table' },
];

interface OpenProps {
  record: ReactNode;
  about: About;
  onFold: (open: false) => void;
}

const Open = memo(function Open({ record, about, onFold }: OpenProps) {
  const desk = useDesk().data;
  const [shown, setShown] = useKept<About>(`bench of ${about}`, about, false);
  if (!desk) return null;
  const columns =
    shown === 'values'
      ? 'grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_minmax(0,0.85fr)]'
      : shown === 'table'
        ? 'grid-cols-[minmax(0,2.6fr)_minmax(0,0.85fr)]'
        : desk.grid.index >= 0
          ? 'grid-cols-[minmax(0,1.6fr)_minmax(0,0.9fr)_minmax(0,0.9fr)]'
          : 'grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]';
  return (
    <section aria-label="Bench" className="relative flex min-h-0 flex-1 flex-col bg-sheet">
      <div className={`grid min-h-0 flex-1 divide-x divide-line ${columns}`}>
        {shown !== 'table' && <SelectionPanel desk={desk} wide={shown === 'order'} />}
        {shown === 'table' ? (
          <ValuesTable />
        ) : shown === 'values' ? (
          <ValuesPanel desk={desk} />
        ) : (
          desk.grid.index >= 0 && <GridPanel grid={desk.grid} patterns={desk.patterns} />
        )}
        <div data-part className="min-h-0 overflow-auto p-3">
          {record}
        </div>
      </div>
      <span className="absolute top-1 right-9 flex gap-2 text-[12px]">
        {VIEWS.filter((v) => v.about !== shown).map((v) => (
          <button
            key={v.about}
            title={v.title}
            className="min-h-7 text-petrol underline"
            onClick={() => setShown(v.about)}
          >
            {v.text}
          </button>
        ))}
      </span>
      <button
        aria-label="Fold the bench"
        className="absolute top-1 right-1 min-h-7 min-w-7 text-ink-2"
        onClick={() => onFold(false)}
      >
        <ChevronDown size={16} />
      </button>
    </section>
  );
});
