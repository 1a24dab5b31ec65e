import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { bringUp, endBringUp } from '../../api/commands';
import type { FixtureView, PatchView } from '../../api/client';
import { useKept } from '../../doing/kept';
import { runEdit } from '../../doing/run';
import { useShownDevices } from '../../doing/useShownDevices';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { Stage } from '../../stage/Stage';
import { Practice } from './Practice';
import { AnswerMark } from './AnswerMark';
import { Choice } from '../../ui/Choice';

type Order = 'number' | 'position' | 'type';
const LOOKS = ['open', 'highlight', 'red', 'green', 'blue'];
type How = 'stays' | 'held' | 'timer';

const keys: Record<Order, (f: FixtureView) => string> = {
  number: () => '',
  position: (f) => f.position || '~',
  type: (f) => `${f.profile} ${f.mode}`,
};

function ordered(fixtures: FixtureView[], order: Order): FixtureView[] {
  const key = keys[order];
  return fixtures
    .filter((f) => f.claims.length > 0)
    .sort((a, b) => key(a).localeCompare(key(b), undefined, { numeric: true }) || a.number - b.number);
}

/** One fixture after another gives light, everything else stays home; each is marked for how it answered. */
export function BringUp({ patch, title }: { patch: PatchView; title: ReactNode }) {
  const [order, setOrder] = useKept<Order>('bring up order', 'number');
  const [look, setLook] = useState('open');
  const [level, setLevel] = useState('60');
  const [how, setHow] = useState<How>('stays');
  const [seconds, setSeconds] = useState('2');
  const [at, setAt] = useKept('bring up at', 0);
  const [lit, setLit] = useState(false);
  const [note, setNote] = useKept('bring up note', '');
  const fixtures = useMemo(() => ordered(patch.fixtures, order), [patch, order]);
  const here = fixtures[Math.min(at, fixtures.length - 1)];
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => box.current?.focus(), []);
  const number = here?.number;
  const shining = lit && number !== undefined;
  const [shows, setShows] = useState(false);
  useShownDevices(number === undefined ? [] : [number], shows);

  useEffect(() => {
    if (shining) void attempt(() => bringUp([number], look, Math.max(0, Math.min(100, Number(level) || 0))));
    else void endBringUp();
  }, [shining, number, look, level]);
  useEffect(() => () => void endBringUp(), []);
  useEffect(() => {
    if (how !== 'timer' || !lit) return;
    const timer = window.setInterval(
      () => setAt((n) => (n + 1 < fixtures.length ? n + 1 : n)),
      Math.max(0.3, Number(seconds) || 2) * 1000,
    );
    return () => window.clearInterval(timer);
  }, [how, lit, seconds, fixtures.length, setAt]);

  const step = (by: number) => {
    setAt((n) => Math.max(0, Math.min(fixtures.length - 1, Math.min(n, fixtures.length - 1) + by)));
    setNote('');
    if (how === 'stays') setLit(true);
  };
  const mark = async (answer: string) => {
    if (!here) return;
    const done = await runEdit({
      type: 'mark',
      numbers: [here.number],
      answer: answer.replace(' ', '_'),
      note: note.trim(),
    });
    if (done && answer !== 'not tried') step(1);
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    const target = e.target as HTMLElement;
    const typing = target.matches('input, select, textarea');
    const key = e.key.toLowerCase();
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (typing && !(e.key === 'Enter' && target.id === 'bring-up-note')) return;
    // A button or a choice that has the focus is what Enter, Space and the arrows are for.
    if (target.closest('button, a, [role=radiogroup], summary') && /^( |Enter|Arrow.*)$/.test(e.key)) return;
    if (e.repeat && /^[awdni]$/.test(key)) e.preventDefault();
    else if (e.key === ' ') {
      if (!e.repeat) setLit(how === 'held' ? true : !lit);
    } else if (key === 'arrowdown' || key === 'arrowright') step(1);
    else if (key === 'arrowup' || key === 'arrowleft') step(-1);
    else if (key === 'i') setShows(!shows);
    else if (key === 'a') void mark('answered');
    else if (key === 'w') void mark('wrong');
    else if (key === 'd') void mark('dead');
    else if (key === 'n') document.getElementById('bring-up-note')?.focus();
    else if (e.key === 'Enter') {
      target.blur();
      box.current?.focus();
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const tried = fixtures.filter((f) => f.answer !== 'not tried').length;
  return (
    <div
      ref={box}
      tabIndex={-1}
      className="flex min-h-0 flex-1 flex-col outline-none"
      onKeyDown={onKeyDown}
      onKeyUp={(e) => e.key === ' ' && how === 'held' && setLit(false)}
      onBlur={(e) => how === 'held' && !e.currentTarget.contains(e.relatedTarget) && setLit(false)}
    >
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        {title}
        <span className="flex-1" />
        <span>
          <b className="mono">{tried}</b> of <b className="mono">{fixtures.length}</b> tried
        </span>
      </div>
      <div className="flex min-h-0 flex-1 gap-3 px-3 pb-3">
        <section aria-label="Bring up" className="flex min-h-0 min-w-0 flex-1 flex-col gap-2">
          <div className="flex flex-wrap items-center gap-1.5">
            <span className="text-[12px] text-ink-2">by</span>
            <Segmented<Order>
              label="Order"
              tight
              value={order}
              onChange={(o) => {
                setOrder(o);
                setAt(0);
              }}
              options={[
                { value: 'number', text: 'number' },
                { value: 'position', text: 'position' },
                { value: 'type', text: 'type' },
              ]}
            />
            <Segmented<How>
              label="How long"
              tight
              value={how}
              onChange={setHow}
              options={[
                { value: 'stays', text: 'stays' },
                { value: 'held', text: 'held' },
                { value: 'timer', text: 'timer' },
              ]}
            />
            {how === 'timer' && (
              <Field label="Seconds each">
                <input
                  className={`${inputShape} !h-7 !w-14`}
                  value={seconds}
                  onChange={(e) => setSeconds(e.target.value)}
                />
              </Field>
            )}
            <label className="flex items-center gap-1 text-[12px] text-ink-2">
              look
              <Choice label="Look to test with" value={look} options={LOOKS} onChange={setLook} />
            </label>
            <label className="flex items-center gap-1 text-[12px] text-ink-2">
              at %
              <input
                className={`${inputShape} !h-7 !w-12`}
                inputMode="numeric"
                value={level}
                onChange={(e) => setLevel(e.target.value)}
              />
            </label>
          </div>
          {here ? (
            <div className="space-y-2 rounded-lg border border-line-strong bg-sheet p-3">
              <div className="flex items-baseline gap-3">
                <b className="mono text-[40px] leading-none" data-testid="bring-up-number">
                  {here.number}
                </b>
                <span className="min-w-0 flex-1">
                  <span className="block truncate font-serif text-[18px]">{here.name}</span>
                  <span className="block truncate text-ink-2">
                    {here.profile} · {here.mode} · <span className="mono">{here.address}</span>
                    {here.position && ` · ${here.position}`}
                  </span>
                </span>
                <AnswerMark answer={here.answer} note={here.answerNote} words />
              </div>
              <div className="flex flex-wrap items-center gap-2">
                <Button repeats onClick={() => step(-1)} label="Arrow up">
                  ◂ Back
                </Button>
                <button
                  aria-pressed={lit}
                  className={`min-h-9 rounded-md border px-4 font-semibold ${lit ? 'border-ochre bg-ochre text-sheet' : 'border-line-strong bg-sheet'}`}
                  onKeyDown={(e) => how === 'held' && e.key === ' ' && !e.repeat && setLit(true)}
                  onPointerDown={() => how === 'held' && setLit(true)}
                  onPointerUp={() => how === 'held' && setLit(false)}
                  onClick={() => how !== 'held' && setLit(!lit)}
                >
                  {lit ? '● lit' : how === 'held' ? 'Hold: light' : how === 'timer' ? 'Run' : 'Light'}{' '}
                  <span className="text-[11px]">Space</span>
                </button>
                <Button repeats onClick={() => step(1)} label="Arrow down">
                  Next ▸
                </Button>
                <span className="flex-1" />
                <Button onClick={() => void mark('answered')} label="A">
                  <span>
                    <u>A</u>nswered
                  </span>
                </Button>
                <Button kind="danger" onClick={() => void mark('wrong')} label="W">
                  <span>
                    <u>W</u>rong
                  </span>
                </Button>
                <Button kind="danger" onClick={() => void mark('dead')} label="D">
                  <span>
                    <u>D</u>ead
                  </span>
                </Button>
              </div>
              <div className="flex items-center gap-2">
                <input
                  id="bring-up-note"
                  aria-label="Note for the mark"
                  placeholder="note for the mark (N), e.g. 307 lights up instead"
                  className={`${inputShape} !font-sans`}
                  value={note}
                  onChange={(e) => setNote(e.target.value)}
                />
                <Button
                  pressed={shows}
                  onClick={() => setShows(!shows)}
                  label="I: its device identifies itself, whatever it receives"
                >
                  Identify
                </Button>
              </div>
            </div>
          ) : (
            <p className="flex-1 text-ink-2">
              Nothing is patched yet, so nothing can be brought up.{' '}
              <Link className="font-semibold text-petrol underline" to="/patch">
                Patch something first
              </Link>
              .
            </p>
          )}
          {here && <List fixtures={fixtures} at={at} onPick={(i) => setAt(i)} />}
          {here && <Practice patch={patch} />}
        </section>
        <Stage pointed={number} />
      </div>
    </div>
  );
}

interface ListProps {
  fixtures: FixtureView[];
  at: number;
  onPick: (index: number) => void;
}

const ROW = 26;

/** Where one is in the list; only what is in sight is drawn. */
function List({ fixtures, at, onPick }: ListProps) {
  const box = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: fixtures.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 6,
  });
  useEffect(() => virtual.scrollToIndex(at), [virtual, at]);
  return (
    <div
      ref={box}
      tabIndex={0}
      aria-label="Fixtures in the order they are brought up; arrows step, A W D mark"
      role="listbox"
      aria-activedescendant={fixtures[at] && `bring-up-${fixtures[at].number}`}
      className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet"
    >
      <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const f = fixtures[item.index]!;
          const here = item.index === at;
          return (
            <div
              key={f.number}
              id={`bring-up-${f.number}`}
              role="option"
              aria-selected={here}
              aria-current={here}
              aria-posinset={item.index + 1}
              aria-setsize={fixtures.length}
              onClick={() => onPick(item.index)}
              style={{ height: ROW, transform: `translateY(${item.start}px)` }}
              className={`absolute right-0 left-0 flex cursor-pointer items-center gap-2 border-b border-line px-2 ${here ? 'bg-petrol-soft' : ''}`}
            >
              <b className="mono w-12">{f.number}</b>
              <span className="min-w-0 flex-1 truncate">{f.name}</span>
              <span className="mono w-20 truncate text-ink-2" title={f.address}>
                {f.address}
              </span>
              <span className="w-28 truncate text-right">
                <AnswerMark answer={f.answer} note={f.answerNote} words />
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}
