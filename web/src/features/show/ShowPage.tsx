import { useCallback, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { takeInShow } from '../../api/commands';
import { useCurrentShow } from '../../api/current-show';
import { queryClient, useShow, useShows } from '../../api/queries';
import { useTakeDropped } from '../../doing/dropped';
import { attempt } from '../../doing/notices';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { Panes } from '../../ui/Panes';
import { takeRound } from '../round/round-state';
import { STEPS } from '../round/steps';
import { AnotherRig } from './AnotherRig';
import { HowFar } from './HowFar';
import { Keeping } from './Keeping';
import { NewShow, type StartWith } from './NewShow';
import { ShowSheets } from './ShowSheets';
import { useTakingOver } from './TakingOver';
import { Versions } from './Versions';
import { Welcome } from './Welcome';

/** The start: how far the show is and what comes next, its versions, and the shows there are. */
export function ShowPage() {
  const shows = useShows().data ?? [];
  const current = useCurrentShow((s) => s.id);
  const show = useShow().data;
  const [starting, setStarting] = useState<StartWith | null>(null);
  const { ask, dialog } = useTakingOver(shows);
  const navigate = useNavigate();
  const moving = useSearchParams()[0].has('rig');
  const open = useCallback(
    (file: File) =>
      ask(
        `${file.name} is opened`,
        () =>
          void attempt(() => takeInShow(file)).then(() =>
            queryClient.invalidateQueries({ queryKey: ['shows'] }),
          ),
      ),
    [ask],
  );
  useTakeDropped(
    '/show',
    useCallback((files: File[]) => open(files[0]!), [open]),
  );
  const news = (
    <>
      {dialog}
      <NewShow
        open={starting !== null}
        start={starting ?? 'empty'}
        templates={shows.filter((s) => s.template)}
        ask={ask}
        onClose={() => setStarting(null)}
      />
    </>
  );
  if (shows.length === 0)
    return (
      <div className="relative min-h-0 flex-1 overflow-auto">
        {news}
        <Welcome onNew={setStarting} />
        <div className="mx-auto max-w-2xl px-4">
          <Keeping />
        </div>
      </div>
    );
  if (moving && current !== null)
    return (
      <>
        {dialog}
        <AnotherRig key={current} ask={ask} />
      </>
    );
  const live = shows.find((s) => s.live);
  return (
    <div className="relative min-h-0 flex-1 space-y-3 overflow-auto p-3">
      {news}
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="font-serif text-[22px] font-semibold">Show</h1>
        <span className="min-w-0 flex-1 truncate text-ink-2" title={live?.name}>
          {live ? `${live.name} drives the output` : 'No show drives the output'}
        </span>
        {current !== null && (
          <Button label="Seven short steps along the order of work" onClick={() => takeRound(STEPS.length)}>
            Guided round
          </Button>
        )}
        {current !== null && (
          <Button
            label="Take this show to another venue or another rental list"
            onClick={() => void navigate('/show?rig')}
          >
            Another rig…
          </Button>
        )}
        <OpenFile onFile={open} />
        <Button kind="main" onClick={() => setStarting('empty')}>
          New show…
        </Button>
      </div>
      {show?.historyEnds && <p className="text-madder">{show.historyEnds}</p>}
      {current !== null && show && (
        <div className="flex h-[340px] flex-col">
          <Panes
            of="show"
            panes={[
              {
                id: 'far',
                called: 'how far it is',
                usual: '68%',
                least: 380,
                children: <HowFar show={show} />,
              },
              { id: 'stage', called: 'the stage', usual: '32%', least: 200, children: <Stage /> },
            ]}
          />
        </div>
      )}
      {current !== null && <Versions />}
      <ShowSheets shows={shows} current={current} ask={ask} onNew={() => setStarting('empty')} />
      <Keeping />
    </div>
  );
}

function OpenFile({ onFile }: { onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <label className="inline-flex min-h-7 cursor-pointer items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold focus-within:outline-2 focus-within:outline-petrol hover:bg-sunk">
      Open a file…
      <input
        ref={input}
        type="file"
        accept=".loculus,.zip"
        aria-label="Show file"
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
