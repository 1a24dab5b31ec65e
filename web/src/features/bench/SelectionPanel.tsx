import { useEffect, useState } from 'react';
import { edit, turnHighlight, type Edit } from '../../api/commands';
import type { DeskView } from '../../api/client';
import { attempt } from '../../doing/notices';
import { askPoint, foresee, useStageState } from '../../stage/stage-state';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { asCount } from '../../ui/reading';
import { Typed } from '../../ui/Typed';
import { Chips } from './Chips';
import { HighlightMenu, RecentMenu } from './HandMenus';
import { PatternPicture } from './PatternPicture';
import { COMMON, ORDERS, PATTERNS, nameOf } from './patterns';
import { useBuilder } from './builder';
import { useEditReading } from '../../doing/useLineReading';
import { useOneStop } from '../../ui/useOneStop';

const run = (what: Edit) => void attempt(() => edit(what));

/** The selection and how it was taken. @param wide whether there is room for all ways to arrange it */
export function SelectionPanel({ desk, wide }: { desk: DeskView; wide?: boolean }) {
  const held = desk.steps.reduce((sum, step) => sum + step.length, 0);
  return (
    <div data-part className="flex min-h-0 flex-col gap-1.5 overflow-hidden p-3">
      <div className="flex items-center gap-1.5">
        <span className="caps">Selection</span>
        <span className="mono font-bold">{held}</span>
        <span className="flex-1 whitespace-nowrap text-ink-2">
          {desk.rest.length > 0 && `of ${held + desk.rest.length}`}
        </span>
        {wide && <RecentMenu recent={desk.recent} />}
        <Button label="Find by state: lit, dark, at a level, using a palette… (F)" onClick={turnBuilder}>
          Find…
        </Button>
        <Button
          pressed={desk.highlight}
          label="Highlight the selection (H)"
          onClick={() => void attempt(turnHighlight)}
        >
          Highlight
        </Button>
        {wide && <HighlightMenu look={desk.look} />}
        <Button
          label="Let go (Delete)"
          disabled={held === 0 && desk.touchedUnits === 0}
          onClick={() => run({ type: 'clear' })}
        >
          Clear
        </Button>
      </div>
      {desk.holds && (
        <p className="line-clamp-2 shrink-0 text-[12px] leading-4 text-ink-2" title={desk.holds}>
          {desk.holds}
        </p>
      )}
      <Chips desk={desk} />
      <Laid desk={desk} />
      <Pictures desk={desk} wide={wide} />
      {wide && <Orders desk={desk} />}
    </div>
  );
}

const turnBuilder = () => useBuilder.setState((s) => ({ open: !s.open, byKey: false }));

/** What was asked for and which patterns lie on it; each is taken off by itself, or all at once. */
function Laid({ desk }: { desk: DeskView }) {
  return (
    <div className="flex min-h-7 items-center gap-1.5">
      <span className="caps">Pattern</span>
      <div className="flex min-w-0 flex-1 items-center gap-1 overflow-hidden text-[12px]">
        {desk.patterns.length > 0 && (
          <span className="min-w-0 truncate rounded-full bg-plum-soft px-2 text-plum" title={desk.asked}>
            {desk.asked}
          </span>
        )}
        {desk.patterns.map((words, i) => (
          <button
            key={i}
            title={`Take “${words}” off`}
            aria-label={`Take ${words} off`}
            onClick={() => run({ type: 'lift', index: i })}
            className="shrink-0 rounded-full bg-petrol-soft px-2 text-petrol hover:line-through"
          >
            {words} ×
          </button>
        ))}
      </div>
      {(desk.shares > 1 || desk.steps.length > 1) && (
        <span className="flex shrink-0 items-center gap-1 text-petrol">
          <button
            aria-label="Previous share ( [ )"
            title="Previous share ( [ )"
            className="min-h-7 min-w-7"
            onClick={() => run({ type: 'step', back: true })}
          >
            ‹
          </button>
          {desk.shares > 1 ? `share ${desk.share + 1} of ${desk.shares}` : 'step through'}
          <button
            aria-label="Next share ( ] )"
            title="Next share ( ] )"
            className="min-h-7 min-w-7"
            onClick={() => run({ type: 'step', back: false })}
          >
            ›
          </button>
        </span>
      )}
      {desk.patterns.length > 0 && (
        <button
          className="min-h-7 shrink-0 px-1 text-petrol underline"
          title="Everything that the patterns took from (\)"
          onClick={() => run({ type: 'lift' })}
        >
          whole
        </button>
      )}
    </div>
  );
}

