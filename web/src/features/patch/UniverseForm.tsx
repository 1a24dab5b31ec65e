import type { UniverseView } from '../../api/client';
import { useKept } from '../../doing/kept';
import { useOnce } from '../../doing/once';
import { quoted } from '../../doing/run';
import { runLine } from '../../doing/run-line';
import { useLineReading } from '../../doing/useLineReading';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { ProblemList } from '../../ui/ProblemList';
import { Segmented } from '../../ui/Segmented';
import { isArtNet } from './patch-model';

/** What was typed and not sent yet. */
type Begun = Record<'name' | 'port' | 'priority' | 'route' | 'target' | 'targetName' | 'sync', string>;

/** A number, or net, sub-net and universe. */
const NUMBER = /^\d+(:\d+:\d+)?$/;

/** Where a universe can go, as the line says it. */
const ROUTES = [
  { value: 'rig', text: 'rig only' },
  { value: 'unicast', text: 'unicast' },
  { value: 'multicast', text: 'multicast' },
  { value: 'art-net', text: 'Art-Net' },
  { value: 'art-net broadcast', text: 'Art-Net, to all' },
];

const FROM: Record<string, string> = {
  unicast: 'Address',
  multicast: 'From interface',
  'art-net': 'Interface or node',
  'art-net broadcast': 'From interface',
};

/** Name, number, priority and route of a universe; each change is one line, refused in words where it cannot be. */
export function UniverseForm({ universe: u }: { universe: UniverseView }) {
  const [begun, setBegun] = useKept<Partial<Begun>>(`universe ${u.universe}`, {});
  const [name, setName] = [begun.name ?? u.name, (v: string) => setBegun({ ...begun, name: v })];
  const [port, setPort] = [begun.port ?? u.numberText, (v: string) => setBegun({ ...begun, port: v })];
  const [priority, setPriority] = [
    begun.priority ?? String(u.priority),
    (v: string) => setBegun({ ...begun, priority: v }),
  ];
  const [route, setRoute] = [begun.route ?? u.route, (v: string) => setBegun({ ...begun, route: v })];
  const [target, setTarget] = [begun.target ?? u.target, (v: string) => setBegun({ ...begun, target: v })];
  const [targetName, setTargetName] = [
    begun.targetName ?? u.targetName,
    (v: string) => setBegun({ ...begun, targetName: v }),
  ];
  const syncNow = u.sync ? String(u.sync) : '';
  const [sync, setSync] = [begun.sync ?? syncNow, (v: string) => setBegun({ ...begun, sync: v.trim() })];
  const artNet = isArtNet(route);
  const odd = [
    port && !NUMBER.test(port) ? `“${port}” is no number such as 3${artNet ? ' or 0:0:3' : ''}.` : '',
    [priority, sync].some((n) => n && !/^\d+$/.test(n)) ? 'Priority and sync are whole numbers.' : '',
  ].filter(Boolean);
  const parts = [
    name !== u.name ? `name ${quoted(name)}` : '',
    port !== u.numberText && port ? `number ${port}` : '',
    priority !== String(u.priority) && priority ? `priority ${priority}` : '',
    sync !== syncNow ? `sync ${sync || 'off'}` : '',
    routed(),
  ].filter(Boolean);
  const line = parts.length > 0 && odd.length === 0 ? `universe ${u.universe} ${parts.join(' ')}` : '';
  const reading = useLineReading(line);
  const send = useOnce(async () => {
    if (line && (await runLine(line))) setBegun({});
  });
  function routed() {
    if (route === u.route && target === u.target && targetName === u.targetName) return '';
    if (route === 'rig') return 'to rig';
    if (route === 'unicast') return `to unicast ${quoted(target)} as ${quoted(targetName)}`;
    return `to ${route} ${target.trim() ? `${quoted(target)} ` : ''}as ${quoted(targetName)}`;
  }
  return (
    <form
      aria-label={`Universe ${u.universe}`}
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <div className="flex flex-wrap items-end gap-2">
        <b className="mono pb-1 text-[20px]">{u.universe}</b>
        <Field label="Name">
          <input
            className={`${inputShape} !w-44 !font-sans`}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </Field>
        <Field label={artNet ? 'Port address' : 'E1.31 number'}>
          <input
            className={`${inputShape} !w-20`}
            inputMode={artNet ? 'text' : 'numeric'}
            title={artNet ? 'As a number, or as net:sub-net:universe, such as 0:0:3' : undefined}
            value={port}
            onChange={(e) => setPort(e.target.value.trim())}
          />
        </Field>
        {!artNet && (
          <Field label="Priority">
            <input
              className={`${inputShape} !w-16`}
              inputMode="numeric"
              value={priority}
              onChange={(e) => setPriority(e.target.value.trim())}
            />
          </Field>
        )}
        <Field label="Sync">
          <input
            className={`${inputShape} !w-16`}
            inputMode="numeric"
            placeholder="none"
            title="Universes with the same sync number change at the same moment"
            value={sync}
            onChange={(e) => setSync(e.target.value)}
          />
        </Field>
        <div className="space-y-1">
          <div className="text-[12px] text-ink-2">Goes to</div>
          <Segmented label="Where it goes" tight value={route} onChange={setRoute} options={ROUTES} />
        </div>
        {route !== 'rig' && (
          <>
            <Field label={FROM[route] ?? 'Address'}>
              <input
                className={`${inputShape} !w-36`}
                placeholder={route === 'unicast' ? '192.0.2.7' : '127.0.0.1'}
                value={target}
                onChange={(e) => setTarget(e.target.value)}
              />
            </Field>
            <Field label="Called">
              <input
                className={`${inputShape} !w-32 !font-sans`}
                placeholder="Node left"
                value={targetName}
                onChange={(e) => setTargetName(e.target.value)}
              />
            </Field>
          </>
        )}
        <Button kind="main" type="submit" disabled={!line || reading.problems.length > 0}>
          Set
        </Button>
        <Button pressed={u.on} onClick={() => void runLine(`universe ${u.universe} ${u.on ? 'off' : 'on'}`)}>
          {u.on ? 'On' : 'Off'}
        </Button>
      </div>
      {odd.map((words) => (
        <p key={words} className="font-semibold text-ochre">
          ▲ {words}
        </p>
      ))}
      {line && <p className="text-ink-2">{reading.outcome?.reading}</p>}
      {line && <ProblemList problems={reading.problems} onLine={(l) => void runLine(l)} />}
    </form>
  );
}
