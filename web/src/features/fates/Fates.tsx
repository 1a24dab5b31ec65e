import { useMemo, useState } from 'react';
import type { FateView } from '../../api/rig-move';
import { counted, SORTS, VERDICT_WORDS, VERDICTS, worstFirst, type Verdict } from './fates-model';

const TINTS: Record<Verdict, string> = {
  carries: 'text-ink-2',
  anew: 'text-petrol',
  nearest: 'text-ochre',
  lost: 'text-madder',
};

const SIGNS: Record<Verdict, string> = { carries: '=', anew: '≈', nearest: '▲', lost: '✕' };

/** What becomes of each part of the show, the worst first; what simply carries is counted. */
export function Fates({
  fates,
  title = 'What becomes of it',
  nothing = 'The show has nothing but its patch.',
}: {
  fates: FateView[];
  title?: string;
  nothing?: string;
}) {
  const [only, setOnly] = useState<Verdict | null>(null);
  const counts = useMemo(() => counted(fates), [fates]);
  return (
    <section aria-label={title} className="flex min-h-0 flex-1 flex-col gap-2 pl-2">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="font-serif text-[17px] font-semibold">{title}</h2>
        {VERDICTS.map((v) => (
          <button
            key={v}
            aria-pressed={only === v}
            disabled={counts[v] === 0}
            title={only === v ? 'Show all again' : `Only these: ${VERDICT_WORDS[v]}`}
            onClick={() => setOnly(only === v ? null : v)}
            className={`min-h-7 rounded-md border px-2 ${only === v ? 'border-petrol bg-sunk' : 'border-line-strong bg-sheet'} ${TINTS[v]} disabled:opacity-50`}
          >
            <span aria-hidden>{SIGNS[v]} </span>
            {counts[v]} {VERDICT_WORDS[v]}
          </button>
        ))}
      </div>
      <div
        tabIndex={0}
        aria-label="Parts of the show"
        className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet p-2"
      >
        {SORTS.map(({ sort, words }) => {
          const own = worstFirst(fates.filter((f) => f.sort === sort));
          const shown = own.filter((f) => (only === null ? f.worst !== 'carries' : f.worst === only));
          const quiet = only === null ? own.length - shown.length : 0;
          if (own.length === 0 || (only !== null && shown.length === 0)) return null;
          return (
            <div key={sort} className="pb-3">
              <h3 className="font-semibold">
                {words}
                {quiet > 0 && <span className="font-normal text-ink-2"> · {quiet} carry as they are</span>}
              </h3>
              <ul>
                {shown.map((f) => (
                  <Part key={f.label} fate={f} />
                ))}
              </ul>
            </div>
          );
        })}
        {fates.length === 0 && <p className="text-ink-2">{nothing}</p>}
      </div>
    </section>
  );
}

function Part({ fate }: { fate: FateView }) {
  const worst = fate.worst as Verdict;
  return (
    <li className="border-t border-line py-1 [content-visibility:auto]">
      <div className="flex items-baseline gap-2">
        <span aria-hidden className={`w-4 shrink-0 text-center ${TINTS[worst]}`}>
          {SIGNS[worst]}
        </span>
        <span className="min-w-0 flex-1 truncate font-semibold" title={fate.label}>
          {fate.label}
        </span>
        <span className={`shrink-0 text-[12px] ${TINTS[worst]}`}>{VERDICT_WORDS[worst]}</span>
        {fate.units > 0 && (
          <span className="mono shrink-0 text-[12px] text-ink-2">
            {fate.units} {fate.units === 1 ? 'unit' : 'units'}
          </span>
        )}
      </div>
      {fate.lines.map((l, i) => (
        <p key={i} className="pl-6 text-[12px]">
          <span className={TINTS[l.verdict as Verdict]}>
            {l.units > 0 && `${l.units} × `}
            {l.types && `${l.types}: `}
          </span>
          {l.words}
        </p>
      ))}
    </li>
  );
}
