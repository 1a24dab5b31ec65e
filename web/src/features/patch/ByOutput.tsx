import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { PatchView, UniverseView } from '../../api/client';
import { heldNow, useDesk } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { runEdit } from '../../doing/run';
import { useLine } from '../../doing/line-store';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { useLineReading, type Reading } from '../../doing/useLineReading';
import { AddressMap } from './AddressMap';
import { OnTheNet } from './OnTheNet';
import { Clashes } from './OneUniverse';
import { isArtNet, runs } from './patch-model';
import { UniverseForm } from './UniverseForm';

const SLOTS = 512;

/** More universes than this are shown as tiles. */
const MOST_CARDS = 9;

/** All universes at a glance, and one of them slot by slot with what it is called and where it goes. */
export function ByOutput({ patch, title }: { patch: PatchView; title: ReactNode }) {
  const [chosen, setChosen] = useState(patch.universes[0]?.universe ?? 1);
  const desk = useDesk().data;
  const held = useMemo(() => new Set(desk?.steps.flat().map((u) => Number(u.split('.')[0]))), [desk]);
  const landings = useLine((s) => s.reading)?.landings ?? [];
  const universe = patch.universes.find((u) => u.universe === chosen) ?? patch.universes[0];
  const [more, setMore] = useState('');
  const [closing, setClosing] = useState(0);
  const compact = useLineReading(
    universe && universe.used > 0 ? `compact universe ${universe.universe}` : '',
  );
  const closed = compact.outcome?.landings ?? [];
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        {title}
        <span className="flex-1" />
        <span className="text-[12px] text-ink-2">
          {patch.universes.length} {patch.universes.length === 1 ? 'universe' : 'universes'} ·{' '}
          {patch.universes.reduce((n, u) => n + u.used, 0)} slots used
        </span>
      </div>
      <div className="flex min-h-0 flex-1 gap-3 px-3 pb-3">
        <section aria-label="Universes" className="flex min-h-0 w-[26rem] shrink-0 flex-col gap-2">
          {patch.universes.length > MOST_CARDS && (
            <div className="grid min-h-0 flex-1 auto-rows-min grid-cols-7 gap-1.5 overflow-auto pr-1">
              {patch.universes.map((u) => (
                <Tile
                  key={u.universe}
                  universe={u}
                  on={u === universe}
                  onPress={() => setChosen(u.universe)}
                />
              ))}
            </div>
          )}
          <div
            className={`space-y-1.5 overflow-auto pr-1 ${patch.universes.length > MOST_CARDS ? 'shrink-0' : 'min-h-0 flex-1'}`}
          >
            {(patch.universes.length > MOST_CARDS
              ? patch.universes.filter((u) => u === universe)
              : patch.universes
            ).map((u) => (
              <Glance
                key={u.universe}
                universe={u}
                on={u === universe}
                onPress={() => setChosen(u.universe)}
              />
            ))}
            {patch.universes.length === 0 && (
              <p className="text-ink-2">
                No universe is in use yet.{' '}
                <Link className="font-semibold text-petrol underline" to="/patch">
                  Patch something
                </Link>
                , or set one up below.
              </p>
            )}
          </div>
          <form
            className="flex gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              if (!/^\d+$/.test(more)) return;
              void runLine(`universe ${more} name "Universe ${more}"`);
              setChosen(Number(more));
              setMore('');
            }}
          >
            <input
              aria-label="Number of a universe to set up"
              placeholder="universe to set up"
              inputMode="numeric"
              className={inputShape}
              value={more}
              onChange={(e) => setMore(e.target.value)}
            />
            <Button type="submit" disabled={!/^\d+$/.test(more)}>
              Set up
            </Button>
          </form>
        </section>
        {universe && (
          <section
            aria-label="One universe"
            className="flex min-h-0 min-w-0 flex-1 flex-col gap-3 overflow-auto rounded-lg border border-line-strong bg-sheet p-3"
          >
            <UniverseForm key={universe.universe} universe={universe} />
            <OnTheNet universe={universe} />
            <AddressMap
              patch={patch}
              universe={universe.universe}
              landings={closing === universe.universe ? closed : landings}
              held={held}
            />
            <InHand
              universe={universe}
              held={[...held].sort((a, b) => a - b)}
              compact={compact}
              closing={closing === universe.universe}
              onClosing={(on) => setClosing(on ? universe.universe : 0)}
            />
            <Clashes patch={patch} universe={universe.universe} />
          </section>
        )}
      </div>
    </>
  );
}

interface GlanceProps {
  universe: UniverseView;
  on: boolean;
  onPress: () => void;
}

