import type { LineResponse } from '../../api/client';
import { PaletteFace } from './PaletteFace';

type Change = LineResponse['palettes'][number];

const SIGN: Record<string, { sign: string; ink: string; words: string }> = {
  added: { sign: '+', ink: 'text-moss', words: 'added' },
  changed: { sign: '→', ink: 'text-petrol', words: 'changed' },
  removed: { sign: '−', ink: 'text-madder', words: 'removed' },
  shadowed: { sign: '◐', ink: 'text-ochre', words: 'hidden' },
};

/** What becomes of palettes, by owner and attribute, before anything is written. */
export function PaletteChanges({ changes }: { changes: Change[] }) {
  return (
    <>
      {changes.map((c) => (
        <section key={`${c.kind} ${c.number}`} aria-label={`What becomes of ${c.kind} ${c.number}`}>
          <div className="flex items-center gap-2">
            <Small face={c.faceBefore} kind={c.kind} words={c.before || 'not there yet'} />
            <span aria-hidden="true">→</span>
            <Small face={c.faceAfter} kind={c.kind} words={c.after || 'gone'} />
            <span className="min-w-0 truncate text-[12px]">
              <b className="mono">{c.number}</b>{' '}
              {c.before && c.before !== c.after ? (
                <>
                  <s className="text-ink-label">{c.before}</s> {c.after}
                </>
              ) : (
                c.after
              )}
            </span>
          </div>
          <Rows rows={c.rows} />
        </section>
      ))}
    </>
  );
}

function Small({ face, kind, words }: { face: Change['faceBefore'] | null; kind: string; words: string }) {
  return (
    <span
      role="img"
      aria-label={words}
      title={words}
      className={`relative inline-block h-9 w-9 shrink-0 overflow-hidden rounded-t-[18px] rounded-b-[3px] border bg-sheet ${face ? 'border-line-strong' : 'border-dashed border-line'}`}
    >
      {face && <PaletteFace face={face} kind={kind} />}
    </span>
  );
}

function Rows({ rows }: { rows: Change['rows'] }) {
  if (rows.length === 0) return <p className="text-[12px] text-ink-2">Its values stay as they are.</p>;
  return (
    <table className="w-full text-[12px]">
      <tbody>
        {rows.map((r, i) => {
          const sign = SIGN[r.happens]!;
          return (
            <tr key={i} className="border-b border-line align-top">
              <td className={`pr-1 font-bold ${sign.ink}`} title={sign.words}>
                <span aria-label={sign.words}>{sign.sign}</span>
              </td>
              <td className="pr-2">{r.owner}</td>
              <td className="pr-2 text-ink-2">{r.attribute}</td>
              <td className="mono text-right whitespace-nowrap">
                {r.from && <span className={r.to ? 'text-ink-label' : ''}>{r.from}</span>}
                {r.from && r.to && ' → '}
                {r.to}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
