import { memo, useMemo, useState } from 'react';
import { edit, select, type Edit } from '../../api/commands';
import type { GroupView } from '../../api/client';
import { useDesk, useGroups, usePatch } from '../../api/queries';
import { attempt } from '../../app/notices';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { EmptyNiche, Niche } from '../../ui/Niche';
import { ProblemList } from '../../ui/ProblemList';
import { Segmented } from '../../ui/Segmented';
import { Bench } from '../bench/Bench';
import { useEditReading } from '../bench/useLineReading';
import { TinyPlan, usePlaces } from './TinyPlan';
import { runLine } from '../../app/Line';
import { runEdit } from '../../app/run';
import { useKept } from '../../app/kept';
import { useOnce } from '../../app/once';

type How = 'hold' | 'add' | 'less';

export function GroupsPage() {
  const groups = useGroups().data ?? [];
  const patch = usePatch().data;
  const places = usePlaces(useMemo(() => patch?.fixtures ?? [], [patch]));
  const [how, setHow] = useState<How>('hold');
  const [find, setFind] = useState('');
  const shown = groups.filter((g) => `${g.number} ${g.name}`.toLowerCase().includes(find.toLowerCase()));
  const next = Math.max(0, ...groups.map((g) => g.number)) + 1;
  return (
    <>
      <div className="flex min-h-0 flex-1 gap-3 p-3">
        <div className="flex min-h-0 min-w-0 flex-[1.15] flex-col">
          <div className="flex flex-wrap items-center gap-2 pb-3">
            <h1 className="font-serif text-[22px] font-semibold">Groups</h1>
            <input
              aria-label="Find a group"
              placeholder="find a group…"
              className={`${inputShape} max-w-40`}
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
              ]}
            />
          </div>
          <div className="flex min-h-0 flex-1 flex-wrap content-start gap-y-3 overflow-auto pt-1 pl-1">
            {shown.map((g) => (
              <GroupNiche key={g.number} group={g} places={places} how={how} />
            ))}
            {find === '' && [0, 1, 2].map((i) => <EmptyNiche key={i} number={next + i} />)}
            {groups.length === 0 && (
              <p className="w-full p-2 text-ink-2">
                No group yet. Choose fixtures, then type a name on the right and press Enter.
              </p>
            )}
          </div>
          <p className="pt-2 text-[12px] text-ink-label">
            ledge: solid, whole group in hand · dashed, part of it
          </p>
        </div>
        <Stage />
      </div>
      <Bench record={<RecordGroup />} />
    </>
  );
}

interface GroupNicheProps {
  group: GroupView;
  places: ReturnType<typeof usePlaces>;
  how: How;
}

/** Drawn again only when the group itself has changed. */
const GroupNiche = memo(function GroupNiche({ group, places, how }: GroupNicheProps) {
  const press = (e: React.MouseEvent | React.KeyboardEvent) => {
    const chosen = e.shiftKey ? 'add' : e.altKey ? 'less' : how;
    if (chosen === 'hold') void attempt(() => edit({ type: 'hold-group', number: group.number }));
    else void attempt(() => select(group.units, chosen));
  };
  return (
    <Niche
      number={group.number}
      name={group.name}
      title={`${group.units.length} units in ${group.steps} steps`}
      face={<TinyPlan group={group} places={places} />}
      follow={group.held as 'all' | 'some' | 'none'}
      active={group.held === 'all'}
      onPress={press}
      onRename={async (name) =>
        (await attempt(() => edit({ type: 'rename-group', number: group.number, name }))) !== undefined
      }
    />
  );
});

function RecordGroup() {
  const desk = useDesk().data;
  const [name, setName] = useKept('record group name', '');
  const [number, setNumber] = useKept('record group number', '');
  const held = (desk?.steps.length ?? 0) > 0;
  const into = number || String(desk?.nextGroup ?? 1);
  const what: Edit = { type: 'record-group', number: Number(number) || undefined, name };
  const reading = useEditReading(held ? what : null);
  const record = useOnce(async () => {
    if (!(await runEdit(what))) return;
    setName('');
    setNumber('');
    document.getElementById('record-name')?.blur();
  });
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void record();
      }}
    >
      <div className="caps">Record group</div>
      <div className="flex gap-2">
        <input
          aria-label="Group number"
          className={`${inputShape} !w-16 shrink-0`}
          placeholder={into}
          value={number}
          onChange={(e) => setNumber(e.target.value.replace(/\D/g, ''))}
        />
        <input
          id="record-name"
          aria-label="Group name"
          autoComplete="off"
          className={inputShape}
          placeholder="name (R)"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </div>
      <p className="text-ink-2">
        {held ? reading.outcome?.reading : 'Choose fixtures first; their order is kept.'}
      </p>
      <ProblemList problems={reading.problems} onLine={(l) => void runLine(l)} />
      <Button kind="main" type="submit">
        Record as {into}
      </Button>
    </form>
  );
}