/** A universe as small as it can be read: its number over how full it is. */
function Tile({ universe: u, on, onPress }: GlanceProps) {
  const full = Math.round((u.used / SLOTS) * 100);
  const words = `Universe ${u.universe}${u.name ? ` ${u.name}` : ''}: ${full} % used, ${u.clashes} clashes, ${u.shares} shared, longest gap ${u.longestGap} at ${u.longestGapAt}${u.on ? '' : ', off'}`;
  return (
    <button
      aria-pressed={on}
      aria-label={words}
      title={words}
      onClick={onPress}
      className={`relative h-10 overflow-hidden rounded-md border text-left ${on ? 'border-petrol outline-2 outline-petrol' : 'border-line-strong'} bg-sheet`}
    >
      <span
        className={`absolute right-0 bottom-0 left-0 ${u.clashes > 0 ? 'hatch' : 'bg-petrol-soft'}`}
        style={{ height: `${full}%` }}
      />
      <span className="mono absolute top-1 left-1.5 rounded bg-sheet/80 px-0.5 text-[12px] font-bold">
        {u.clashes > 0 && <span className="text-madder">■</span>}
        {u.shares > 0 && <span className="text-ochre">◫</span>}
        {!u.on && <span className="text-ochre">▲</span>}
        {u.universe}
      </span>
    </button>
  );
}

function Glance({ universe: u, on, onPress }: GlanceProps) {
  return (
    <button
      aria-pressed={on}
      onClick={onPress}
      className={`block w-full rounded-md border px-3 py-1.5 text-left ${on ? 'border-petrol bg-petrol-soft' : 'border-line-strong bg-sheet hover:bg-sunk'}`}
    >
      <span className="flex items-baseline gap-2">
        <b className="mono text-[15px]">{u.universe}</b>
        <span className="min-w-0 flex-1 truncate font-serif text-[15px]">{u.name}</span>
        {!u.on && <span className="font-semibold text-ochre">▲ off</span>}
        {u.clashes > 0 && (
          <span className="font-semibold text-madder">
            ■ {u.clashes} {u.clashes === 1 ? 'clash' : 'clashes'}
          </span>
        )}
        {u.shares > 0 && <span className="font-semibold text-ochre">◫ {u.shares} shared</span>}
        <span className="mono">{Math.round((u.used / SLOTS) * 100)} %</span>
      </span>
      <span className="mt-1 block h-2 overflow-hidden rounded-full bg-sunk">
        <span
          className={`block h-full ${u.clashes > 0 ? 'hatch' : 'bg-petrol'}`}
          style={{ width: `${(u.used / SLOTS) * 100}%` }}
        />
      </span>
      <span className="mt-1 flex justify-between gap-2 text-[12px] text-ink-2">
        <span className="truncate">
          {u.fixtures} fixtures · longest gap <b className="mono">{u.longestGap}</b> at{' '}
          <b className="mono">{u.longestGapAt}</b>
        </span>
        <span className="shrink-0">
          {u.route === 'rig' ? 'virtual rig' : `→ ${u.targetName}`}
          {isArtNet(u.route) ? (
            <b className="mono"> as {u.numberText}</b>
          ) : (
            u.port !== u.universe && <b className="mono"> as {u.port}</b>
          )}
        </span>
      </span>
    </button>
  );
}

/** What can be done with blocks: close the gaps, move the selection. */
function InHand({
  universe,
  held,
  compact,
  closing,
  onClosing,
}: {
  universe: UniverseView;
  held: number[];
  compact: Reading;
  closing: boolean;
  onClosing: (on: boolean) => void;
}) {
  const [to, setTo] = useState('');
  const words = compact.outcome?.reading ?? '';
  const shift = async () => {
    const where = to;
    setTo('');
    await runEdit({ type: 'shift', numbers: (await heldNow()).sort((a, b) => a - b), to: where });
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      {closing && compact.outcome?.changes ? (
        <>
          <Button
            kind="main"
            onClick={() => void runLine(`compact universe ${universe.universe}`).then(() => onClosing(false))}
          >
            Move them
          </Button>
          <Button onClick={() => onClosing(false)}>Keep</Button>
        </>
      ) : (
        <Button
          label="Shows first who would move where"
          disabled={compact.problems.length > 0 || !compact.outcome?.changes}
          onClick={() => onClosing(true)}
        >
          Close the gaps…
        </Button>
      )}
      <span
        className={`max-h-16 min-w-0 overflow-y-auto text-[12px] text-ink-2 ${closing ? 'basis-full' : ''}`}
      >
        {closing ? compact.outcome?.words.join(' · ') : words}
      </span>
      <span className="flex-1" />
      {held.length > 0 ? (
        <form
          className="flex items-center gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (to) void shift();
          }}
        >
          <span className="max-w-48 truncate">
            Selected: <b className="mono">{runs(held)}</b>
          </span>
          <input
            aria-label="Shift the selection to"
            placeholder={`${universe.universe}.1`}
            className={`${inputShape} !w-20`}
            value={to}
            onChange={(e) => setTo(e.target.value)}
          />
          <Button type="submit" disabled={!to}>
            Shift as a block
          </Button>
        </form>
      ) : (
        <span className="text-[12px] text-ink-2">press a block to hold it · drag it to move it</span>
      )}
    </div>
  );
}
