import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { CueView } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { useAgainst, useCue, useGroups, useKeptLook, useLooks } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { FileLink } from '../../ui/FileLink';
import { Segmented } from '../../ui/Segmented';
import { Bench } from '../bench/Bench';
import { EffectsView } from './effects/EffectsView';
import { useActiveList } from '../playing/active';
import { press } from '../playing/playing';
import { CueEditor } from './CueEditor';
import { LookRows } from './LookRows';
import { OnPlan } from './OnPlan';
import { RecordLook } from './RecordLook';
import { Ring } from './Ring';
import { runLines } from '../../doing/run-lines';
import { Shelf } from './Shelf';
import { UpdateRunning } from './UpdateRunning';
import { TakeInText } from './TakeInText';
import { Timeline } from './Timeline';

/** The first looks: lists along time, chases as rings, submasters in niches. */
export function LooksPage() {
  const looks = useLooks().data!;
  const groups = useGroups().data ?? [];
  const { list, choose } = useActiveList();
  const [held, setHeld] = useKept<number[]>('held cues', []);
  const [looked, setLooked] = useKept<{ kind: 'submaster' | 'look'; number: number } | null>(
    'look looked at',
    null,
  );
  const [taking, setTaking] = useState(false);
  const show = useCurrentShow((s) => s.id);
  const [search, setSearch] = useSearchParams();
  const view = search.get('view') === 'effects' ? 'effects' : 'lists';
  const heading = (
    <div className="flex shrink-0 flex-col gap-1.5 pt-2">
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
  const cues = useMemo(() => list?.cues.filter((c) => held.includes(c.id)) ?? [], [list, held]);
  if (view === 'effects')
    return (
      <>
        <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-y-auto p-3 pb-2">
          <EffectsView heading={heading} />
        </div>
        <Bench record={<p className="text-ink-2">Recording is above, beside the effect.</p>} folded />
      </>
    );
  return (
    <>
      <div className="flex min-h-0 flex-1 flex-col gap-2 p-3 pb-2">
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
            onLook={(kind, number) => setLooked({ kind, number })}
          />
          <Button
            label="A list beside those there are"
            onClick={() => {
              const number = Math.max(0, ...looks.lists.map((l) => l.number)) + 1;
              void runLines([`list ${number}`]).then((made) => {
                if (!made) return;
                setHeld([]);
                setLooked(null);
              });
            }}
          >
            New list
          </Button>
          <Button label="Cues, groups and submasters from a text" onClick={() => setTaking(true)}>
            Take in…
          </Button>
          <span className="flex flex-col">
            {list && (
              <FileLink
                title="The cues of this list, groups, submasters and dimmers as USITT ASCII 3.0"
                href={`/api/shows/${show}/lists/${list.number}/text`}
              >
                Text
              </FileLink>
            )}
            <FileLink
              title="All lists cue by cue, submasters and looks as a PDF to print"
              href={`/api/shows/${show}/paper/cues.pdf`}
            >
              Paper
            </FileLink>
          </span>
        </div>
        {taking && <TakeInText onClose={() => setTaking(false)} />}
        <div className="flex flex-wrap items-center gap-2">
          <RecordLook list={list} looks={looks} />
          <UpdateRunning looks={looks} />
        </div>
        {looks.opened && (
          <div
            role="status"
            className="flex items-center gap-2 rounded-md border border-petrol bg-petrol-soft px-3 py-1"
          >
            <strong>Open: {looks.opened}</strong>
            <span className="text-ink-2">its values are in hand</span>
            <span className="ml-auto flex gap-1.5">
              <Button kind="main" onClick={() => void runLines([`update ${looks.openedLine}`])}>
                Put back
              </Button>
              <Button onClick={() => void runLines(['close look'])}>Close as it was</Button>
            </span>
          </div>
        )}
        <div className="flex min-h-0 flex-1 gap-3">
          <section
            aria-label="List"
            className="flex min-h-0 min-w-0 flex-[1.75] flex-col rounded-lg border border-line-strong bg-sheet"
          >
            {looked ? (
              <KeptPanel kind={looked.kind} number={looked.number} onClose={() => setLooked(null)} />
            ) : list ? (
              <>
                <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
                  <h2 className="max-w-48 truncate font-serif text-[16px] font-semibold" title={list.name}>
                    {list.name}
                  </h2>
                  <span className="text-[12px] text-ink-2">
                    {list.cues.length} {list.cues.length === 1 ? 'cue' : 'cues'}
                  </span>
                  <Segmented
                    label="How its cues join"
                    value={list.join}
                    onChange={(join) => void runLines([`list ${list.number} ${join.replace('-', ' ')}`])}
                    tight
                    options={[
                      { value: 'carrying-on', text: 'carrying on' },
                      { value: 'standing-alone', text: 'standing alone' },
                    ]}
                  />
                  <Segmented
                    label="How it is played"
                    value={list.chase ? 'chase' : 'list'}
                    onChange={(way) => void runLines([`list ${list.number} as ${way}`])}
                    tight
                    options={[
                      { value: 'list', text: 'list' },
                      { value: 'chase', text: 'chase' },
                    ]}
                  />
                  <span className="ml-auto flex gap-1.5">
                    <Button
                      kind="main"
                      repeats
                      label="Space"
                      onClick={() => void press({ press: 'go', list: list.id })}
                    >
                      Go
                    </Button>
                    <Button
                      repeats
                      label="Shift Space"
                      onClick={() => void press({ press: 'back', list: list.id })}
                    >
                      Back
                    </Button>
                    <Button onClick={() => void press({ press: 'release', list: list.id })}>Release</Button>
                    <Button kind="danger" onClick={() => void runLines([`delete list ${list.number}`])}>
                      Delete
                    </Button>
                  </span>
                </div>
                {cues.length > 0 && <CueEditor list={list} cues={cues} opened={looks.opened} />}
                <Timeline list={list} held={held} onHold={setHeld} />
              </>
            ) : (
              <p className="p-4 text-ink-2">
                Nothing has been recorded to be played yet. Set values — best from palettes, so that they stay
                adjustable —, type a name above and press Enter: what is touched becomes cue 1 of a list.
              </p>
            )}
          </section>
          <div className="flex min-h-0 min-w-0 flex-1 flex-col gap-2">
            <Stage />
            <div className="flex min-h-0 flex-1 flex-col overflow-hidden rounded-lg border border-line-strong bg-sheet">
              {list?.chase && <Ring list={list} />}
              {cues.length === 1 && !looked ? (
                <CueContents key={cues[0]!.id} cue={cues[0]!.id} number={cues[0]!.number} />
              ) : cues.length === 2 && !looked ? (
                <TwoCues key={`${cues[0]!.id}-${cues[1]!.id}`} one={cues[0]!} other={cues[1]!} />
              ) : (
                !list?.chase && (
                  <p className="p-3 text-[13px] text-ink-2">
                    Press a cue: what it changes, carries on and holds as plain values stands here, and on the
                    plan who it is.
                  </p>
                )
              )}
            </div>
          </div>
        </div>
      </div>
      <Bench record={<p className="text-ink-2">Recording is above, beside the list.</p>} folded />
    </>
  );
}

function CueContents({ cue, number }: { cue: number; number: string }) {
  const [against, setAgainst] = useState<'before' | 'stage'>('before');
  const rows = useCue(cue).data;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1 text-[12px] font-semibold text-ink-label">
        cue {number} against
        <Segmented
          label="What it is held against"
          value={against}
          onChange={setAgainst}
          tight
          options={[
            { value: 'before', text: 'the one before' },
            { value: 'stage', text: 'the stage' },
          ]}
        />
        <OnPlan of={[{ words: `cue ${number}`, lit: { kind: 'cue', which: cue } }]} />
      </div>
      {against === 'stage' ? (
        <Against cue={cue} other={0} words="What would be otherwise than it is on stage now" />
      ) : (
        rows && <LookRows rows={rows} />
      )}
    </>
  );
}

