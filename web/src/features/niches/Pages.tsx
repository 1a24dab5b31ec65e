import { LayoutGrid } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { usePages } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { useKept } from '../../doing/kept';
import { quoted } from '../../doing/run';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { useLineReading } from '../../doing/useLineReading';
import { windows, type NichePage, type Window } from './pages-model';

const NONE: NichePage[] = [];

/** The windows on numbers there are, and the one that is looked at. @param of group, or a kind of palette */
export function useWindows(of: string, numbers: number[], run: number) {
  const pages = usePages().data ?? NONE;
  const all = useMemo(() => windows(pages, of, numbers, run), [pages, of, numbers, run]);
  const [key, setKey] = useKept(`page of ${of}`, 'run 0');
  const now = all.find((w) => w.key === key) ?? all[0]!;
  const before = useRef<number[] | null>(null);
  useEffect(() => {
    const fresh = before.current ? numbers.filter((n) => !before.current!.includes(n)) : [];
    before.current = numbers;
    // What was recorded just now is shown, also where it stands on another page.
    const beyond = fresh.length === 1 && (fresh[0]! < now.first || fresh[0]! > now.last);
    const page =
      beyond && document.hasFocus() && all.find((w) => w.first <= fresh[0]! && fresh[0]! <= w.last);
    if (page) setKey(page.key);
  }, [numbers, all, now, setKey]);
  return { all, now, choose: setKey };
}

interface Props {
  of: string;
  all: Window[];
  now: Window;
  onChoose: (key: string) => void;
}

/** Turns pages, and sets them. */
export function Pages({ of, all, now, onChoose }: Props) {
  const [setting, setSetting] = useState(false);
  return (
    <>
      {all.length > 1 && (
        <Segmented
          label="Page of niches"
          tight
          value={now.key}
          onChange={onChoose}
          options={all.map((w) => ({ value: w.key, text: w.text }))}
        />
      )}
      <button
        aria-label="Pages…"
        title="Pages of your own: a name, the first number, niches a row"
        className="flex min-h-7 min-w-8 items-center justify-center rounded-md border border-line-strong bg-sheet text-petrol hover:bg-sunk"
        onClick={() => setSetting(true)}
      >
        <LayoutGrid size={16} />
      </button>
      <Modal
        open={setting}
        title={`Pages of ${of === 'group' ? 'groups' : `${of} palettes`}`}
        onClose={() => setSetting(false)}
      >
        <Setting of={of} onChoose={onChoose} />
      </Modal>
    </>
  );
}

function Setting({ of, onChoose }: Pick<Props, 'of' | 'onChoose'>) {
  const pages = (usePages().data ?? NONE).filter((p) => p.of === of);
  const [name, setName] = useState('');
  const [first, setFirst] = useState('101');
  const [columns, setColumns] = useState('7');
  const [rows, setRows] = useState('4');
  const text =
    name.trim() && first && columns && rows
      ? `page ${of} ${quoted(name)} from ${first} of ${columns} by ${rows}`
      : '';
  const reading = useLineReading(text);
  const digits = (set: (s: string) => void) => (e: React.ChangeEvent<HTMLInputElement>) =>
    set(e.target.value.replace(/\D/g, ''));
  const add = () => {
    if (reading.outcome)
      void runLine(text).then((done) => {
        if (!done) return;
        onChoose(`page ${name.trim()}`);
        setName('');
      });
  };
  return (
    <div className="space-y-3">
      <p className="text-[13px] text-ink-2">
        A page shows niches from a number on, in rows of its own; a drag puts things where they are wanted.
      </p>
      {pages.map((p) => (
        <Page
          key={p.name}
          page={p}
          onEdit={() => {
            setName(p.name);
            setFirst(String(p.first));
            setColumns(String(p.columns));
            setRows(String(p.rows));
          }}
        />
      ))}
      <form
        className="grid grid-cols-[1fr_70px_60px_60px_auto] items-end gap-2 text-[12px]"
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
      >
        <label>
          Name
          <input autoFocus className={inputShape} value={name} onChange={(e) => setName(e.target.value)} />
        </label>
        <label>
          From
          <input className={inputShape} value={first} onChange={digits(setFirst)} />
        </label>
        <label>
          A row
          <input className={inputShape} value={columns} onChange={digits(setColumns)} />
        </label>
        <label>
          Rows
          <input className={inputShape} value={rows} onChange={digits(setRows)} />
        </label>
        <Button kind="main" type="submit" disabled={!reading.outcome?.changes} label={text}>
          Set
        </Button>
      </form>
      <p role="status" className={`text-[12px] ${reading.problems.length ? 'text-madder' : ''}`}>
        {reading.problems[0]?.words ?? reading.outcome?.words.join(' · ')}
      </p>
    </div>
  );
}

/** One page: called otherwise, changed, taken away. */
function Page({ page, onEdit }: { page: NichePage; onEdit: () => void }) {
  const [name, setName] = useState(page.name);
  const last = page.first + page.columns * page.rows - 1;
  return (
    <div className="flex items-center gap-2 border-b border-line pb-1 text-[13px]">
      <input
        aria-label={`Name of page ${page.name}`}
        className={`${inputShape} max-w-44`}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onBlur={() => {
          if (name.trim() && name !== page.name)
            void runLine(`rename page ${page.of} ${quoted(page.name)} ${quoted(name)}`);
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <span className="mono flex-1">
        {page.first}–{last} · {page.columns} × {page.rows}
      </span>
      <Button onClick={onEdit}>Change</Button>
      <Button
        kind="danger"
        label={`delete page ${page.of} ${quoted(page.name)}: its niches stay`}
        onClick={() => void runLine(`delete page ${page.of} ${quoted(page.name)}`)}
      >
        Take away
      </Button>
    </div>
  );
}
