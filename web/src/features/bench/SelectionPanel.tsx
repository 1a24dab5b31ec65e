import { edit, select, turnHighlight, type Edit } from '../../api/commands';
import type { DeskView } from '../../api/client';
import { attempt } from '../../app/notices';
import { Button } from '../../ui/Button';

const PATTERNS: { text: string; words: string; edit: Edit; bars: number[] }[] = [
  {
    text: 'Every 2',
    words: 'every 2',
    edit: { type: 'arrange', pattern: 'every', n: 2 },
    bars: [9, 3, 9, 3, 9, 3, 9, 3],
  },
  {
    text: 'Every 3',
    words: 'every 3',
    edit: { type: 'arrange', pattern: 'every', n: 3 },
    bars: [9, 3, 3, 9, 3, 3, 9, 3],
  },
  {
    text: 'Blocks 2',
    words: 'blocks of 2',
    edit: { type: 'arrange', pattern: 'blocks', n: 2 },
    bars: [9, 9, 5, 5, 9, 9, 5, 5],
  },
  {
    text: 'Half',
    words: 'part 1 of 2',
    edit: { type: 'arrange', pattern: 'part', n: 2 },
    bars: [9, 9, 9, 9, 3, 3, 3, 3],
  },
  {
    text: 'Quarter',
    words: 'part 1 of 4',
    edit: { type: 'arrange', pattern: 'part', n: 4 },
    bars: [9, 9, 3, 3, 3, 3, 3, 3],
  },
  {
    text: 'Mirror',
    words: 'mirror',
    edit: { type: 'arrange', pattern: 'mirror' },
    bars: [3, 5, 7, 9, 9, 7, 5, 3],
  },
  {
    text: 'Reverse',
    words: 'reverse',
    edit: { type: 'arrange', pattern: 'reverse' },
    bars: [9, 8, 7, 6, 5, 4, 3, 2],
  },
];
const MOST_CHIPS = 96;

export function SelectionPanel({ desk }: { desk: DeskView }) {
  const units = desk.steps.flatMap((step, i) => step.map((unit) => ({ unit, order: i + 1 })));
  const run = (what: Edit) => void attempt(() => edit(what));
  return (
    <div className="flex min-h-0 flex-col gap-2 overflow-hidden p-3">
      <div className="flex items-center gap-2">
        <span className="caps">Selection</span>
        <span className="mono font-bold">{units.length}</span>
        <span className="min-w-0 flex-1 truncate text-ink-2" title={desk.holds}>
          {desk.rest.length > 0 && `of ${units.length + desk.rest.length} · `}
          {desk.holds || 'nothing in hand'}
        </span>
        <Button
          pressed={desk.highlight}
          label="Show off what is in hand (H)"
          onClick={() => void attempt(turnHighlight)}
        >
          Highlight
        </Button>
        <Button
          label="Let go (Delete)"
          disabled={units.length === 0 && desk.touchedUnits === 0}
          onClick={() => run({ type: 'clear' })}
        >
          Clear
        </Button>
      </div>
      <div
        className="flex min-h-0 flex-1 flex-wrap content-start gap-1 overflow-auto"
        aria-label="Units in hand, in order"
      >
        {units.slice(0, MOST_CHIPS).map(({ unit, order }) => (
          <button
            key={unit}
            title={`${unit}: step ${order}. Press to take it out.`}
            onClick={() => void attempt(() => select([unit], 'less'))}
            className="mono flex h-[22px] items-start gap-0.5 rounded border border-petrol bg-petrol-soft px-1 text-[12px] font-bold text-petrol"
          >
            {unit}
            <sup className="text-[9px] leading-3 font-normal">{order}</sup>
          </button>
        ))}
        {units.length > MOST_CHIPS && (
          <span className="self-center text-ink-2">and {units.length - MOST_CHIPS} more</span>
        )}
        {desk.rest.slice(0, MOST_CHIPS).map((unit) => (
          <button
            key={`rest ${unit}`}
            title={`${unit} is left by the pattern. Press to add it.`}
            onClick={() => void attempt(() => select([unit], 'add'))}
            className="mono h-[22px] rounded border border-line px-1 text-[12px] text-ink-label"
          >
            {unit}
          </button>
        ))}
        {units.length === 0 && (
          <p className="text-ink-2">Drag a frame on the plan, press rows in Patch, or type numbers.</p>
        )}
      </div>
      <div className="flex items-center gap-2">
        <span className="caps">Pattern</span>
        <span className="min-w-0 flex-1 truncate text-[12px] text-ink-2">{desk.patterns.join(' → ')}</span>
        {desk.shares > 1 && (
          <span className="flex items-center gap-1 text-petrol">
            <button
              aria-label="Previous share ( [ )"
              className="min-h-7 min-w-7"
              onClick={() => run({ type: 'step', back: true })}
            >
              ‹
            </button>
            share {desk.share + 1} of {desk.shares}
            <button
              aria-label="Next share ( ] )"
              className="min-h-7 min-w-7"
              onClick={() => run({ type: 'step', back: false })}
            >
              ›
            </button>
          </span>
        )}
      </div>
      <div className="flex flex-wrap gap-1">
        {PATTERNS.map((p) => (
          <button
            key={p.words}
            disabled={units.length === 0}
            aria-pressed={desk.patterns.includes(p.words)}
            onClick={() => run(p.edit)}
            className="flex h-11 w-[44px] flex-col items-center justify-center rounded-md border border-line-strong text-[10px] hover:bg-sunk aria-pressed:border-petrol aria-pressed:bg-petrol-soft"
          >
            <svg width="40" height="12" aria-hidden="true">
              {p.bars.map((h, i) => (
                <rect
                  key={i}
                  x={i * 5}
                  y={11 - h}
                  width="3.4"
                  height={h}
                  rx="1"
                  fill={h < 4 ? 'var(--line-strong)' : 'var(--petrol)'}
                />
              ))}
            </svg>
            {p.text}
          </button>
        ))}
      </div>
    </div>
  );
}
