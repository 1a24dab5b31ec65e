import { useQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { endShowing, identify, knowDevices, searchDevices, setDevices, takeDevices } from '../../api/devices';
import type { DeviceRowView, DevicesView } from '../../api/client';
import { useDevices, useShow } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { attempt, useNotice } from '../../doing/notices';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { DeviceCard } from './DeviceCard';
import { chosen, everything, stepped, told, type Right } from './devices-model';

/** What hangs on the lines against the patch: what differs, who identifies, and either set from the other. */
export function Devices({ title }: { title: ReactNode }) {
  const [all, setAll] = useState(false);
  const [searching, setSearching] = useState(false);
  const [choices, setChoices] = useState<Record<string, Right>>({});
  const [at, setAt] = useState('');
  const view = useDevices(all).data as DevicesView | undefined;
  const rows = useMemo(() => (view?.rows ?? []) as DeviceRowView[], [view]);
  const wanted = useMemo(() => chosen(rows, choices), [rows, choices]);
  const here = rows.find((r) => r.key === at);
  const search = async () => {
    setSearching(true);
    await attempt(searchDevices);
    setSearching(false);
  };
  const choose = (row: DeviceRowView, right: Right) =>
    setChoices((now) => {
      const { [row.key]: before, ...rest } = now;
      return before === right ? rest : { ...rest, [row.key]: right };
    });
  const apply = async () => {
    const done: DevicesView[] = [];
    if (wanted.set.length > 0) {
      const set = await attempt(() => setDevices(wanted.set, false));
      if (!set) return;
      done.push(set);
    }
    if (wanted.take.length > 0) {
      const taken = await attempt(() => takeDevices(wanted.take, false));
      if (!taken) return;
      done.push(taken);
    }
    setChoices({});
    say(done);
  };
  const flash = (row: DeviceRowView) =>
    void attempt(() => identify({ keys: [row.key] }, !row.device?.identifies));
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).matches('input, textarea')) return;
    const key = e.key.toLowerCase();
    if (key === 'arrowdown') setAt(stepped(rows, at, 1));
    else if (key === 'arrowup') setAt(stepped(rows, at, -1));
    else if (key === 'i' && here?.device) flash(here);
    else if (key === 's' && here?.settable) choose(here, 'patch');
    else if (key === 'p' && here?.takeable) choose(here, 'device');
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const searched = !!view && view.searchedAt !== '';
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        {title}
        <span className="min-w-0 flex-1 truncate text-right text-ink-2">{searched && told(view)}</span>
        <Button kind={searched ? undefined : 'main'} disabled={searching} onClick={() => void search()}>
          {searching ? 'Searching…' : searched ? 'Search again' : 'Search'}
        </Button>
      </div>
      <div className="flex min-h-0 flex-1 gap-3 px-3 pb-3">
        <section
          aria-label="Devices"
          className="flex min-h-0 min-w-0 flex-1 flex-col gap-2"
          onKeyDown={onKeyDown}
        >
          {!searched ? (
            <p className="max-w-xl text-ink-2">
              Nothing has been searched yet. A search asks every line who hangs there and changes nothing:
              then it stands here what is missing, what is set wrong and what hangs there unpatched.
            </p>
          ) : (
            <>
              <div className="flex flex-wrap items-center gap-1.5">
                <Segmented<'some' | 'all'>
                  label="Which devices"
                  tight
                  value={all ? 'all' : 'some'}
                  onChange={(v) => setAll(v === 'all')}
                  options={[
                    { value: 'some', text: 'What differs' },
                    { value: 'all', text: 'All' },
                  ]}
                />
                <span className="flex-1" />
                <All rows={rows} right="patch" onChoose={setChoices} />
                <All rows={rows} right="device" onChoose={setChoices} />
              </div>
              {rows.length === 0 ? (
                <p className="font-serif text-[20px] text-moss">
                  {view.counts.found === 0
                    ? 'Nothing hangs on the lines.'
                    : `● All ${view.counts.found} devices are as patched.`}
                </p>
              ) : (
                <Rows rows={rows} at={at} choices={choices} onAt={setAt} onChoose={choose} onFlash={flash} />
              )}
              <Foot view={view} wanted={wanted} onApply={() => void apply()} />
            </>
          )}
        </section>
        <div className="flex min-h-0 flex-1 flex-col gap-2">
          <Stage pointed={here?.number || undefined} />
          {here && <DeviceCard key={here.key} row={here} />}
        </div>
      </div>
    </div>
  );
}

/** Says at the line what was done, and at the foot what was not. */
function say(done: DevicesView[]) {
  useLine.getState().set({ done: done.map((d) => d.words[0] ?? 'Nothing changes').join('; '), problems: [] });
  const problems = done.flatMap((d) => d.problems);
  if (problems.length > 0) useNotice.setState({ notice: { words: '', problems } });
}

interface AllProps {
  rows: DeviceRowView[];
  right: Right;
  onChoose: (choices: Record<string, Right>) => void;
}

function All({ rows, right, onChoose }: AllProps) {
  const choices = everything(rows, right);
  const count = Object.keys(choices).length;
  return (
    <Button disabled={count === 0} onClick={() => onChoose(choices)}>
      {right === 'patch' ? `Set all ${count || ''} devices` : `Change the patch for all ${count || ''}`}
    </Button>
  );
}

const ROW = 58;

interface RowsProps {
  rows: DeviceRowView[];
  at: string;
  choices: Record<string, Right>;
  onAt: (key: string) => void;
  onChoose: (row: DeviceRowView, right: Right) => void;
  onFlash: (row: DeviceRowView) => void;
}

