import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import type { RigMove } from '../../api/rig-move';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { numbers, rowsOf, type PairRow, type Said } from './rig-model';

/** Height of a row in pixels. */
const ROW = 34;

interface Props {
  move: RigMove;
  onSay: (said: Said) => void;
}

/** Which fixture of the rig stands for which of the show; any of it is said otherwise by typing numbers. */
export function RigPairs({ move, onSay }: Props) {
  const [unsure, setUnsure] = useState(false);
  const all = useMemo(() => rowsOf(move.pairs, move.without), [move]);
  const open = all.filter((r) => !r.sure);
  const rows = unsure && open.length > 0 ? open : all;
  const box = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  return (
    <section aria-label="Which stands for which" className="flex min-h-0 flex-1 flex-col gap-2 pr-2">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="font-serif text-[17px] font-semibold">Which stands for which</h2>
        {open.length > 0 && (
          <Button pressed={unsure} onClick={() => setUnsure(!unsure)}>
            {open.length} to look at
          </Button>
        )}
      </div>
      <SaySeveral onSay={onSay} />
      <div
        ref={box}
        role="table"
        aria-label="Fixtures and what stands for them"
        aria-rowcount={rows.length}
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet"
      >
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index]!;
            return (
              <Row
                key={`${row.was.number} ${row.is.map((i) => i.number).join()}`}
                row={row}
                top={item.start}
                onSay={onSay}
              />
            );
          })}
        </div>
      </div>
      {move.idle.length > 0 && (
        <p className="max-h-12 shrink-0 overflow-auto text-[12px] text-ink-2">
          {move.idle.length} of the rig {move.idle.length === 1 ? 'stands' : 'stand'} for nothing yet:{' '}
          {move.idle.map((f) => `${f.number} ${f.type}`).join(', ')}
        </p>
      )}
    </section>
  );
}

function Row({ row, top, onSay }: { row: PairRow; top: number; onSay: (said: Said) => void }) {
  const now = row.is.map((i) => i.number).join(', ');
  const [text, setText] = useState(now);
  const typed = numbers(text);
  const say = () => {
    if (typed !== null && text.trim() !== now) onSay({ was: [row.was.number], is: typed });
  };
  const types = [...new Set(row.is.map((i) => i.type))].join(', ');
  return (
    <div
      role="row"
      className="absolute flex w-full items-center gap-2 border-b border-line px-2 text-[13px]"
      style={{ top, height: ROW }}
    >
      <span role="cell" className="mono w-10 shrink-0 text-right font-semibold">
        {row.was.number}
      </span>
      <span role="cell" className="min-w-0 flex-1 truncate" title={about(row.was)}>
        {row.was.type}
      </span>
      <span aria-hidden className="text-ink-2">
        →
      </span>
      <span role="cell" className="w-16 shrink-0">
        <input
          aria-label={`What stands for ${row.was.number}`}
          aria-invalid={typed === null}
          className={`${inputShape} !min-h-6 !w-full`}
          value={text}
          placeholder="nothing"
          onChange={(e) => setText(e.target.value)}
          onBlur={say}
          onKeyDown={(e) => {
            if (e.key === 'Enter') say();
            if (e.key === 'Escape') setText(now);
          }}
        />
      </span>
      <span
        role="cell"
        className="min-w-0 flex-1 truncate"
        title={row.is.length === 1 ? about(row.is[0]!) : types}
      >
        {types}
      </span>
      <span
        role="cell"
        title={row.by}
        className={`min-w-0 flex-[0.9] truncate text-[12px] ${row.sure ? 'text-ink-2' : 'text-ochre'}`}
      >
        {row.sure ? '' : '▲ '}
        {row.by}
      </span>
    </div>
  );
}

const about = (f: PairRow['was']) =>
  [f.type, f.name, f.position, f.purpose].filter((t) => t !== '').join(' · ');

/** Many at once: `101 thru 112` are `1 thru 12`. */
function SaySeveral({ onSay }: { onSay: (said: Said) => void }) {
  const [was, setWas] = useState('');
  const [is, setIs] = useState('');
  const from = numbers(was);
  const to = numbers(is);
  return (
    <form
      aria-label="What stands for several"
      className="flex flex-wrap items-center gap-2 text-[13px]"
      onSubmit={(e) => {
        e.preventDefault();
        if (!from?.length || to === null) return;
        onSay({ was: from, is: to });
        setWas('');
        setIs('');
      }}
    >
      For
      <input
        aria-label="Fixtures of the show"
        aria-invalid={from === null}
        placeholder="101 thru 112"
        className={`${inputShape} !w-32`}
        value={was}
        onChange={(e) => setWas(e.target.value)}
      />
      stand
      <input
        aria-label="Fixtures of the rig"
        aria-invalid={to === null}
        placeholder="1 thru 12"
        className={`${inputShape} !w-36`}
        value={is}
        onChange={(e) => setIs(e.target.value)}
      />
      <Button
        type="submit"
        label="With nothing behind “stand” nothing stands for them"
        disabled={!from?.length || to === null}
      >
        Set
      </Button>
    </form>
  );
}
