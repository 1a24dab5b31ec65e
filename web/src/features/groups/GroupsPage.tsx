import {
  DndContext,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragOverEvent,
} from '@dnd-kit/core';
import { useCallback, useMemo, useState } from 'react';
import type { How } from '../../api/commands';
import { useDesk, useGroups, usePatch } from '../../api/queries';
import { runEdit } from '../../app/run';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { EmptyNiche } from '../../ui/Niche';
import { Segmented } from '../../ui/Segmented';
import { Bench } from '../bench/Bench';
import { useKept } from '../../app/kept';
import { BringGroups } from './BringGroups';
import { GroupCard } from './GroupCard';
import { GroupNiche } from './GroupNiche';
import { useLiveLevels } from './live-levels';
import { RecordGroup } from './RecordGroup';
import { StarterGroups } from './StarterGroups';
import { usePlaces } from './TinyPlan';

/** Numbers on one page of niches. */
const PAGE = 48;
/** Empty niches behind the last group of a page. */
const SPARE = 3;

/** Up and down is a level; only sideways it goes to another niche. One object: a new one would draw every niche anew. */
const SIDEWAYS = { activationConstraint: { distance: { x: 8 }, tolerance: { y: 8 } } };

const RECORD = <RecordGroup />;

export function GroupsPage() {
  const all = useGroups().data;
  const groups = useMemo(() => all ?? [], [all]);
  const desk = useDesk().data;
  const patch = usePatch().data;
  const places = usePlaces(useMemo(() => patch?.fixtures ?? [], [patch]));
  const [how, setHow] = useState<How>('hold');
  const [find, setFind] = useState('');
  const [page, setPage] = useState(0);
  const [starting, setStarting] = useState(false);
  const [bringing, setBringing] = useState(false);
  const [looked, setLooked] = useState<number[]>([]);
  const onLook = useCallback(
    (number: number, more: boolean) =>
      setLooked((now) =>
        !more ? [number] : now.includes(number) ? now.filter((n) => n !== number) : [...now, number],
      ),
    [],
  );
  useLiveLevels(groups);
  const [, setInto] = useKept('record group number', '');
  const into = useCallback(
    (number: number) => {
      setInto(String(number));
      document.getElementById('record-name')?.focus();
    },
    [setInto],
  );
  const pages = Math.ceil((groups[groups.length - 1]?.number ?? 1) / PAGE);
  const shown = groups.filter((g) =>
    find === ''
      ? Math.floor((g.number - 1) / PAGE) === Math.min(page, pages - 1)
      : `${g.number} ${g.name}`.toLowerCase().includes(find.toLowerCase()),
  );
  const sensors = useSensors(useSensor(PointerSensor, SIDEWAYS));
  /** Where a dragged group would land, and who would come here instead. */
  const [landing, setLanding] = useState('');
  const onDragOver = ({ active, over }: DragOverEvent) => {
    const number = active.data.current?.number as number;
    const to = over?.data.current?.number as number | undefined;
    const there = groups.find((g) => g.number === to);
    const name = groups.find((g) => g.number === number)?.name;
    setLanding(
      to === undefined || to === number
        ? ''
        : `${number} ${name} → ${to}${there ? `; ${there.name} → ${number}` : ''}`,
    );
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setLanding('');
    const number = active.data.current?.number as number;
    const to = over?.data.current?.number as number | undefined;
    if (to !== undefined && to !== number) void runEdit({ type: 'move-group', number, to });
  };
  const card = groups.filter((g) => looked.includes(g.number));
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-3 p-3">
        <div className="flex min-h-0 min-w-0 flex-[1.3] flex-col">
          <div className="flex flex-wrap items-center gap-1.5 pb-3">
            <h1 className="font-serif text-[22px] font-semibold">Groups</h1>
            {pages > 1 && (
              <Segmented
                label="Page of niches"
                tight
                value={String(Math.min(page, pages - 1))}
                onChange={(p) => setPage(Number(p))}
                options={Array.from({ length: pages }, (_, i) => ({ value: String(i), text: String(i + 1) }))}
              />
            )}
            <input
              aria-label="Find a group"
              placeholder="find…"
              className={`${inputShape} max-w-24`}
              value={find}
              onChange={(e) => setFind(e.target.value)}
            />
            <Segmented
              label="What pressing a group does"
              value={how}
              onChange={setHow}
              options={[
                { value: 'hold', text: 'Hold' },
                { value: 'add', text: 'Add' },
                { value: 'less', text: 'Less' },
                { value: 'both', text: 'Both' },
              ]}
              tight
            />
            <Button onClick={() => setStarting(true)}>Starter groups…</Button>
            <Button label="Take groups of another show over" onClick={() => setBringing(true)}>
              Bring in…
            </Button>
          </div>
          <DndContext
            sensors={sensors}
            onDragOver={onDragOver}
            onDragEnd={onDragEnd}
            onDragCancel={() => setLanding('')}
          >
            <div className="flex min-h-0 flex-1 flex-wrap content-start gap-y-3 overflow-auto pt-1 pl-1">
              {nichesOf(shown, find === '', page).map((place) =>
                typeof place === 'number' ? (
                  <Free key={place} number={place} onPress={into} />
                ) : (
                  <GroupNiche
                    key={place.number}
                    group={place}
                    places={places}
                    how={how}
                    held={(desk?.groups[place.number] ?? 'none') as 'all' | 'some' | 'none'}
                    looked={looked.includes(place.number)}
                    onLook={onLook}
                  />
                ),
              )}
              {groups.length === 0 && (
                <p className="w-full p-2 text-ink-2">
                  No group yet. Choose fixtures, then type a name on the right and press Enter; or let the
                  patch suggest them: Starter groups…
                </p>
              )}
            </div>
          </DndContext>
          {landing && (
            <p role="status" className="pt-2 font-semibold text-petrol">
              {landing}
            </p>
          )}
          <GroupCard groups={card} held={(desk?.steps.length ?? 0) > 0} next={desk?.nextGroup ?? 1} />
        </div>
        <Stage />
      </div>
      <Bench record={RECORD} about="order" />
      {bringing && <BringGroups onClose={() => setBringing(false)} />}
      <StarterGroups open={starting} places={places} onClose={() => setStarting(false)} />
    </>
  );
}

/** Groups and the free numbers between and behind them. */
function nichesOf<T extends { number: number }>(shown: T[], free: boolean, page: number): (T | number)[] {
  if (!free) return shown;
  const by = new Map(shown.map((g) => [g.number, g]));
  const first = shown.length > 0 ? Math.floor((shown[0]!.number - 1) / PAGE) * PAGE + 1 : page * PAGE + 1;
  const last = Math.min(first + PAGE - 1, (shown[shown.length - 1]?.number ?? first - 1) + SPARE);
  return Array.from({ length: last - first + 1 }, (_, i) => by.get(first + i) ?? first + i);
}

/** An empty niche that a group can be dropped into. */
function Free({ number, onPress }: { number: number; onPress: (number: number) => void }) {
  const drop = useDroppable({ id: `niche ${number}`, data: { number } });
  return (
    <EmptyNiche
      number={number}
      onPress={() => onPress(number)}
      drag={{ ref: drop.setNodeRef, over: drop.isOver }}
    />
  );
}
