import { useMemo, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { useCurrentShow } from '../../api/current-show';
import { useGroups, useLooks } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { runLines } from '../../doing/run-lines';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { MenuButton } from '../../ui/MenuButton';
import { Panes } from '../../ui/Panes';
import { Segmented } from '../../ui/Segmented';
import { Bench, useBenchOpen } from '../bench/Bench';
import { ImportParts } from '../importing/ImportParts';
import { useActiveList } from '../playing/active';
import { CueContents, TwoCues } from './CueContents';
import { EffectsView } from './effects/EffectsView';
import { KeptPanel } from './KeptPanel';
import { ListPane } from './ListPane';
import { RecordLook } from './RecordLook';
import { Ring } from './Ring';
import { Shelf } from './Shelf';
import { TakeInText } from './TakeInText';
import { UpdateRunning } from './UpdateRunning';

type View = 'lists' | 'effects';

/** Looks: lists along time, chases as rings, submasters in niches; and effects. */
export function LooksPage() {
  const [search, setSearch] = useSearchParams();
  const view: View = search.get('view') === 'effects' ? 'effects' : 'lists';
  const heading = (
    <div className="flex shrink-0 flex-col gap-1.5 pt-1">
      <h1 className="font-serif text-[22px] leading-7 font-semibold">Looks</h1>
      <Segmented
        label="What is seen of looks"
        tight
        value={view}
        onChange={(v) => setSearch(v === 'effects' ? { view: v } : {})}
        options={[
          { value: 'lists', text: 'Lists' },
          { value: 'effects', text: 'Effects' },
        ]}
      />
    </div>
  );
  if (view === 'lists') return <Lists heading={heading} />;
  return (
    <Bench of="effects" record={<p className="text-ink-2">Effects are recorded above.</p>} folded>
      <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-y-auto p-3 pb-2">
        <EffectsView heading={heading} />
      </div>
    </Bench>
  );
}

function Lists({ heading }: { heading: ReactNode }) {
  const looks = useLooks().data!;
  const groups = useGroups().data ?? [];
  const { list, choose } = useActiveList();
  const [held, setHeld] = useKept<number[]>('held cues', []);
  const [looked, setLooked] = useKept<{ kind: 'submaster' | 'look'; number: number } | null>(
    'look looked at',
    null,
  );
  const [open] = useBenchOpen('looks', true);
  const cues = useMemo(() => list?.cues.filter((c) => held.includes(c.id)) ?? [], [list, held]);
  const record = (
    <div data-part={open ? undefined : true} className="flex flex-wrap items-center gap-2">
      {open && <span className="caps w-full">Record</span>}
      <RecordLook list={list} looks={looks} />
      <UpdateRunning looks={looks} />
    </div>
  );
  const left = (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <div className="flex items-start gap-3">
        {heading}
        <Shelf
          lists={looks.lists}
          submasters={looks.submasters}
          looks={looks.looks}
          groups={groups}
          chosen={list?.id ?? 0}
          looked={looked}
          onList={(id) => {
            choose(id);
            setHeld([]);
            setLooked(null);
          }}
          onNewList={() => {
            const number = Math.max(0, ...looks.lists.map((l) => l.number)) + 1;
            void runLines([`list ${number}`]).then((made) => {
              if (!made) return;
              setHeld([]);
              setLooked(null);
            });
          }}
          onLook={(kind, number) => setLooked({ kind, number })}
        />
        <Files list={list?.number} />
      </div>
      {!open && record}
      {looks.opened && (
        <div
          role="status"
          className="flex items-center gap-2 rounded-md border border-petrol bg-petrol-soft px-3 py-1"
        >
          <strong>Open: {looks.opened}</strong>
          <span className="text-ink-2">change it like working values</span>
          <span className="ml-auto flex gap-1.5">
            <Button kind="main" onClick={() => void runLines([`update ${looks.openedLine}`])}>
              Save changes
            </Button>
            <Button onClick={() => void runLines(['close look'])}>Discard changes</Button>
          </span>
        </div>
      )}
      <section
        aria-label="List"
        className="flex min-h-0 min-w-0 flex-1 flex-col rounded-lg border border-line-strong bg-sheet"
      >
        {looked ? (
          <KeptPanel kind={looked.kind} number={looked.number} onClose={() => setLooked(null)} />
        ) : list ? (
          <ListPane list={list} cues={cues} held={held} onHold={setHeld} opened={looks.opened} />
        ) : (
          <p className="p-4 text-ink-2">
            No cue is recorded yet. Set values, best from palettes so that they stay adjustable; then type a
            name above and press Enter: what is touched becomes cue 1 of list 1.
          </p>
        )}
      </section>
    </div>
  );
  const card = (
    <div className="flex min-h-0 flex-1 flex-col overflow-hidden rounded-lg border border-line-strong bg-sheet">
      {list?.chase && <Ring list={list} />}
      {cues.length === 1 && !looked ? (
        <CueContents key={cues[0]!.id} cue={cues[0]!.id} number={cues[0]!.number} />
      ) : cues.length === 2 && !looked ? (
        <TwoCues key={`${cues[0]!.id}-${cues[1]!.id}`} one={cues[0]!} other={cues[1]!} />
      ) : (
        !list?.chase && (
          <p className="p-3 text-[13px] text-ink-2">
            Press a cue to see what it changes, tracks and holds as plain values, and where on the plan; press
            two with Ctrl to see what differs.
          </p>
        )
      )}
    </div>
  );
  return (
    <Bench of="looks" record={record} folded>
      <div className="flex min-h-0 flex-1 flex-col p-3 pb-1">
        <Panes
          of="looks"
          panes={[
            { id: 'list', called: 'the list', usual: '65.5%', least: 400, children: left },
            {
              id: 'beside',
              called: 'the stage',
              usual: '34.5%',
              least: 240,
              children: (
                <Panes
                  of="looks card"
                  down
                  panes={[
                    {
                      id: 'stage',
                      called: 'the stage',
                      usual: 336,
                      least: 120,
                      keeps: true,
                      children: <Stage />,
                    },
                    { id: 'card', called: 'the card', usual: '40%', least: 60, children: card },
                  ]}
                />
              ),
            },
          ]}
        />
      </div>
    </Bench>
  );
}

/** What goes out of the chapter as files, and cues that come in from a text. @param list its number */
function Files({ list }: { list: number | undefined }) {
  const [taking, setTaking] = useState(false);
  const [bringing, setBringing] = useState(false);
  const show = useCurrentShow((s) => s.id);
  return (
    <span className="shrink-0 pt-1">
      <MenuButton
        label="Files: import cues, export and print them"
        entries={[
          {
            text: 'Import…',
            under: 'cues, groups and submasters from a text',
            onPress: () => setTaking(true),
          },
          {
            text: 'Import from another show…',
            under: 'looks, palettes, effects, marks with what they refer to',
            onPress: () => setBringing(true),
          },
          ...(list === undefined
            ? []
            : [
                {
                  text: 'Export as text',
                  under: 'this list, groups, submasters and dimmers as USITT ASCII 3.0',
                  href: `/api/shows/${show}/lists/${list}/text`,
                },
              ]),
          {
            text: 'Print',
            under: 'all lists cue by cue, submasters and looks as a PDF',
            href: `/api/shows/${show}/paper/cues.pdf`,
          },
        ]}
      >
        Files
      </MenuButton>
      {taking && <TakeInText onClose={() => setTaking(false)} />}
      <ImportParts open={bringing} sort="look" onClose={() => setBringing(false)} />
    </span>
  );
}
