import { useMemo, useState } from 'react';
import type { StarterView } from '../../api/client';
import { useStarters } from '../../api/queries';
import { runEdit } from '../../doing/run';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { TinyPlan, type Places } from './TinyPlan';

const SHARES = ['whole', 'left', 'right', 'odd', 'even', 'inner', 'outer', 'front to back', 'reversed'];

/** Everything that is obvious from the patch, to be ticked; what is there already is not doubled. */
export function StarterGroups({
  open,
  places,
  onClose,
}: {
  open: boolean;
  places: Places | null;
  onClose: () => void;
}) {
  return (
    <Modal open={open} wide title="Starter groups" onClose={onClose}>
      <Choosing places={places} onDone={onClose} />
    </Modal>
  );
}

const usual = (s: StarterView) => s.share === 'whole' && s.family !== 'purpose';

function Choosing({ places, onDone }: { places: Places | null; onDone: () => void }) {
  const starters = useStarters(true).data;
  const [turned, setTurned] = useState<Set<string>>(new Set());
  const [looked, setLooked] = useState<StarterView | null>(null);
  const all = useMemo(() => starters ?? [], [starters]);
  const bases = useMemo(() => [...new Map(all.map((s) => [s.base, s.family])).entries()], [all]);
  const at = useMemo(() => new Map(all.map((s) => [`${s.base} ${s.share}`, s])), [all]);
  const ticked = (s: StarterView) => !s.there && usual(s) !== turned.has(s.name);
  const turn = (some: StarterView[]) => {
    const free = some.filter((s) => !s.there);
    const on = !free.every(ticked);
    setTurned((before) => {
      const after = new Set(before);
      for (const s of free) if (ticked(s) !== on) if (!after.delete(s.name)) after.add(s.name);
      return after;
    });
  };
  /** Nothing but the whole groups of one family. */
  const only = (family: string) =>
    setTurned(
      new Set(
        all
          .filter((s) => !s.there && (s.share === 'whole' && s.family === family) !== usual(s))
          .map((s) => s.name),
      ),
    );
  const families = [...new Set(bases.map(([, family]) => family))];
  const names = all.filter(ticked).map((s) => s.name);
  const record = useOnce(async () => {
    if (await runEdit({ type: 'starter-groups', names })) onDone();
  });
  if (all.length === 0)
    return (
      <p className="text-ink-2">
        {starters
          ? 'Patch fixtures first; groups are made from types and positions.'
          : 'Looking at the patch…'}
      </p>
    );
  return (
    <div className="flex gap-4">
      <div className="min-w-0 flex-1 overflow-x-auto">
        <table className="text-[12px]">
          <thead>
            <tr>
              <th className="text-left font-normal text-ink-label">made from</th>
              {SHARES.map((share) => (
                <th key={share} className="px-1 font-normal">
                  <button
                    className="min-h-7 text-petrol underline"
                    title={`All or none of “${share}”`}
                    onClick={() => turn(all.filter((s) => s.share === share))}
                  >
                    {share}
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {bases.map(([base, family]) => (
              <tr key={base} className="border-t border-line">
                <th className="max-w-64 truncate pr-2 text-left font-normal" title={base}>
                  <button
                    className="min-h-7 max-w-full truncate text-left hover:text-petrol"
                    onClick={() => turn(all.filter((s) => s.base === base))}
                  >
                    <span className="text-ink-label">{family}</span>{' '}
                    {base.slice(family.length + 1).replaceAll('"', '')}
                  </button>
                </th>
                {SHARES.map((share) => {
                  const s = at.get(`${base} ${share}`);
                  return (
                    <td key={share} className="px-1 text-center">
                      {s && (
                        <label
                          className="inline-flex min-h-7 items-center gap-1"
                          title={s.there ? `Group ${s.there} holds the same` : `${s.name}: ${s.recipe}`}
                          onMouseEnter={() => setLooked(s)}
                        >
                          <input
                            type="checkbox"
                            aria-label={`${s.name}, ${s.units.length} ${s.units.length === 1 ? 'unit' : 'units'}${s.there ? `, there already as ${s.there}` : ''}`}
                            disabled={s.there !== ''}
                            checked={ticked(s)}
                            onFocus={() => setLooked(s)}
                            onChange={() => turn([s])}
                          />
                          <span className={`mono ${s.there ? 'text-ink-label line-through' : ''}`}>
                            {s.units.length}
                          </span>
                        </label>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="w-48 shrink-0 space-y-2">
        <Button kind="main" first disabled={names.length === 0} onClick={() => void record()}>
          Record {names.length} {names.length === 1 ? 'group' : 'groups'}
        </Button>
        {families.length > 1 && (
          <p className="flex flex-wrap items-center gap-1 text-[12px] text-ink-2">
            only by
            {families.map((family) => (
              <Button key={family} label={`One group for each ${family}`} onClick={() => only(family)}>
                {family}
              </Button>
            ))}
          </p>
        )}
        <p className="text-[12px] text-ink-2">
          As recipes: they follow the patch. What is there already is struck out.
        </p>
        {looked && (
          <div className="space-y-1">
            <div className="relative h-[120px] w-[120px] overflow-hidden rounded-t-[60px] rounded-b-[4px] border border-line-strong bg-sheet">
              <TinyPlan group={looked} places={places} />
            </div>
            <p className="font-semibold">{looked.name}</p>
            <p className="mono text-[11px] break-words text-plum">{looked.recipe}</p>
            <p className="mono max-h-24 overflow-auto text-[11px] break-words text-ink-2" tabIndex={0}>
              {looked.units.join(' ')}
            </p>
          </div>
        )}
      </div>
    </div>
  );
}
