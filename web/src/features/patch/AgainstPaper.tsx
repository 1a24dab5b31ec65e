import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { compare, type Paper } from '../../api/commands';
import { RefusedError, type DifferenceView } from '../../api/client';
import { useShow } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { useLine } from '../../doing/line-store';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { useTakeDropped } from '../../doing/dropped';
import { AgainstScene } from './AgainstScene';
import { ChoosePaper } from './ChoosePaper';
import { Differences, Foot, worded, type Choice } from './Differences';
import { Headers, recognised } from './Headers';

/** Paperwork or a scene file and the show side by side; a scene is looked at as long as the page stays. */
export function AgainstPaper({ title }: { title: ReactNode }) {
  const [drawing, setDrawing] = useState<File | null>(null);
  useTakeDropped(
    '/scene',
    useCallback((files: File[]) => setDrawing(files[0] ?? null), []),
  );
  return drawing ? (
    <AgainstScene
      key={`${drawing.name} ${drawing.lastModified}`}
      file={drawing}
      title={title}
      onAnother={setDrawing}
    />
  ) : (
    <AgainstRows title={title} onScene={setDrawing} />
  );
}

/** For each difference one says who is right, then all of it is one edit. */
function AgainstRows({ title, onScene }: { title: ReactNode; onScene: (file: File) => void }) {
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
            <ChoosePaper onPaper={setPaper} onScene={onScene} />
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
            {view.rows > 0 && <Differences view={view} choices={choices} onChoose={choose} />}
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
