import { useState } from 'react';
import type { LooksView } from '../../api/client';
import { useDesk } from '../../api/queries';
import { Button } from '../../ui/Button';
import { useLineReading } from '../../doing/useLineReading';
import { usePlaying } from '../playing/playing';
import { runLines } from '../../doing/run-lines';

/** What is touched goes into the cue or submaster that plays there now; what would change with it is said before. */
export function UpdateRunning({ looks }: { looks: LooksView }) {
  const desk = useDesk().data;
  const runs = usePlaying((s) => s.play.runs);
  const [looked, setLooked] = useState('');
  const touched = (desk?.touchedUnits ?? 0) > 0;
  const targets = runs.flatMap((run) => {
    if (run.kind === 'submaster') {
      const kept = looks.submasters.find((s) => s.id === run.id);
      return kept ? [{ name: `${kept.number} ${kept.name}`, line: `update submaster ${kept.number}` }] : [];
    }
    const list = looks.lists.find((l) => l.id === run.id);
    const cue = list?.cues.find((c) => c.id === run.cue);
    return list && cue
      ? [{ name: `${cue.number} ${cue.name}`, line: `update cue ${cue.number} of list ${list.number}` }]
      : [];
  });
  const reading = useLineReading(touched ? looked : '');
  if (!touched || targets.length === 0) return null;
  return (
    <div className="flex min-w-0 flex-wrap items-center gap-1.5">
      <span className="text-[12px] text-ink-2">Update what plays:</span>
      {targets.map((t) => (
        <span
          key={t.line}
          className="inline-flex"
          onMouseEnter={() => setLooked(t.line)}
          onFocus={() => setLooked(t.line)}
          onMouseLeave={() => setLooked('')}
          onBlur={() => setLooked('')}
        >
          <Button label={t.line} onClick={() => void runLines([t.line])}>
            {t.name}
          </Button>
        </span>
      ))}
      <span className="min-w-0 truncate text-[12px] text-ink-2" role="status">
        {looked && reading.outcome?.words.join(' · ')}
      </span>
    </div>
  );
}
