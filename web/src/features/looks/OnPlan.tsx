import { useEffect, useState } from 'react';
import { useLookLight, type Lit } from '../../api/queries';
import { drawInstead } from '../../stage/stage-state';
import { Segmented } from '../../ui/Segmented';

interface Props {
  of: { words: string; lit: Lit }[];
  /** Which of them is drawn at first, from 1; what the lights do if none is. */
  first?: number;
}

/** What the plan draws: what the lights do now, or one of these by itself. */
export function OnPlan({ of, first = 0 }: Props) {
  const [at, setAt] = useState(first);
  const drawn = at > 0 ? of[at - 1] : undefined;
  const parts = useLookLight(drawn?.lit ?? null).data;
  const words = drawn?.words;
  useEffect(() => {
    // The one before stays until the next is there.
    if (!words || parts) drawInstead(words && parts ? { parts, words } : null);
  }, [parts, words]);
  useEffect(() => () => drawInstead(null), []);
  return (
    <span className="flex items-center gap-1.5">
      on the plan
      <Segmented
        label="What the plan draws"
        tight
        value={String(at)}
        onChange={(v) => setAt(Number(v))}
        options={[
          { value: '0', text: 'the lights now' },
          ...of.map((o, i) => ({ value: String(i + 1), text: o.words })),
        ]}
      />
    </span>
  );
}
