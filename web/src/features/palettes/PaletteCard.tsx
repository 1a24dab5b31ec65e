import { useState } from 'react';
import type { DeskView, PaletteView } from '../../api/client';
import { runLine } from '../../doing/run-line';
import { quoted } from '../../doing/run';
import { Button } from '../../ui/Button';
import { ScopeRing } from '../../ui/ScopeRing';
import { useLineReading } from '../../doing/useLineReading';
import { Compare } from './Compare';
import { GRADE_INK, lineOf } from './kinds';
import { Choice } from '../../ui/Choice';

const TINTS = ['none', 'rose', 'amber', 'moss', 'teal', 'sky', 'violet', 'sand', 'slate'];
const run = (text: string) => void runLine(text);
const small = 'mono h-7 min-w-0 rounded-md border border-line-strong bg-paper px-1.5 text-[12px]';

interface Props {
  palettes: PaletteView[];
  held: boolean;
  uses: DeskView['uses'];
  next: number;
  onOpen: () => void;
}

/** The palettes looked at: who selected follows, and what can be done with them. */
export function PaletteCard({ palettes, held, uses, next, onOpen }: Props) {
  const one = palettes.length === 1 ? palettes[0]! : null;
  const use = uses.find((u) => one && u.kind === one.kind && u.number === one.number) ?? {
    used: 0,
    changed: 0,
  };
  const [deleting, setDeleting] = useState(false);
  const [comparing, setComparing] = useState(false);
  const all = palettes.length > 0 ? `${palettes[0]!.kind} ${palettes.map((p) => p.number).join(' + ')}` : '';
  const loss = useLineReading(deleting ? `delete ${all}` : '');
  if (palettes.length === 0)
    return (
      <div className="min-h-0 flex-1 space-y-1 overflow-auto pt-1 text-[12px] text-ink-label">
        <p>
          Point at a palette to see which of the selection follows it, and how. Ctrl looks at several; a drag
          moves one to another niche.
        </p>
        <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
          {(['global', 'per_type', 'per_fixture'] as const).map((scope) => (
            <span key={scope} className="flex items-center gap-1">
              <ScopeRing scope={scope} mixed={false} /> {scope.replace('_', ' ')}
            </span>
          ))}
          <span>ledge: solid, all selected follow · dashed, some · dimmed, none</span>
        </p>
      </div>
    );
  return (
    <section
      aria-label="The palette looked at"
      className="min-h-0 flex-1 space-y-1 overflow-auto rounded-md border border-line-strong bg-sheet p-2"
    >
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="min-w-0 truncate font-serif text-[15px] font-semibold">
          {one ? `${one.number} ${one.name}` : `${palettes.length} palettes`}
        </span>
        {one && (
          <span className="text-[12px] text-ink-2">
            {[
              one.intent,
              use.used > 0 && `${use.used} in use`,
              one.seconds !== null && `${one.seconds} s`,
              one.note,
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
        )}
        {!one && (
          <>
            <Marks
              all={all}
              tint={palettes.every((p) => p.tint === palettes[0]!.tint) ? palettes[0]!.tint : ''}
            />
            {palettes.length === 2 && <Button onClick={() => setComparing(true)}>Compare…</Button>}
            <Exact label="to" placeholder="niche" onSet={(n) => run(`move ${all} to ${n}`)} />
            <Exact label="time" placeholder="s" onSet={(n) => run(`time ${all} at ${n}`)} />
            <Button kind="danger" onClick={() => setDeleting(true)}>
              Delete…
            </Button>
          </>
        )}
        {one && (
          <span className="flex w-full flex-wrap items-center gap-1">
            {use.changed > 0 && (
              <>
                <Button
                  kind="main"
                  label={`update ${lineOf(one)}`}
                  onClick={() => run(`update ${lineOf(one)}`)}
                >
                  Update palette ({use.changed})
                </Button>
                <Button
                  label="As the correction of their types: other types stay"
                  onClick={() => run(`update ${lineOf(one)} per type`)}
                >
                  for this type only
                </Button>
                <Button
                  label="As values of their own: no other fixture changes"
                  onClick={() => run(`update ${lineOf(one)} per fixture`)}
                >
                  for these fixtures only
                </Button>
              </>
            )}
            <Button onClick={onOpen}>Contents…</Button>
            <Button
              label={`Take the selection out of ${lineOf(one)}`}
              disabled={!held}
              onClick={() => run(`take out hand from ${lineOf(one)}`)}
            >
              − hand
            </Button>
            <Button
              label={`copy ${lineOf(one)} to ${next}`}
              onClick={() => run(`copy ${lineOf(one)} to ${next}`)}
            >
              Copy
            </Button>
            <Marks all={all} tint={one.tint} />
            <Writing key={lineOf(one)} palette={one} />
            <Button kind="danger" onClick={() => setDeleting(true)}>
              Delete…
            </Button>
          </span>
        )}
      </div>
      {deleting && (
        <div
          className="flex flex-wrap items-center gap-2 text-[12px]"
          role="alertdialog"
          aria-label="Delete it?"
        >
          <span className={loss.problems.length ? 'text-madder' : ''}>
            {loss.problems[0]?.words ?? loss.outcome?.words.join(' · ') ?? 'Looking who uses it…'}
          </span>
          <Button
            kind="danger"
            onClick={() => {
              setDeleting(false);
              run(`delete ${all}${loss.problems.length ? ' as values' : ''}`);
            }}
          >
            {loss.problems.length ? 'Delete, and leave plain values there' : 'Delete'}
          </Button>
          <Button onClick={() => setDeleting(false)}>Keep</Button>
        </div>
      )}
      {comparing && palettes.length === 2 && (
        <Compare one={palettes[0]!} other={palettes[1]!} onClose={() => setComparing(false)} />
      )}
      {one && one.of > 0 && <ReachTable palette={one} />}
    </section>
  );
}

/** What its niche is marked with. */
function Marks({ all, tint }: { all: string; tint: string }) {
  return (
    <Choice
      label="Colour mark"
      className={`tint-${tint}`}
      value={tint}
      empty="marks differ"
      options={TINTS.map((t) => ({ value: t, text: t === 'none' ? 'no mark' : t }))}
      onChange={(t) => run(`tint ${all} ${t === 'none' ? 'off' : t}`)}
    />
  );
}

/** A number that is typed and then done for all of them. */
function Exact({
  label,
  placeholder,
  onSet,
}: {
  label: string;
  placeholder: string;
  onSet: (n: number) => void;
}) {
  const [text, setText] = useState('');
  return (
    <label className="flex items-center gap-1 text-[12px]">
      {label}
      <input
        className={`${small} w-14`}
        placeholder={placeholder}
        value={text}
        onChange={(e) => setText(e.target.value.replace(/[^\d.]/g, ''))}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' || !text) return;
          onSet(Number(text));
          setText('');
        }}
      />
    </label>
  );
}

