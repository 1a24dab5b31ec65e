import { useQuery } from '@tanstack/react-query';
import { useMemo, useState, type ReactNode } from 'react';
import { compare, type Paper } from '../../api/commands';
import { RefusedError, type ComparisonView, type DifferenceView } from '../../api/client';
import { useShow } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { useLine } from '../../doing/line-store';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { ChoosePaper } from './ChoosePaper';
import { Headers, recognised } from './Headers';

type Choice = 'theirs' | 'ours';

const FIELDS = ['number', 'address', 'profile', 'name', 'position', 'purpose'];

/** The paper and the show side by side; for each difference one says who is right, then all of it is one edit. */
export function AgainstPaper({ title }: { title: ReactNode }) {
  const [paper, setPaper] = useKept<Paper | null>('paper', null);
  const [mapping, setMapping] = useKept<Record<string, string>>('paper mapping', {});
  const [choices, setChoices] = useKept<Record<string, Choice>>('paper choices', {});
  const revision = useShow().data?.revision;
  const take = useMemo(() => Object.keys(choices).filter((k) => choices[k] === 'theirs'), [choices]);
  const ask = useQuery({
    queryKey: ['comparison', revision, paper, mapping, take],
    queryFn: () => compare({ ...paper!, mapping, take, preview: true }),
    enabled: paper !== null,
    retry: false,
    placeholderData: (before) => before,
  });
  const view = paper ? ask.data : undefined;
  const wrong =
    paper && ask.error ? (ask.error instanceof RefusedError ? worded(ask.error) : String(ask.error)) : '';
  const choose = (differences: DifferenceView[], choice: Choice | null) => {
    const next = { ...choices };
    for (const d of differences) {
      if (choice === null) delete next[d.key];
      else if (choice === 'ours' || d.takeable) next[d.key] = choice;
    }
    setChoices(next);
  };
  const apply = async () => {
    const done = await attempt(() => compare({ ...paper!, mapping, take, preview: false }));
    if (!done) return;
    useLine.getState().set({ done: done.words[0] ?? 'Nothing changes', problems: [] });
    setChoices(Object.fromEntries(Object.entries(choices).filter(([, c]) => c === 'ours')));
  };
  const hold = async () => {
    const name = paper!.name || 'pasted paper';
    const done = await attempt(() => compare({ ...paper!, mapping, take: [], preview: false, hold: name }));
    if (done) useLine.getState().set({ done: done.words[0] ?? 'Nothing changes', problems: [] });
  };
  const another = () => {
    setPaper(null);
    setMapping({});
    setChoices({});
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        {title}
        <span className="flex-1" />
        {view && view.rows > 0 && (
          <Button
            label="Check lists from now on where the patch differs from this paper"
            onClick={() => void hold()}
          >
            Hold the patch to it
          </Button>
        )}
        {paper && <Button onClick={another}>Another paper…</Button>}
      </div>
      <div className="flex min-h-0 flex-1 flex-col gap-3 px-3 pb-3">
        {(!paper || wrong) && (
          <div className="max-w-2xl rounded-lg border border-line-strong bg-sheet p-4">
            {wrong && <p className="pb-2 text-madder">{wrong}</p>}
            <ChoosePaper onPaper={setPaper} />
          </div>
        )}
        {view && !wrong && (
          <>
            <Headers
              headers={view.headers}
              fields={view.fields}
              open={view.rows === 0}
              hint="Say which column holds the fixture number; the rest is compared where it is there."
              onMap={(h, f) => setMapping({ ...recognised(view.headers), ...mapping, [h]: f })}
            />
            {view.remarks.map((r) => (
              <p key={r} className="text-ochre">
                {r}
              </p>
            ))}
            <Differences view={view} choices={choices} onChoose={choose} />
            <Foot
              view={view}
              taking={take.length}
              onAll={() => choose(view.differences, 'theirs')}
              onApply={() => void apply()}
            />
          </>
        )}
      </div>
    </>
  );
}

export function worded(error: RefusedError): string {
  return (
    error.problems.map((p) => `${p.words} ${p.waysOut.map((w) => w.words).join(' ')}`).join(' ') ||
    error.message
  );
}

interface DifferencesProps {
  view: ComparisonView;
  choices: Record<string, Choice>;
  onChoose: (differences: DifferenceView[], choice: Choice | null) => void;
}

const MOST_ROWS = 500;

