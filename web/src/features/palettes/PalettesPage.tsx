import { DndContext } from '@dnd-kit/core';
import { useCallback, useMemo, useRef, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { useDesk, usePalettes } from '../../api/queries';
import { typeName } from '../../doing/record-name';
import { runLine } from '../../doing/run-line';
import { useKept } from '../../doing/kept';
import { Stage } from '../../stage/Stage';
import { Panes } from '../../ui/Panes';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { Bench } from '../bench/Bench';
import { ImportParts } from '../importing/ImportParts';
import { FreeNiche } from '../niches/FreeNiche';
import { Pages, useWindows } from '../niches/Pages';
import { placesIn } from '../niches/pages-model';
import { useRehousing } from '../niches/useRehousing';
import { Contents } from './Contents';
import { Coverage } from './Coverage';
import { called, KINDS, lineOf, type Kind } from './kinds';
import { PaletteCard } from './PaletteCard';
import { PaletteNiche } from './PaletteNiche';
import { Realign } from './Realign';
import { RecordPalette } from './RecordPalette';
import { StarterPalettes } from './StarterPalettes';
import { useOneStop } from '../../ui/useOneStop';

/** Numbers on one page of niches. */
const PAGE = 60;
/** How long the pointer stays on a palette before that is looked at. */
const REST_MS = 160;

const SLIP = { activationConstraint: { distance: 8 } };

export function PalettesPage() {
  const [view, setView] = useKept<'shelf' | 'coverage'>('palettes view', 'shelf');
  return (
    <BenchOf>
      <div className="flex min-h-0 flex-1 flex-col p-3 pb-1">
        {view === 'shelf' ? (
          <Shelf onView={setView} />
        ) : (
          <>
            <div className="flex flex-wrap items-center gap-1.5 pb-2">
              <h1 className="font-serif text-[22px] font-semibold">Palettes</h1>
              <Views view={view} onView={setView} />
            </div>
            <Coverage />
          </>
        )}
      </div>
    </BenchOf>
  );
}

function Views({
  view,
  onView,
}: {
  view: 'shelf' | 'coverage';
  onView: (view: 'shelf' | 'coverage') => void;
}) {
  return (
    <Segmented
      label="Shelf or coverage"
      tight
      value={view}
      onChange={onView}
      options={[
        { value: 'shelf', text: 'Shelf' },
        { value: 'coverage', text: 'Coverage' },
      ]}
    />
  );
}

function BenchOf({ children }: { children: ReactNode }) {
  const palettes = usePalettes().data;
  const [kind] = useKept<Kind>('palettes kind', 'colour');
  const record = useMemo(
    () => <RecordPalette key={kind} kind={kind} palettes={palettes ?? []} />,
    [kind, palettes],
  );
  return (
    <Bench of="palettes" record={record}>
      {children}
    </Bench>
  );
}

function Shelf({ onView }: { onView: (view: 'shelf' | 'coverage') => void }) {
  const shelf = useOneStop<HTMLDivElement>({ selector: '[data-niche]', own: true });
  const all = usePalettes().data;
  const palettes = useMemo(() => all ?? [], [all]);
  const desk = useDesk().data;
  const [kind, setKind] = useKept<Kind>('palettes kind', 'colour');
  const [, setInto] = useKept(`record ${kind} number`, '');
  const [find, setFind] = useState('');
  const [looked, setLooked] = useKept<number | null>(`${kind} looked at`, null);
  const [picked, setPicked] = useState<number[]>([]);
  const [opened, setOpened] = useState(false);
  const [search] = useSearchParams();
  const [starting, setStarting] = useState(search.has('starters'));
  const [bringing, setBringing] = useState(false);
  const [realigning, setRealigning] = useState(false);
  const ofKind = useMemo(() => palettes.filter((p) => p.kind === kind), [palettes, kind]);
  const numbers = useMemo(() => ofKind.map((p) => p.number), [ofKind]);
  const pages = useWindows(kind, numbers, PAGE);
  const places =
    find === ''
      ? placesIn(ofKind, pages.now)
      : ofKind.filter((p) => `${p.number} ${p.name}`.toLowerCase().includes(find.toLowerCase()));
  const { landing, context } = useRehousing(
    ofKind,
    SLIP,
    (number, to) => void runLine(`move ${kind} ${number} to ${to}`),
  );
  const into = useCallback(
    (number: number) => {
      setInto(String(number));
      typeName(true);
    },
    [setInto],
  );
  /** What is passed on the way to the card is not looked at. */
  const resting = useRef(0);
  const onLook = useCallback(
    (number: number | null, atOnce: boolean) => {
      window.clearTimeout(resting.current);
      if (number !== null) resting.current = window.setTimeout(() => setLooked(number), atOnce ? 0 : REST_MS);
    },
    [setLooked],
  );
  const onPick = useCallback(
    (number: number, more: boolean) =>
      setPicked((now) => {
        setLooked(number);
        return !more ? [number] : now.includes(number) ? now.filter((n) => n !== number) : [...now, number];
      }),
    [setLooked],
  );
  const about = ofKind.filter((p) => (picked.length > 1 ? picked.includes(p.number) : p.number === looked));
  const next = nextFree(numbers);
  const niches = (
    <>
      <div className="flex flex-wrap items-center gap-1.5 pb-2">
        <h1 className="font-serif text-[22px] font-semibold">Palettes</h1>
        <Views view="shelf" onView={onView} />
        <input
          aria-label="Find a palette"
          placeholder="find…"
          className={`${inputShape} max-w-18`}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <Button onClick={() => setStarting(true)}>Starter palettes…</Button>
        <Button label="Palettes of another show, with what they refer to" onClick={() => setBringing(true)}>
          Import…
        </Button>
        {kind === 'position' && (
          <Button
            label="A riser, the rig or the venue is another: all positions follow"
            onClick={() => setRealigning(true)}
          >
            Re-aim…
          </Button>
        )}
        <Pages of={kind} all={pages.all} now={pages.now} onChoose={pages.choose} />
      </div>
      <div className="pb-2">
        <Segmented
          label="Kind of palette"
          tight
          value={kind}
          onChange={setKind}
          options={KINDS.map((k) => ({
            value: k,
            text: called(k),
            count: String(palettes.filter((p) => p.kind === k).length),
          }))}
        />
      </div>
      <DndContext {...context}>
        <div
          ref={shelf}
          className={`min-h-0 flex-1 content-start gap-y-3 overflow-auto pt-1 pl-1 ${find === '' && pages.now.columns > 0 ? 'grid justify-start' : 'flex flex-wrap'}`}
          style={{ gridTemplateColumns: `repeat(${pages.now.columns}, max-content)` }}
        >
          {places.map((place) =>
            typeof place === 'number' ? (
              <FreeNiche key={place} number={place} onPress={into} />
            ) : (
              <PaletteNiche
                key={lineOf(place)}
                palette={place}
                looked={looked === place.number}
                active={picked.includes(place.number)}
                onLook={onLook}
                onPick={onPick}
              />
            ),
          )}
          {ofKind.length === 0 && (
            <p className="w-full p-2 text-ink-2">
              No {kind} palette yet. Set a {kind} on the bench, then record it; or let the patch suggest some:
              Starter palettes…
            </p>
          )}
        </div>
      </DndContext>
      {landing && (
        <p role="status" className="pt-1 font-semibold text-petrol">
          {landing}
        </p>
      )}
    </>
  );
  const card = (
    <PaletteCard
      palettes={about}
      held={(desk?.steps.length ?? 0) > 0}
      uses={desk?.uses ?? []}
      next={next}
      onOpen={() => setOpened(true)}
    />
  );
  return (
    <>
      <Panes
        of="palettes"
        panes={[
          {
            id: 'shelf',
            called: 'the shelf',
            usual: '60%',
            least: 280,
            children: (
              <Panes
                of="palettes card"
                down
                panes={[
                  {
                    id: 'niches',
                    called: 'the niches',
                    usual: '70%',
                    least: 130,
                    children: niches,
                  },
                  { id: 'card', called: 'the card', usual: 128, least: 60, keeps: true, children: card },
                ]}
              />
            ),
          },
          { id: 'stage', called: 'the stage', usual: '40%', least: 200, children: <Stage /> },
        ]}
      />
      {opened && about[0] && <Contents palette={about[0]} onClose={() => setOpened(false)} />}
      <Realign open={realigning} onClose={() => setRealigning(false)} />
      <StarterPalettes open={starting} onClose={() => setStarting(false)} />
      <ImportParts open={bringing} sort="palette" onClose={() => setBringing(false)} />
    </>
  );
}

function nextFree(numbers: number[]): number {
  const taken = new Set(numbers);
  let next = 1;
  while (taken.has(next)) next++;
  return next;
}
