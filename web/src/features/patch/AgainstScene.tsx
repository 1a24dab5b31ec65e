import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { profilesOfScene, scene } from '../../api/commands';
import { RefusedError, type DifferenceView } from '../../api/client';
import { queryClient, useShow } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Differences, Foot, worded, type Choice } from './Differences';

/** Milliseconds until somebody who goes through rows has chosen. */
const CHOSEN = 400;

interface Props {
  file: File;
  title: ReactNode;
  /** Another file, or none to go back to paper. */
  onAnother: (file: File | null) => void;
}

/** A scene file and the show side by side: what is taken is one edit, and the drawing stays with the show. */
export function AgainstScene({ file, title, onAnother }: Props) {
  const [choices, setChoices] = useState<Record<string, Choice>>({});
  const revision = useShow().data?.revision;
  const take = useMemo(() => Object.keys(choices).filter((k) => choices[k] === 'theirs'), [choices]);
  const chosen = useSettled(take);
  const name = `${file.name} ${file.lastModified}`;
  const ask = useQuery({
    queryKey: ['scene', revision, name],
    queryFn: () => scene(file, [], true),
    retry: false,
    placeholderData: (before) => before,
  });
  const would = useQuery({
    queryKey: ['scene', revision, name, chosen],
    queryFn: () => scene(file, chosen, true),
    enabled: chosen.length > 0,
    retry: false,
    placeholderData: (before) => before,
  });
  const wrong = ask.error ? (ask.error instanceof RefusedError ? worded(ask.error) : String(ask.error)) : '';
  const view = ask.data && {
    ...ask.data,
    words: take.length > 0 ? (would.data?.words ?? []) : [],
    problems: take.length > 0 ? (would.data?.problems ?? []) : [],
  };
  const choose = (differences: DifferenceView[], choice: Choice | null) => {
    const next = { ...choices };
    for (const d of differences) {
      if (choice === null) delete next[d.key];
      else if (choice === 'ours' || d.takeable) next[d.key] = choice;
    }
    setChoices(next);
  };
  const apply = async () => {
    const done = await attempt(() => scene(file, take, false));
    if (!done) return;
    useLine.getState().set({ done: done.words[0] ?? 'Nothing changes', problems: [] });
    setChoices(Object.fromEntries(Object.entries(choices).filter(([, c]) => c === 'ours')));
  };
  const takeProfiles = async () => {
    const names = await attempt(() => profilesOfScene(file));
    if (!names) return;
    useLine.getState().set({ done: `${names.join(', ')} is in the library now`, problems: [] });
    await Promise.all([ask.refetch(), queryClient.invalidateQueries({ queryKey: ['profiles'] })]);
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        {title}
        <span className="min-w-0 flex-1 truncate text-ink-2" title={file.name}>
          {view && `${file.name}: ${told(view)}`}
        </span>
        <Button onClick={() => onAnother(null)}>Another file…</Button>
      </div>
      <div className="flex min-h-0 flex-1 flex-col gap-3 px-3 pb-3">
        {!view && !wrong && <p className="text-ink-2">Reading the drawing…</p>}
        {wrong && (
          <p role="alert" className="max-w-2xl rounded-lg border border-line-strong bg-sheet p-4 text-madder">
            {wrong}
          </p>
        )}
        {view && (
          <>
            <Remarks remarks={view.remarks} />
            <OtherProfiles profiles={view.profiles} onTake={() => void takeProfiles()} />
            {view.onPaper.length > 0 && (
              <Remarks
                title={`The drawing and the paper the patch is held to (${view.paper}) do not agree either`}
                remarks={view.onPaper.map(onPaper)}
              />
            )}
            <Differences view={view} choices={choices} onChoose={choose} theirs="drawing" />
            <Foot
              view={view}
              taking={take.length}
              also="Keep the drawing with the show"
              // What the drawing lacks stays, unless it is taken row by row: a drawing seldom has everything.
              onAll={() =>
                choose(
                  view.differences.filter((d) => d.kind !== 'extra'),
                  'theirs',
                )
              }
              onApply={() => void apply()}
            />
          </>
        )}
      </div>
    </>
  );
}

function told(view: { fixtures: number; marks: number; scenery: number }): string {
  const some = (n: number, one: string) => (n === 0 ? [] : [`${n} ${one}${n === 1 ? '' : 's'}`]);
  const parts = [
    ...some(view.fixtures, 'fixture'),
    ...some(view.marks, 'mark'),
    ...(view.scenery > 0 ? [`${view.scenery} of scenery`] : []),
  ];
  return parts.join(', ') || 'nothing is drawn in it';
}

/** Fixture files in the scene that are others than ours: they stay out until somebody takes them. */
function OtherProfiles({
  profiles,
  onTake,
}: {
  profiles: { name: string; held: string; differs: string[] }[];
  onTake: () => void;
}) {
  if (profiles.length === 0) return null;
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-2 text-ochre">
      <div className="max-h-24 min-w-0 flex-1 overflow-auto">
        {profiles.map((p) => (
          <p key={p.name} title={p.differs.join('\n')}>
            ▲ The scene has another “{p.name}” than is known here; ours stays.{' '}
            <span className="text-ink-2">{p.differs.slice(0, MOST_SHOWN).join(' · ')}</span>
          </p>
        ))}
      </div>
      <Button label="Under Profiles you see then what taking it would change on stage" onClick={onTake}>
        Put {profiles.length === 1 ? 'it' : 'them'} into the library
      </Button>
    </div>
  );
}

function onPaper(d: DifferenceView): string {
  if (d.kind === 'missing') return `${d.number} is on paper and not drawn`;
  if (d.kind === 'extra') return `${d.number} is drawn and not on paper`;
  return `${d.number}, ${d.field || d.kind}: drawn ${d.ours || 'nothing'}, on paper ${d.theirs || 'nothing'}`;
}

const MOST_SHOWN = 3;

function Remarks({ title, remarks }: { title?: string; remarks: string[] }) {
  const [all, setAll] = useState(false);
  if (remarks.length === 0) return null;
  return (
    <div className="max-h-40 shrink-0 overflow-auto text-ochre">
      {title && <p className="font-semibold">▲ {title}</p>}
      {(all ? remarks : remarks.slice(0, MOST_SHOWN)).map((r) => (
        <p key={r}>{title ? r : `▲ ${r}`}</p>
      ))}
      {!all && remarks.length > MOST_SHOWN && (
        <Button onClick={() => setAll(true)}>{remarks.length - MOST_SHOWN} more…</Button>
      )}
    </div>
  );
}

/** What was chosen, once nothing more is for a moment. */
function useSettled(take: string[]): string[] {
  const [settled, setSettled] = useState(take);
  useEffect(() => {
    const later = setTimeout(() => setSettled(take), CHOSEN);
    return () => clearTimeout(later);
  }, [take]);
  return settled;
}
