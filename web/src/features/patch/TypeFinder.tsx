import { useMemo } from 'react';
import { useProfiles } from '../../api/queries';
import { Finder, type Found } from '../../ui/Finder';
import { FamilyMark } from './FamilyMark';

interface Props {
  label: string;
  /** What the line calls it: maker, model, slash, mode. */
  value: string;
  onChange: (type: string) => void;
  /** What having none means; it can then be chosen again. */
  empty?: string;
  className?: string;
  autoFocus?: boolean;
}

/** Every mode of every profile of the library, found by maker, model, mode, sort and number of slots. */
export function TypeFinder({ empty, ...props }: Props) {
  const profiles = useProfiles().data;
  const options = useMemo<Found[]>(
    () =>
      (profiles ?? []).flatMap((p) =>
        p.modes.map((m) => ({
          value: `${p.maker} ${p.name} / ${m.name}`,
          text: `${p.name} · ${m.name}`,
          under: p.inUse > 0 ? `${p.maker} · ${p.family} · ${p.inUse} patched` : `${p.maker} · ${p.family}`,
          note: m.slots === 1 ? '1 slot' : `${m.slots} slots`,
          face: <FamilyMark family={p.family} />,
          words: `${p.maker} ${p.name} ${m.name} ${p.family} ${m.slots} slots`.toLowerCase(),
        })),
      ),
    [profiles],
  );
  return <Finder {...props} options={options} empty={empty} clears={empty !== undefined} />;
}