/** Two cues side by side: in words, and one after the other on the plan, with everyone outlined who differs. */
function TwoCues({ one, other }: { one: CueView; other: CueView }) {
  const on = (cue: CueView) => ({
    words: `cue ${cue.number}`,
    lit: { kind: 'cue' as const, which: cue.id },
  });
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1 text-[12px] font-semibold text-ink-label">
        <OnPlan of={[on(one), on(other)]} first={2} />
      </div>
      <Against
        cue={other.id}
        other={one.id}
        words={`What is otherwise in cue ${other.number} than in cue ${one.number}`}
      />
    </>
  );
}

function Against({ cue, other, words }: { cue: number; other: number; words: string }) {
  const rows = useAgainst(cue, other).data;
  return (
    <>
      <h2 className="px-3 pt-1 text-[12px] font-semibold text-ink-label">{words}</h2>
      {rows &&
        (rows.length > 0 ? (
          <LookRows rows={rows} alone outlined />
        ) : (
          <p className="px-3 py-1 text-ink-2">They are the same.</p>
        ))}
    </>
  );
}

interface KeptProps {
  kind: 'submaster' | 'look';
  number: number;
  onClose: () => void;
}

/** What a submaster or a look holds, and what can be done with it. */
function KeptPanel({ kind, number, onClose }: KeptProps) {
  const rows = useKeptLook(kind, number).data;
  const named = `${kind} ${number}`;
  const gone = async (lines: string[]) => {
    if (await runLines(lines)) onClose();
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
        <h2 className="font-serif text-[16px] font-semibold">{named}</h2>
        <OnPlan key={named} of={[{ words: named, lit: { kind, which: number } }]} />
        <span className="ml-auto flex gap-1.5">
          <Button onClick={() => void runLines([`open ${named}`])}>Open</Button>
          <Button label="Takes what is touched into it" onClick={() => void runLines([`update ${named}`])}>
            Update
          </Button>
          {rows?.some((r) => r.plain) && (
            <Button onClick={() => void runLines([`tidy ${named}`])}>Tidy</Button>
          )}
          <Button
            label="A copy of it as a cue behind the last one"
            onClick={() => void runLines([`copy ${named} to cue`])}
          >
            Copy to a cue
          </Button>
          <Button kind="danger" onClick={() => void gone([`delete ${named}`])}>
            Delete
          </Button>
          <Button onClick={onClose}>Close</Button>
        </span>
      </div>
      {rows && <LookRows rows={rows} alone />}
    </>
  );
}