/** Only what is in sight is drawn. */
function Rows({ rows, at, choices, onAt, onChoose, onFlash }: RowsProps) {
  const box = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 6,
  });
  return (
    <div
      ref={box}
      tabIndex={0}
      role="group"
      aria-label="Rows; arrows step, I identifies, S sets the device, P changes the patch"
      className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet"
    >
      <div className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index]!;
          return (
            <div
              key={row.key}
              data-device={row.key}
              aria-current={row.key === at}
              onClick={() => onAt(row.key)}
              style={{ height: ROW, transform: `translateY(${item.start}px)` }}
              className={`absolute right-0 left-0 grid cursor-pointer grid-cols-[3rem_minmax(0,1fr)_auto] content-center items-center gap-x-2 border-b border-line px-2 ${row.key === at ? 'bg-petrol-soft' : ''}`}
            >
              <Row row={row} choice={choices[row.key]} onChoose={onChoose} onFlash={onFlash} />
            </div>
          );
        })}
      </div>
    </div>
  );
}

interface RowProps {
  row: DeviceRowView;
  choice?: Right;
  onChoose: (row: DeviceRowView, right: Right) => void;
  onFlash: (row: DeviceRowView) => void;
}

function Row({ row, choice, onChoose, onFlash }: RowProps) {
  const name = row.number > 0 ? row.key : '—';
  const who = row.number > 0 ? row.name : (row.device?.model ?? 'something');
  const says = row.words.join(' ') || `${row.device?.model} at ${row.device?.address}, as patched.`;
  return (
    <>
      <b className="mono row-span-2">{name}</b>
      <span className="flex gap-2">
        <span className="min-w-0 truncate" title={who}>
          {who}
        </span>
        <span className={`shrink-0 font-semibold ${row.faults.length > 0 ? 'text-madder' : 'text-moss'}`}>
          {row.faults.length > 0 ? `■ ${row.faults.join(', ')}` : '● as patched'}
        </span>
      </span>
      <span className="flex min-h-7 gap-2">
        {row.device && (
          <Toggle
            on={row.device.identifies}
            label={`Identify ${row.number > 0 ? row.key : row.device.uid}`}
            onPress={() => onFlash(row)}
          >
            Identify
          </Toggle>
        )}
        {row.settable && (
          <Toggle
            on={choice === 'patch'}
            label={`Set the device of ${row.key}`}
            onPress={() => onChoose(row, 'patch')}
          >
            Set device
          </Toggle>
        )}
        {row.takeable && (
          <Toggle
            on={choice === 'device'}
            label={`Change the patch of ${row.key}`}
            onPress={() => onChoose(row, 'device')}
          >
            Change patch
          </Toggle>
        )}
      </span>
      <span className="col-span-2 truncate text-[12px] text-ink-2" title={says}>
        {says}
      </span>
    </>
  );
}

interface ToggleProps {
  on: boolean;
  label: string;
  onPress: () => void;
  children: ReactNode;
}

function Toggle({ on, label, onPress, children }: ToggleProps) {
  return (
    <button
      aria-pressed={on}
      aria-label={label}
      title={label}
      className={`min-h-7 shrink-0 rounded-md border px-2 ${on ? 'border-petrol bg-petrol font-semibold text-on-petrol' : 'border-line-strong bg-sheet hover:bg-sunk'}`}
      onClick={(e) => {
        e.stopPropagation();
        onPress();
      }}
    >
      {children}
    </button>
  );
}

interface FootProps {
  view: DevicesView;
  wanted: { set: string[]; take: string[] };
  onApply: () => void;
}

const MOST_TOLD = 5;

/** What would be done, and the press that does it; which device is which is kept for good here too. */
function Foot({ view, wanted, onApply }: FootProps) {
  const revision = useShow().data?.revision;
  const { set, take } = wanted;
  const would = useQuery({
    queryKey: ['devices would', revision, view.searchedAt, set, take],
    queryFn: async () => ({
      set: set.length > 0 ? (await setDevices(set, true)).words : [],
      take: take.length > 0 ? await takeDevices(take, true) : null,
    }),
    enabled: set.length + take.length > 0,
    retry: false,
  });
  const count = set.length + take.length;
  const words = [...(would.data?.set ?? []), ...(would.data?.take?.words ?? [])];
  const problems = would.data?.take?.problems ?? [];
  const { found, kept } = view.counts;
  return (
    <div className="flex flex-wrap items-end justify-end gap-2">
      <div
        className={`max-h-28 min-w-0 overflow-auto ${count === 0 ? 'flex-1' : 'w-full'}`}
        aria-live="polite"
      >
        {count === 0 ? (
          <span className="text-ink-2">
            {kept} of {found} devices are remembered as their fixtures.
          </span>
        ) : (
          [...words.slice(0, MOST_TOLD), ...(words.length > MOST_TOLD ? ['…'] : [])].map((w) => (
            <p key={w}>{w}</p>
          ))
        )}
        {count > 0 &&
          problems.map((p) => (
            <p key={p.words} className="text-ochre">
              ▲ {p.words}
            </p>
          ))}
      </div>
      {view.counts.shown > 0 && (
        <Button onClick={() => void attempt(endShowing)}>Stop identifying {view.counts.shown}</Button>
      )}
      <Button disabled={kept >= found} onClick={() => void attempt(() => knowDevices())}>
        Remember which is which
      </Button>
      <Button kind="main" disabled={count === 0 || !would.data} onClick={onApply}>
        {count === 0
          ? 'Nothing chosen'
          : set.length === 0
            ? `Change patch of ${take.length}`
            : take.length === 0
              ? `Set ${set.length}`
              : `Set ${set.length}, change patch of ${take.length}`}
      </Button>
    </div>
  );
}
