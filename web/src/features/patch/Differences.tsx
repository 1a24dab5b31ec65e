import { useMemo, useState } from 'react';
import type { DifferenceView, ProblemView, RefusedError } from '../../api/client';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';

export type Choice = 'theirs' | 'ours';

/** What two disagree in: ours, and theirs, whatever that is called. */
export interface Compared {
  agreeing: number;
  differences: DifferenceView[];
  words: string[];
  problems: ProblemView[];
}

interface DifferencesProps {
  view: Compared;
  choices: Record<string, Choice>;
  onChoose: (differences: DifferenceView[], choice: Choice | null) => void;
  /** Who is compared with: the paper, the drawing. */
  theirs?: 'paper' | 'drawing';
}

const FIELDS = [
  'number',
  'address',
  'profile',
  'name',
  'position',
  'purpose',
  'place',
  'inverted',
  'gel',
  'mark',
];

const MOST_ROWS = 500;

export function Differences({ view, choices, onChoose, theirs = 'paper' }: DifferencesProps) {
  const [side, setSide] = useState<Choice>('theirs');
  const rows = useMemo(() => {
    // Marks have no number; each stands for itself.
    const one = (d: DifferenceView) => (d.field === 'mark' ? d.key : String(d.number));
    const together = new Map<string, DifferenceView[]>();
    for (const d of view.differences) together.set(one(d), [...(together.get(one(d)) ?? []), d]);
    return [...together];
  }, [view]);
  if (rows.length === 0)
    return (
      <p className="font-serif text-[20px] text-moss">
        ● The {theirs} and the show agree in all {view.agreeing} fixtures.
      </p>
    );
  const used = FIELDS.filter((f) => view.differences.some((d) => d.field === f && d.takeable));
  return (
    <div className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet">
      <table className="w-full text-left">
        <thead className="sticky top-0 z-10 bg-sunk">
          <tr>
            {[
              'No.',
              'What',
              'In the show',
              theirs === 'paper' ? 'On paper' : 'In the drawing',
              'Looks like',
              '',
            ].map((h) => (
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
            .map(([, all]) =>
              all.map((d, i) => (
                <Line
                  key={d.key}
                  theirs={theirs}
                  first={i === 0 ? d.number : null}
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

const KINDS = {
  paper: {
    missing: 'not in the show',
    extra: 'not on paper',
    doubled: 'twice on paper',
    hole: 'left out in both',
  },
  drawing: {
    missing: 'not in the show',
    extra: 'not in the drawing',
    doubled: 'twice in the drawing',
    hole: 'left out in both',
  },
} as const;

interface LineProps {
  theirs: 'paper' | 'drawing';
  first: number | null;
  rest: DifferenceView[];
  d: DifferenceView;
  choice?: Choice;
  onChoose: (differences: DifferenceView[], choice: Choice | null) => void;
}

function Line({ theirs, first, rest, d, choice, onChoose }: LineProps) {
  const kind = (KINDS[theirs] as Record<string, string>)[d.kind];
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
      <td className="mono px-2 py-1 font-bold">{first || ''}</td>
      <td className="px-2">
        {d.field === 'mark' ? `mark${kind ? ` ${kind}` : ''}` : (kind ?? d.field)}
        {d.kind === 'doubled' && <span className="text-ink-2"> · {d.field}</span>}
        {theirs === 'paper' && d.line > 0 && (
          <span className="text-[12px] text-ink-label"> line {d.line}</span>
        )}
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
            label={`Take the ${theirs}'s word in everything about this fixture`}
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
  view: Compared;
  taking: number;
  /** What applying does besides; it can be pressed with nothing taken then. */
  also?: string;
  onAll: () => void;
  onApply: () => void;
}

export function Foot({ view, taking, also, onAll, onApply }: FootProps) {
  const refused = view.problems.some((p) => p.severity === 'refusal');
  const slips = view.differences.filter((d) => d.slip && d.kind !== 'hole').length;
  if (view.differences.length === 0 && !also) return null;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <span>
        <b className="mono">{view.agreeing}</b> agree · <b className="mono">{view.differences.length}</b>{' '}
        {view.differences.length === 1 ? 'difference' : 'differences'}
        {slips > 0 && (
          <span className="text-ochre">
            {' '}
            · {slips === 1 ? '1 looks like a slip' : `${slips} look like slips`}
          </span>
        )}
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
      {view.differences.length > 0 && <Button onClick={onAll}>Take theirs in everything</Button>}
      <Button kind="main" disabled={(taking === 0 && !also) || refused} onClick={onApply}>
        {taking === 0 && also ? also : `Apply ${taking} ${taking === 1 ? 'change' : 'changes'}`}
      </Button>
    </div>
  );
}

/** A refusal with its ways out, as one text. */
export function worded(error: RefusedError): string {
  return (
    error.problems.map((p) => `${p.words} ${p.waysOut.map((w) => w.words).join(' ')}`).join(' ') ||
    error.message
  );
}
