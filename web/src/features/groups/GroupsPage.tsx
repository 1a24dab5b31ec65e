import { DndContext } from '@dnd-kit/core';
import { useCallback, useMemo, useState } from 'react';
import type { How } from '../../api/commands';
import { useCurrentShow } from '../../api/current-show';
import { useSearchParams } from 'react-router';
import { useDesk, useGroups, usePatch } from '../../api/queries';
import { typeName } from '../../doing/record-name';
import { runEdit } from '../../doing/run';
import { Stage } from '../../stage/Stage';
import { Panes } from '../../ui/Panes';
import { Button } from '../../ui/Button';
import { MenuButton } from '../../ui/MenuButton';
import { inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { Bench } from '../bench/Bench';
import { FreeNiche } from '../niches/FreeNiche';
import { Pages, useWindows } from '../niches/Pages';
import { placesIn } from '../niches/pages-model';
import { useRehousing } from '../niches/useRehousing';
import { useKept } from '../../doing/kept';
import { BringGroups } from './BringGroups';
import { GroupCard } from './GroupCard';
import { GroupNiche, SLIP } from './GroupNiche';
import { useLiveLevels } from './live-levels';
import { RecordGroup } from './RecordGroup';
import { StarterGroups } from './StarterGroups';
import { usePlaces } from './TinyPlan';
import { useOneStop } from '../../ui/useOneStop';

/** Numbers on one page of niches. */
const PAGE = 48;

/** Up and down is a level; only sideways it goes to another niche. One object: a new one would draw every niche anew. */
const DRAG = { activationConstraint: { distance: SLIP } };

const RECORD = <RecordGroup />;

export function GroupsPage() {
  const all = useGroups().data;
  const groups = useMemo(() => all ?? [], [all]);
  const desk = useDesk().data;
  const patch = usePatch().data;
  const places = usePlaces(useMemo(() => patch?.fixtures ?? [], [patch]));
  const [how, setHow] = useState<How>('hold');
  const show = useCurrentShow((s) => s.id);
  const [find, setFind] = useState('');
  const [search] = useSearchParams();
  const [starting, setStarting] = useState(search.has('starters'));
  const [bringing, setBringing] = useState(false);
  const [looked, setLooked] = useKept<number[]>('groups looked at', []);
  const onLook = useCallback(
    (number: number, more: boolean) =>
      setLooked((now) =>
        !more ? [number] : now.includes(number) ? now.filter((n) => n !== number) : [...now, number],
      ),
    [setLooked],
  );
  useLiveLevels(groups);
  const [, setInto] = useKept('record group number', '');
  const into = useCallback(
    (number: number) => {
      setInto(String(number));
      typeName(true);
    },
    [setInto],
  );
  const numbers = useMemo(() => groups.map((g) => g.number), [groups]);
  const pages = useWindows('group', numbers, PAGE);
  const niches =
    find === ''
      ? placesIn(groups, pages.now)
      : groups.filter((g) => `${g.number} ${g.name}`.toLowerCase().includes(find.toLowerCase()));
  const { landing, context } = useRehousing(
    groups,
    DRAG,
    (number, to) => void runEdit({ type: 'move-group', number, to }),
  );
  const card = groups.filter((g) => looked.includes(g.number));
  const niche = useOneStop<HTMLDivElement>({ selector: '[data-niche]', own: true });
  const shelf = (
    <>
      <div className="flex flex-wrap items-center gap-1.5 pb-3">
        <h1 className="font-serif text-[22px] font-semibold">Groups</h1>
        <input
          aria-label="Find a group"
          placeholder="find…"
          className={`${inputShape} max-w-18`}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <Segmented
          label="What pressing a group does"
          value={how}
          onChange={setHow}
          options={[
            { value: 'hold', text: 'Select' },
            { value: 'add', text: 'Add' },
            { value: 'less', text: 'Remove' },
            { value: 'both', text: 'Both' },
          ]}
          tight
        />
        <Pages of="group" all={pages.all} now={pages.now} onChoose={pages.choose} />
        <Button onClick={() => setStarting(true)}>Starter groups…</Button>
        <MenuButton
          label="Files: import groups, print them"
          entries={[
            { text: 'Import…', under: 'groups from another show', onPress: () => setBringing(true) },
            {
              text: 'Print',
              under: 'all groups, what they are made of and what is in them, as a PDF',
              href: `/api/shows/${show}/paper/groups.pdf`,
            },
          ]}
        >
          Files
        </MenuButton>
      </div>
      <DndContext {...context}>
        <div
          ref={niche}
          className={`min-h-0 flex-1 content-start gap-y-3 overflow-auto pt-1 pl-1 ${find === '' && pages.now.columns > 0 ? 'grid justify-start' : 'flex flex-wrap'}`}
          style={{ gridTemplateColumns: `repeat(${pages.now.columns}, max-content)` }}
        >
          {niches.map((place) =>
            typeof place === 'number' ? (
              <FreeNiche key={place} number={place} onPress={into} />
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
              No group yet. Choose fixtures, then type a name on the right and press Enter; or let the patch
              suggest them: Starter groups…
            </p>
          )}
        </div>
      </DndContext>
      {landing && (
        <p role="status" className="pt-2 font-semibold text-petrol">
          {landing}
        </p>
      )}
    </>
  );
  return (
    <>
      <Bench of="groups" record={RECORD} about="order">
        <div className="flex min-h-0 flex-1 flex-col p-3 pb-1">
          <Panes
            of="groups"
            panes={[
              {
                id: 'shelf',
                called: 'the shelf',
                usual: '57%',
                least: 280,
                children: (
                  <Panes
                    of="groups card"
                    down
                    panes={[
                      { id: 'niches', called: 'the niches', usual: '66%', least: 130, children: shelf },
                      {
                        id: 'card',
                        called: 'the card',
                        usual: 150,
                        least: 60,
                        keeps: true,
                        children: (
                          <GroupCard
                            groups={card}
                            held={(desk?.steps.length ?? 0) > 0}
                            next={desk?.nextGroup ?? 1}
                          />
                        ),
                      },
                    ]}
                  />
                ),
              },
              { id: 'stage', called: 'the stage', usual: '43%', least: 200, children: <Stage /> },
            ]}
          />
        </div>
      </Bench>
      {bringing && <BringGroups onClose={() => setBringing(false)} />}
      <StarterGroups open={starting} places={places} onClose={() => setStarting(false)} />
    </>
  );
}
