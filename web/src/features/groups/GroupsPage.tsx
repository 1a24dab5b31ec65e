import { useState } from 'react';
import { edit, select, type Edit } from '../../api/commands';
import type { FixtureView, GroupView } from '../../api/client';
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
import { runLine } from '../../app/Line';
import { runEdit } from '../../app/run';

type How = 'hold' | 'add' | 'less';

export function GroupsPage() {
  const groups = useGroups().data ?? [];
  const fixtures = usePatch().data?.fixtures ?? [];
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
              <GroupNiche key={g.number} group={g} fixtures={fixtures} how={how} />
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

function GroupNiche({ group, fixtures, how }: { group: GroupView; fixtures: FixtureView[]; how: How }) {
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
      face={<TinyPlan group={group} fixtures={fixtures} />}
      follow={group.held as 'all' | 'some' | 'none'}
      active={group.held === 'all'}
      onPress={press}
      onRename={(name) => void attempt(() => edit({ type: 'rename-group', number: group.number, name }))}
    />
  );
}

/** Where the group's fixtures are among all that are placed. */
function TinyPlan({ group, fixtures }: { group: GroupView; fixtures: FixtureView[] }) {
  const placed = fixtures.filter((f) => f.placed);
  if (placed.length === 0) return null;
  const xs = placed.map((f) => f.x);
  const ys = placed.map((f) => f.y);
  const [minX, maxX, minY, maxY] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const members = new Set(group.units.map((u) => u.split('.')[0]));
  const ordered = [...placed].sort(
    (a, b) => Number(members.has(String(a.number))) - Number(members.has(String(b.number))),
  );
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      {ordered.map((f) => (
        <circle
          key={f.number}
          cx={14 + (44 * (f.x - minX)) / Math.max(0.1, maxX - minX)}
          cy={50 - (34 * (f.y - minY)) / Math.max(0.1, maxY - minY)}
          r={members.has(String(f.number)) ? 2.1 : 1.3}
          fill={members.has(String(f.number)) ? 'var(--petrol)' : 'var(--line-strong)'}
        />
      ))}
    </svg>
  );
}

function RecordGroup() {
  const desk = useDesk().data;
  const [name, setName] = useState('');
  const [number, setNumber] = useState('');
  const held = (desk?.steps.length ?? 0) > 0;
  const into = number || String(desk?.nextGroup ?? 1);
  const what: Edit = { type: 'record-group', number: Number(number) || undefined, name };
  const reading = useEditReading(held ? what : null);
  const record = async () => {
    await runEdit(what);
    setName('');
    setNumber('');
    document.getElementById('record-name')?.blur();
  };
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
