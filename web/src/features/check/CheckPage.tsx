import { useEffect, useMemo, useState } from 'react';
import type { CheckRow } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { useCheck } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { foresee } from '../../stage/stage-state';
import { Stage } from '../../stage/Stage';
import { inputShape } from '../../ui/Field';
import { Panes } from '../../ui/Panes';
import { Segmented } from '../../ui/Segmented';
import { FindingCard } from './FindingCard';
import { FindingRow } from './FindingRow';
import { Mended } from './Mended';
import { WhyAside } from './WhyAside';
import { found, sections, type By, type Shown } from './check-model';

/** What there is to see before handing over: every finding with what mends it, and with its place. */
export function CheckPage() {
  const check = useCheck().data;
  const show = useCurrentShow((s) => s.id);
  const [shown, setShown] = useKept<Shown>('check shown', 'open');
  const [by, setBy] = useKept<By>('check by', 'chapter');
  const [find, setFind] = useState('');
  const [looked, setLooked] = useState('');
  const [line, setLine] = useState('');
  /** The section that is about to be set aside. */
  const [asking, setAsking] = useState('');
  const all = useMemo(() => (check?.rows ?? []) as CheckRow[], [check]);
  const rows = all.filter((r) => (r.aside !== null) === (shown === 'aside') && found(r, find));
  const at = all.find((r) => r.key === looked) ?? null;
  const units = at?.units;
  useEffect(() => {
    foresee(units && units.length > 0 ? units : null);
    return () => foresee(null);
  }, [units]);
  if (!check) return <p className="p-6 text-ink-2">Looking the show over…</p>;
  const listed = sections(rows, all, by);
  const unlisted = check.open + check.setAside - all.length;
  const findings = (
    <section aria-label="Findings" className="flex min-h-0 min-w-0 flex-1 flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="font-serif text-[22px] font-semibold">Check</h1>
        <Segmented
          label="Which findings"
          value={shown}
          onChange={setShown}
          options={[
            { value: 'open', text: 'Open', count: String(check.open) },
            { value: 'aside', text: 'Set aside', count: String(check.setAside) },
            { value: 'mended', text: 'Mended today', count: String(check.mended.length) },
          ]}
        />
        <Segmented
          label="In which order"
          value={by}
          onChange={setBy}
          options={[
            { value: 'chapter', text: 'by chapter' },
            { value: 'fixture', text: 'by fixture' },
          ]}
        />
        <input
          aria-label="Find among the findings"
          placeholder="find"
          className={`${inputShape} !w-24`}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <a
          className="ml-auto inline-flex min-h-7 items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold hover:bg-sunk"
          href={`/api/shows/${show}/paper/open-points.pdf`}
          title="What is open and what is set aside, as a PDF to print"
          target="_blank"
          rel="noreferrer"
        >
          Print
        </a>
      </div>
      <div className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet p-3 pt-1">
        {shown === 'mended' ? (
          <Mended mended={check.mended} find={find} />
        ) : (
          listed.map((section) => (
            <section key={section.heading} aria-label={section.heading} className="pt-3">
              <h2 className="flex items-baseline border-b border-line pb-1 font-serif text-[17px] font-semibold">
                {section.heading}
                <span className="ml-2 font-sans text-[12px] font-normal text-ink-2">{section.words}</span>
                {shown === 'open' && section.rows.length > 1 && asking !== section.heading && (
                  <button
                    type="button"
                    className="ml-auto min-h-7 px-2 font-sans text-[12px] font-normal text-ink-2 hover:text-ink hover:underline"
                    aria-label={`Set all ${section.rows.length} of ${section.heading} aside`}
                    onClick={() => setAsking(section.heading)}
                  >
                    Set all {section.rows.length} aside…
                  </button>
                )}
              </h2>
              {asking === section.heading && (
                <WhyAside findings={section.rows.map((r) => r.key)} usual="" onDone={() => setAsking('')} />
              )}
              <ul>
                {section.rows.map((row) => (
                  <FindingRow
                    key={row.key}
                    row={row}
                    looked={row.key === looked}
                    onLook={() => setLooked(row.key)}
                    onPoint={setLine}
                  />
                ))}
              </ul>
            </section>
          ))
        )}
        {shown !== 'mended' && rows.length === 0 && (
          <p className="pt-6 text-center font-serif text-[18px] text-moss">
            {find
              ? `Nothing here has “${find}”.`
              : shown === 'aside'
                ? 'Nothing is set aside.'
                : 'Nothing is open.'}
          </p>
        )}
        {unlisted > 0 && (
          <p className="pt-3 text-ink-2">{unlisted} more are not listed; they come up as these go.</p>
        )}
      </div>
    </section>
  );
  return (
    <div className="flex min-h-0 flex-1 flex-col p-3">
      <Panes
        of="check"
        panes={[
          { id: 'findings', called: 'the findings', usual: '66%', least: 360, children: findings },
          {
            id: 'beside',
            called: 'the stage',
            usual: '34%',
            least: 220,
            children: (
              <Panes
                of="check card"
                down
                panes={[
                  { id: 'stage', called: 'the stage', usual: '52%', least: 120, children: <Stage /> },
                  {
                    id: 'card',
                    called: 'the card',
                    usual: '48%',
                    least: 100,
                    children: (
                      <FindingCard row={at} line={line} paper={check.paper} since={check.paperSince} />
                    ),
                  },
                ]}
              />
            ),
          },
        ]}
      />
    </div>
  );
}