/** Patterns as pictures of what each would take of the selection. */
function Pictures({ desk, wide }: { desk: DeskView; wide?: boolean }) {
  const shown = wide ? PATTERNS : COMMON;
  const row = useOneStop<HTMLDivElement>();
  const pictures = new Map(desk.pictures.map((p) => [p.words, p]));
  return (
    <div ref={row} role="toolbar" aria-label="Patterns" className="flex gap-1">
      {shown.map((words) => {
        const picture = pictures.get(words);
        const laid = desk.patterns.lastIndexOf(words);
        return (
          <button
            key={words}
            disabled={desk.steps.length === 0}
            aria-pressed={laid >= 0}
            title={
              laid >= 0
                ? `Take “${words}” off`
                : picture
                  ? `${words}: ${picture.steps} ${picture.steps === 1 ? 'step' : 'steps'}`
                  : words
            }
            onClick={(e) =>
              e.detail < 2 && run(laid >= 0 ? { type: 'lift', index: laid } : { type: 'arrange', words })
            }
            className="flex h-10 w-[54px] min-w-0 flex-col items-center justify-center overflow-hidden rounded-md border border-line-strong text-[11px] hover:bg-sunk aria-pressed:border-petrol aria-pressed:bg-petrol-soft"
          >
            <PatternPicture taken={picture?.taken ?? []} />
            <span className="max-w-full truncate text-[10.5px] tracking-tight">{nameOf(words)}</span>
          </button>
        );
      })}
    </div>
  );
}

/** Orders by number and place, shuffles with a seed, and any pattern in words. */
function Orders({ desk }: { desk: DeskView }) {
  const row = useOneStop<HTMLDivElement>();
  const pointing = useStageState((s) => s.pointing) !== null;
  const last = desk.patterns[desk.patterns.length - 1] ?? '';
  const shuffled = last.match(/^shuffle seed (\d+)$/)?.[1];
  const outwardFrom = () =>
    pointing
      ? useStageState.setState({ pointing: null })
      : askPoint('press the point to run outward from', (x, y) =>
          run({ type: 'arrange', words: `sort by outward from ${x}, ${y}` }),
        );
  return (
    <div ref={row} role="toolbar" aria-label="Sort" className="flex items-center gap-2 text-[12px]">
      <span className="caps">Sort</span>
      {ORDERS.map((by) => (
        <button
          key={by}
          disabled={desk.steps.length === 0}
          aria-pressed={last === `sort by ${by}`}
          className="min-h-7 text-ink-2 hover:text-petrol aria-pressed:font-bold aria-pressed:text-petrol aria-pressed:underline"
          onClick={() => run({ type: 'arrange', words: `sort by ${by}` })}
        >
          {by}
        </button>
      ))}
      <button
        disabled={desk.steps.length === 0}
        aria-pressed={pointing}
        title="Outward from the point that is pressed next on the plan"
        className="min-h-7 text-ink-2 hover:text-petrol aria-pressed:font-bold aria-pressed:text-petrol"
        onClick={outwardFrom}
      >
        {pointing ? 'press a point…' : 'from a point…'}
      </button>
      <button
        disabled={desk.steps.length === 0}
        className="min-h-7 text-ink-2 hover:text-petrol"
        title="Again and again, another order each time"
        onClick={() => run({ type: 'shuffle' })}
      >
        shuffle
      </button>
      {shuffled && <Seed seed={shuffled} />}
      <button
        disabled={desk.steps.length === 0}
        className="min-h-7 text-ink-2 hover:text-petrol"
        title="Fixtures with cells become their cells"
        onClick={() => run({ type: 'arrange', words: 'cells' })}
      >
        cells
      </button>
      <AnyPattern disabled={desk.steps.length === 0} />
    </div>
  );
}

function Seed({ seed }: { seed: string }) {
  return (
    <label className="flex items-center gap-1 text-ink-2">
      seed
      <Typed
        label="Seed of the shuffle"
        value={seed}
        read={asCount}
        className="mono h-7 w-12 rounded-md border border-line-strong bg-paper px-1"
        onSet={(typed) => runEdit({ type: 'arrange', words: `shuffle seed ${typed}` })}
      />
    </label>
  );
}

/** For what has no button. */
function AnyPattern({ disabled }: { disabled: boolean }) {
  const [words, setWords] = useState('');
  const reading = useEditReading(words.trim() && !disabled ? { type: 'arrange', words } : null);
  const units = reading.outcome?.units;
  useEffect(() => {
    if (!units) return undefined;
    foresee(units);
    return () => foresee(null);
  }, [units]);
  return (
    <>
      <input
        aria-label="Any pattern, such as every 5 from 2"
        placeholder="every 5 from 2…"
        disabled={disabled}
        className="mono h-7 min-w-0 flex-1 rounded-md border border-line-strong bg-paper px-1.5"
        value={words}
        onChange={(e) => setWords(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' || !words.trim()) return;
          void attempt(() => edit({ type: 'arrange', words })).then((done) => done && setWords(''));
        }}
      />
      {words && (
        <span className="max-w-40 truncate text-petrol" role="status">
          {reading.problems[0]?.words ?? reading.outcome?.reading}
        </span>
      )}
    </>
  );
}
