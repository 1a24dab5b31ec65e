import { useMemo } from 'react';
import { useLookLight, type Lit } from '../../api/queries';
import { useInSight } from '../../ui/useInSight';
import { stripes } from './face-model';

/** What a look lights: a stripe for each colour, as high as its level. It is asked for when it is in sight. */
export function LookFace({ kind, number }: { kind: 'submaster' | 'look'; number: number }) {
  const [box, seen] = useInSight();
  const lit = useMemo<Lit | null>(() => (seen ? { kind, which: number } : null), [seen, kind, number]);
  const parts = useLookLight(lit).data;
  const drawn = useMemo(() => (parts ? stripes(parts.values()) : []), [parts]);
  return (
    <span ref={box} className="absolute inset-0 flex items-end" aria-hidden="true">
      {drawn.map((s) => (
        <span
          key={s.colour}
          style={{ background: s.colour, height: `${Math.max(6, s.level)}%`, width: `${s.share * 100}%` }}
        />
      ))}
    </span>
  );
}