function Differences({ view, choices, onChoose }: DifferencesProps) {
  const [side, setSide] = useState<Choice>('theirs');
  const rows = useMemo(() => {
    const byNumber = new Map<number, DifferenceView[]>();
    for (const d of view.differences) byNumber.set(d.number, [...(byNumber.get(d.number) ?? []), d]);
    return [...byNumber];
  }, [view]);
  if (view.rows === 0) return null;
  if (rows.length === 0)
    return (
      <p className="font-serif text-[20px] text-moss">
        ● The paper and the show agree in all {view.agreeing} fixtures.
      </p>
    );
  const used = FIELDS.filter((f) => view.differences.some((d) => d.field === f && d.takeable));
  return (
    <div className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet">
      <table className="w-full text-left">
        <thead className="sticky top-0 z-10 bg-sunk">
          <tr>
            {['No.', 'What', 'In the show', 'On paper', 'Looks like', ''].map((h) => (
              <th key={h} className="caps px-2 py-1">
                {h}
              </th>
            ))}
          </tr>
          <tr className="border-b border-line">
            <th colSpan={6} className="px-2 pb-1 font-normal">
              <span className="flex flex-wrap items-center gap-1.5 text-[12px]">
                <Segmented<Choice>
                  label="Whose word counts"
                  tight
                  value={side}
                  onChange={setSide}
                  options={[
                    { value: 'theirs', text: 'Take theirs' },
                    { value: 'ours', text: 'Keep ours' },
                  ]}
                />
                for every
                {[
                  ...used,
                  ...['missing', 'extra'].filter((k) => view.differences.some((d) => d.kind === k)),
                ].map((what) => (
                  <Button
                    key={what}
                    onClick={() =>
                      onChoose(
                        view.differences.filter((d) => (d.field || d.kind) === what),
                        side,
                      )
                    }
                  >
                    {used.includes(what) ? what : `${what} fixture`}
                  </Button>
                ))}
                <Button onClick={() => onChoose(view.differences, side)}>everything</Button>
              </span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows
            .slice(0, MOST_ROWS)
            .map(([number, all]) =>
              all.map((d, i) => (
                <Line
                  key={d.key}
                  first={i === 0 ? number : null}
                  rest={all}
                  d={d}
                  choice={choices[d.key]}
                  onChoose={onChoose}
                />
              )),
            )}
        </tbody>
      </table>
      {rows.length > MOST_ROWS && (
        <p className="p-2 text-ink-2">and {rows.length - MOST_ROWS} more fixtures that differ</p>
      )}
    </div>
  );
}

const KINDS: Record<string, string> = {
  missing: 'not in the show',
  extra: 'not on paper',
  doubled: 'twice on paper',
  hole: 'left out in both',
};

interface LineProps {
  first: number | null;
  rest: DifferenceView[];
  d: DifferenceView;
  choice?: Choice;
  onChoose: (differences: DifferenceView[], choice: Choice | null) => void;
}

function Line({ first, rest, d, choice, onChoose }: LineProps) {
  const tone =
    choice === 'theirs'
      ? 'bg-petrol-soft'
      : choice === 'ours'
        ? 'text-ink-label'
        : first !== null
          ? ''
          : 'bg-paper/40';
  const several = first !== null && rest.filter((r) => r.takeable).length > 1;
  return (
    <tr className={`${first !== null ? 'border-t border-line-strong' : ''} ${tone}`} data-difference={d.key}>
      <td className="mono px-2 py-1 font-bold">{first ?? ''}</td>
      <td className="px-2">
        {KINDS[d.kind] ?? d.field}
        {d.kind === 'doubled' && <span className="text-ink-2"> · {d.field}</span>}
        {d.line > 0 && <span className="text-[12px] text-ink-label"> line {d.line}</span>}
      </td>
      <td
        className={`mono max-w-72 truncate px-2 ${choice === 'theirs' ? 'text-ink-label line-through' : 'font-semibold'}`}
        title={d.ours}
      >
        {d.ours || '—'}
      </td>
      <td
        className={`mono max-w-72 truncate px-2 ${choice === 'ours' ? 'text-ink-label line-through' : 'font-semibold'}`}
        title={d.theirs}
      >
        {d.theirs || '—'}
      </td>
      <td className="px-2">
        {d.slip && <span className="text-ochre">▲ {d.slip} </span>}
        {d.hindrance && <span className="text-ink-2">{d.hindrance}</span>}
      </td>
      <td className="px-2 py-0.5 text-right whitespace-nowrap">
        {several && (
          <Button
            onClick={() => onChoose(rest, 'theirs')}
            label="Take the paper's word in everything about this fixture"
          >
            All
          </Button>
        )}{' '}
        {d.takeable && (
          <Button
            pressed={choice === 'theirs'}
            onClick={() => onChoose([d], choice === 'theirs' ? null : 'theirs')}
          >
            Take theirs
          </Button>
        )}{' '}
        <Button pressed={choice === 'ours'} onClick={() => onChoose([d], choice === 'ours' ? null : 'ours')}>
          Keep ours
        </Button>
      </td>
    </tr>
  );
}

interface FootProps {
  view: ComparisonView;
  taking: number;
  onAll: () => void;
  onApply: () => void;
}

function Foot({ view, taking, onAll, onApply }: FootProps) {
  const refused = view.problems.some((p) => p.severity === 'refusal');
  const slips = view.differences.filter((d) => d.slip && d.kind !== 'hole').length;
  if (view.differences.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span>
        <b className="mono">{view.agreeing}</b> agree · <b className="mono">{view.differences.length}</b>{' '}
        {view.differences.length === 1 ? 'difference' : 'differences'}
        {slips > 0 && <span className="text-ochre"> · {slips} look like slips</span>}
      </span>
      <span className="min-w-0 flex-1">
        {view.words.slice(0, 3).map((w) => (
          <span key={w} className="block truncate text-ink-2" title={w}>
            {w}
          </span>
        ))}
        {view.problems.slice(0, 3).map((p) => (
          <span key={p.words} className={`block ${p.severity === 'refusal' ? 'text-madder' : 'text-ochre'}`}>
            {p.words}
          </span>
        ))}
      </span>
      <Button onClick={onAll}>Take theirs in everything</Button>
      <Button kind="main" disabled={taking === 0 || refused} onClick={onApply}>
        Apply {taking} {taking === 1 ? 'change' : 'changes'}
      </Button>
    </div>
  );
}