/** A note, and a time of its own. */
function Writing({ palette }: { palette: PaletteView }) {
  const [note, setNote] = useState(palette.note);
  const [seconds, setSeconds] = useState(palette.seconds === null ? '' : String(palette.seconds));
  return (
    <>
      <input
        aria-label="Note"
        className={`${small} w-24`}
        placeholder="note"
        value={note}
        onChange={(e) => setNote(e.target.value)}
        onBlur={() => note !== palette.note && run(`note ${lineOf(palette)} ${quoted(note)}`)}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <input
        aria-label="Seconds to come in"
        className={`${small} w-12`}
        placeholder="s"
        value={seconds}
        onChange={(e) => setSeconds(e.target.value.replace(/[^\d.]/g, ''))}
        onBlur={() =>
          seconds !== (palette.seconds === null ? '' : String(palette.seconds)) &&
          run(`time ${lineOf(palette)} ${seconds === '' ? 'off' : `at ${Number(seconds)}`}`)
        }
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
    </>
  );
}

function ReachTable({ palette }: { palette: PaletteView }) {
  return (
    <table className="w-full text-[12px]" aria-label="Reach">
      <tbody>
        {palette.reach.map((r) => (
          <tr key={`${r.type} ${r.mode} ${r.way}`} className="border-b border-line">
            <td className="py-0.5 pr-2 font-bold">{r.type}</td>
            <td className="pr-2 text-ink-2">{r.way}</td>
            <td className="mono pr-2 text-right">{r.units}</td>
            <td className={`whitespace-nowrap ${r.follows ? (GRADE_INK[r.grade] ?? '') : 'text-madder'}`}>
              {r.follows ? r.difference : 'none'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
