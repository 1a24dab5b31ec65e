import { useMemo, useState } from 'react';
import type { LineResponse, PatchView } from '../../api/client';
import { useDesk } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { AddressMap } from './AddressMap';
import { RigOfOne } from './RigOfOne';

type Landings = LineResponse['landings'];

interface Props {
  patch: PatchView;
  landings: Landings;
}

/** A universe to choose, its map, the clashes of the show with their ways out. */
export function OneUniverse({ patch, landings }: Props) {
  const [chosen, setChosen] = useState(1);
  const desk = useDesk().data;
  const held = useMemo(() => new Set(desk?.steps.flat().map((u) => Number(u.split('.')[0]))), [desk]);
  const universes = [
    ...new Set([...patch.universes.map((u) => u.universe), ...landings.map((l) => l.universe)]),
  ].sort((a, b) => a - b);
  const about = landings[0]?.universe;
  const universe =
    about !== undefined && !landings.some((l) => l.universe === chosen)
      ? about
      : universes.includes(chosen)
        ? chosen
        : (universes[0] ?? 1);
  const facts = patch.universes.find((u) => u.universe === universe);
  return (
    <section
      aria-label="Output"
      className="flex min-h-0 min-w-0 flex-1 flex-col gap-2 overflow-auto rounded-lg border border-line-strong bg-sheet p-3"
    >
      <div className="flex flex-wrap items-center gap-2">
        <span className="caps">Universe</span>
        <div className="flex max-w-full overflow-auto rounded-md border border-line-strong">
          {(universes.length > 0 ? universes : [1]).map((u) => (
            <button
              key={u}
              aria-pressed={u === universe}
              onClick={() => setChosen(u)}
              className={`mono min-h-7 min-w-7 border-r border-line px-1.5 last:border-0 ${u === universe ? 'bg-petrol text-on-petrol' : ''}`}
            >
              {u}
            </button>
          ))}
        </div>
        <span className="ml-auto text-[12px] text-ink-2">
          <b className="mono">{facts?.used ?? 0}</b> used · longest gap{' '}
          <b className="mono">{facts?.longestGap ?? 512}</b> at{' '}
          <b className="mono">{facts?.longestGapAt ?? `${universe}.1`}</b>
        </span>
      </div>
      <AddressMap patch={patch} universe={universe} landings={landings} held={held} />
      <Clashes patch={patch} />
      {held.size === 1 && <RigOfOne number={[...held][0]!} />}
    </section>
  );
}

const MOST_LISTED = 20;

/** Every clash, or those of one universe, with its ways out, each one press. */
export function Clashes({ patch, universe }: { patch: PatchView; universe?: number }) {
  const clashes = patch.clashes.filter((c) => universe === undefined || c.universe === universe);
  if (clashes.length === 0) return null;
  return (
    <ul aria-label="Clashes" className="space-y-2 border-t border-line pt-2">
      {clashes.slice(0, MOST_LISTED).map((c) => (
        <li key={`${c.span} ${c.numbers.join(' ')}`}>
          <div className={`font-semibold ${c.shared ? 'text-ochre' : 'text-madder'}`}>
            {c.shared ? '◫' : '■'} {c.words}
          </div>
          <div className="mt-1 flex flex-wrap gap-1.5">
            {c.waysOut.map((w) => (
              <Button key={w.line} label={w.line} onClick={() => void runLine(w.line)}>
                {w.words}
              </Button>
            ))}
          </div>
        </li>
      ))}
      {clashes.length > MOST_LISTED && (
        <li className="text-ink-2">and {clashes.length - MOST_LISTED} more</li>
      )}
    </ul>
  );
}
