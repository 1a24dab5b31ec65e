import { useMemo, useState } from 'react';
import { useShown } from '../../api/queries';
import { Segmented } from '../../ui/Segmented';
import { DIGITS, numbered, SYMBOL } from './numbered';

const COLOURS = /^#[0-9a-f]{6}( #[0-9a-f]{6})*$/i;

/** One version of a show for somebody else to read: nothing here changes anything. */
export function ShowingPage({ token }: { token: string }) {
  const { data, error } = useShown(token);
  const [sheet, setSheet] = useState('plan');
  if (error) return <p className="p-8 font-serif text-[18px] text-madder">{error.message}</p>;
  if (!data) return <p className="p-8 text-ink-2">Opening…</p>;
  const table = data.tables.find((t) => t.key === sheet);
  return (
    <main className="flex h-full flex-col gap-3 overflow-hidden p-4">
      <header className="flex flex-wrap items-baseline gap-3">
        <h1 className="font-serif text-[22px] font-semibold">{data.show}</h1>
        <span className="text-ink-2">
          version “{data.version}” of{' '}
          {new Date(data.madeAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}, to be
          read
        </span>
      </header>
      <Segmented
        label="What is looked at"
        value={sheet}
        onChange={setSheet}
        options={[
          { value: 'plan', text: 'Plan' },
          ...data.tables.map((t) => ({ value: t.key, text: t.words })),
        ]}
      />
      {table ? <Table table={table} /> : <Plan dots={data.plan} />}
    </main>
  );
}

type Shown = NonNullable<ReturnType<typeof useShown>['data']>;

function Table({ table }: { table: Shown['tables'][number] }) {
  return (
    <div
      className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet p-3"
      tabIndex={0}
    >
      {table.about && <p className="pb-2 text-ink-2">{table.about}</p>}
      {table.parts.map((part, p) => (
        <section key={`${part.heading} ${p}`} aria-label={part.heading || table.words}>
          {part.heading && (
            <h2 className="pt-3 pb-1 font-serif text-[17px] font-semibold">
              {part.heading}{' '}
              <span className="font-sans text-[12px] font-normal text-ink-2">{part.words}</span>
            </h2>
          )}
          <table className="w-full text-left">
            <thead>
              <tr className="border-b border-line-strong">
                {table.heads.map((head, i) => (
                  <th key={i} className="caps px-2 py-1">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {part.rows.map((row, r) => (
                <tr key={r} className="border-b border-line align-top">
                  {row.map((cell, i) => (
                    <td key={i} className={`px-2 py-1 ${table.cells[i] === 'number' ? 'mono' : ''}`}>
                      {table.cells[i] === 'face' && COLOURS.test(cell) ? <Face colours={cell} /> : cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      {table.parts.length === 0 && <p className="text-ink-2">There is nothing of it in this version.</p>}
    </div>
  );
}

const Face = ({ colours }: { colours: string }) => (
  <span className="flex gap-1">
    {colours.split(' ').map((c) => (
      <span
        key={c}
        title={c}
        className="inline-block h-4 w-6 rounded border border-line-strong"
        style={{ background: c }}
      />
    ))}
  </span>
);

/** The stage from above, a number at each symbol where there is room for it. */
function Plan({ dots }: { dots: Shown['plan'] }) {
  const plan = useMemo(() => numbered(dots), [dots]);
  if (dots.length === 0)
    return <p className="text-ink-2">Nothing has a place on the plan in this version.</p>;
  return (
    <svg
      role="img"
      aria-label={`The stage from above, ${dots.length} fixtures`}
      viewBox={`${plan.x} ${plan.y} ${plan.width} ${plan.height}`}
      className="min-h-0 flex-1 rounded-lg border border-line-strong bg-sheet"
    >
      {plan.symbols.map((s) => (
        <g key={s.number}>
          <title>{s.number}</title>
          <circle
            cx={s.x}
            cy={s.y}
            r={SYMBOL}
            fill="none"
            stroke="currentColor"
            strokeWidth={SYMBOL / 4}
            pointerEvents="all"
          />
        </g>
      ))}
      {plan.labels.map((l) => (
        <text
          key={l.text}
          x={l.x + l.width / 2}
          y={l.y + l.height}
          fontSize={DIGITS}
          textAnchor="middle"
          fill="currentColor"
        >
          {l.text}
        </text>
      ))}
    </svg>
  );
}
