import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { RefusedError } from '../../api/client';
import { queryClient, useShow, useShows } from '../../api/queries';
import { makeMove, moveReport, previewMove, rigFromFile, type RigMoveRequest } from '../../api/rig-move';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { inputShape } from '../../ui/Field';
import { Panes } from '../../ui/Panes';
import { Segmented } from '../../ui/Segmented';
import { Fates } from '../fates/Fates';
import { KnownPoints, type KnownPoint } from './KnownPoints';
import { RigPairs } from './RigPairs';
import { saying, type Said } from './rig-model';

/** The same show on another rig: what stands for what, what becomes of everything, and then the new show. */
export function AnotherRig({ ask }: { ask: (words: string, go: () => void) => void }) {
  const show = useShow().data;
  const others = (useShows().data ?? []).filter((s) => s.id !== show?.id && !s.damage && !s.template);
  const [rig, setRig] = useState<number | null>(null);
  const [said, setSaid] = useState<Said[]>([]);
  const [points, setPoints] = useState<KnownPoint[]>([]);
  const [byLight, setByLight] = useState(false);
  const [name, setName] = useState('');
  const navigate = useNavigate();
  const back = () => void navigate('/show');
  const request: RigMoveRequest = { rig: rig ?? undefined, pairs: said, points, byLight, name: '' };
  const move = useQuery({
    queryKey: ['rig move', show?.id, show?.revision, request],
    queryFn: () => previewMove(request),
    enabled: rig !== null && show !== undefined,
    staleTime: 0,
    retry: false,
    placeholderData: (before) => (rig === null ? undefined : before),
  });
  const called = name.trim() || (show ? `${show.name.slice(0, 180)}, other rig` : '');
  const make = useOnce(async () => {
    if (!(await attempt(() => makeMove({ ...request, name: called })))) return;
    await queryClient.invalidateQueries({ queryKey: ['shows'] });
    back();
  });
  const wrong =
    move.error instanceof RefusedError
      ? move.error.message
      : move.error
        ? 'That could not be worked out. Choose the rig again.'
        : '';
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 p-3">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="font-serif text-[22px] font-semibold">Another rig</h1>
        <span className="max-w-64 truncate text-ink-2" title={show?.name}>
          {show?.name} on
        </span>
        <div className="w-56">
          <Choice
            label="The other rig"
            shape="field"
            value={rig === null ? '' : String(rig)}
            empty="choose a show…"
            options={others.map((s) => ({ value: String(s.id), text: s.name }))}
            onChange={(id) => {
              setRig(Number(id));
              setSaid([]);
            }}
          />
        </div>
        <RigFile
          onRead={(id) => {
            setRig(id);
            setSaid([]);
          }}
        />
        <span className="flex-1" />
        {move.data && (
          <>
            <Button
              label="The report as a sheet to print"
              onClick={() => void attempt(() => moveReport('pdf', request))}
            >
              Report as PDF
            </Button>
            <Button
              label="The report as a table"
              onClick={() => void attempt(() => moveReport('xlsx', request))}
            >
              As XLSX
            </Button>
          </>
        )}
        <Button onClick={back}>Back</Button>
      </div>
      {rig === null && (
        <div className="max-w-2xl space-y-2 rounded-lg border border-line-strong bg-sheet p-4">
          <p>
            Take this show to another venue or another rental list: its groups, palettes, effects, looks and
            cue lists, each for the fixtures that stand for those it was made with.
          </p>
          <p className="text-ink-2">
            Choose the show that has the other patch, or open a hookup (CSV, XLSX), a scene (MVR) or a show
            file. You see what carries, what is worked out anew and what is lost before anything is made. This
            show stays as it is.
          </p>
        </div>
      )}
      {wrong && (
        <p role="alert" className="max-w-2xl rounded-lg border border-line-strong bg-sheet p-4 text-madder">
          {wrong}
        </p>
      )}
      {rig !== null && !move.data && !wrong && <p className="text-ink-2">Working it out…</p>}
      {move.data && rig !== null && (
        <>
          <div className="flex flex-wrap items-center gap-3">
            {move.data.photometry && (
              <span className="flex items-center gap-2">
                Levels
                <Segmented
                  label="How levels are taken over"
                  value={byLight ? 'light' : 'share'}
                  onChange={(v) => setByLight(v === 'light')}
                  options={[
                    { value: 'share', text: 'as they are' },
                    { value: 'light', text: 'for the same light' },
                  ]}
                />
              </span>
            )}
            <KnownPoints points={points} onChange={setPoints} />
            <span className="min-w-0 flex-1 truncate text-petrol" title={move.data.said.join(' ')}>
              {move.data.said.join(' ')}
            </span>
            <input
              aria-label="Name of the new show"
              placeholder={called}
              className={`${inputShape} !w-64 !font-sans`}
              value={name}
              onChange={(e) => setName(e.target.value)}
            />
            <Button
              kind="main"
              disabled={move.isFetching || !!wrong}
              label="A show of its own is made and opened; nothing of it is sent outside"
              onClick={() => ask(`“${called}” starts`, () => void make())}
            >
              Make the show
            </Button>
          </div>
          <div className="flex min-h-0 flex-1 flex-col">
            <Panes
              of="rig"
              panes={[
                {
                  id: 'pairs',
                  called: 'which stands for which',
                  usual: '46%',
                  least: 380,
                  children: <RigPairs move={move.data} onSay={(s) => setSaid(saying(said, s))} />,
                },
                {
                  id: 'fates',
                  called: 'what becomes of it',
                  usual: '54%',
                  least: 380,
                  children: <Fates fates={move.data.fates} />,
                },
              ]}
            />
          </div>
        </>
      )}
    </div>
  );
}

function RigFile({ onRead }: { onRead: (id: number) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File) => {
    const rig = await attempt(() => rigFromFile(file));
    if (!rig) return;
    await queryClient.invalidateQueries({ queryKey: ['shows'] });
    onRead(rig.id);
  };
  return (
    <label className="inline-flex min-h-7 cursor-pointer items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold focus-within:outline-2 focus-within:outline-petrol hover:bg-sunk">
      Open a file…
      <input
        ref={input}
        type="file"
        accept=".csv,.xlsx,.txt,.mvr,.loculus,.zip"
        aria-label="Hookup, scene or show file of the other rig"
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void read(file);
        }}
      />
    </label>
  );
}
