import { useState } from 'react';
import type { CueView } from '../../api/client';
import { useAgainst, useCue } from '../../api/queries';
import { Segmented } from '../../ui/Segmented';
import { LookRows } from './LookRows';
import { OnPlan } from './OnPlan';

/** What a cue changes, tracks and holds as plain values, beside the cue before it or the stage. */
export function CueContents({ cue, number }: { cue: number; number: string }) {
  const [against, setAgainst] = useState<'before' | 'stage'>('before');
  const rows = useCue(cue).data;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1 text-[12px] font-semibold text-ink-label">
        cue {number} against
        <Segmented
          label="What it is held against"
          value={against}
          onChange={setAgainst}
          tight
          options={[
            { value: 'before', text: 'the one before' },
            { value: 'stage', text: 'the stage' },
          ]}
        />
        <OnPlan of={[{ words: `cue ${number}`, lit: { kind: 'cue', which: cue } }]} />
      </div>
      {against === 'stage' ? (
        <Against cue={cue} other={0} words="What would be otherwise than it is on stage now" />
      ) : (
        rows && <LookRows rows={rows} />
      )}
    </>
  );
}

/** Two cues side by side: in words, and one after the other on the plan, with everyone outlined who differs. */
export function TwoCues({ one, other }: { one: CueView; other: CueView }) {
  const on = (cue: CueView) => ({
    words: `cue ${cue.number}`,
    lit: { kind: 'cue' as const, which: cue.id },
  });
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1 text-[12px] font-semibold text-ink-label">
        <OnPlan of={[on(one), on(other)]} first={2} />
      </div>
      <Against
        cue={other.id}
        other={one.id}
        words={`What is otherwise in cue ${other.number} than in cue ${one.number}`}
      />
    </>
  );
}

function Against({ cue, other, words }: { cue: number; other: number; words: string }) {
  const rows = useAgainst(cue, other).data;
  return (
    <>
      <h2 className="px-3 pt-1 text-[12px] font-semibold text-ink-label">{words}</h2>
      {rows &&
        (rows.length > 0 ? (
          <LookRows rows={rows} alone outlined />
        ) : (
          <p className="px-3 py-1 text-ink-2">They are the same.</p>
        ))}
    </>
  );
}
