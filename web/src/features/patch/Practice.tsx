import { useState } from 'react';
import { practiceResult, practise, putRigRight } from '../../api/commands';
import type { PatchView, PracticeView } from '../../api/client';
import { queryClient, usePractice } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';

const SIGNS: Record<string, string> = {
  found: 'text-moss',
  half: 'text-ochre',
  missed: 'text-madder',
  'false alarm': 'text-ochre',
  'by device': 'text-ink-2',
};

/** Faults hidden in the virtual rig, to practise on; the findings are compared with the truth. */
export function Practice({ patch }: { patch: PatchView }) {
  const hidden = usePractice().data?.hidden ?? 0;
  const [result, setResult] = useState<PracticeView | null>(null);
  const again = () => queryClient.invalidateQueries({ queryKey: ['practice'] });
  const hide = async () => {
    await attempt(practise);
    setResult(null);
    await again();
  };
  const clear = async () => {
    await attempt(putRigRight);
    setResult(null);
    await again();
  };
  const marked = patch.fixtures.some((f) => f.answer !== 'not tried');
  return (
    <section aria-label="Practice" className="space-y-1.5 rounded-lg border border-line-strong bg-sheet p-3">
      <div className="flex flex-wrap items-center gap-2">
        <span className="caps flex-1">Practice</span>
        <Button onClick={() => void hide()}>Hide faults</Button>
        <Button
          disabled={hidden === 0}
          onClick={() => void attempt(practiceResult).then((r) => r && setResult(r))}
        >
          Compare
        </Button>
        <Button disabled={hidden === 0} onClick={() => void clear()}>
          Put right
        </Button>
        <Button disabled={!marked} onClick={() => void runLine('mark all not tried')}>
          Clear marks
        </Button>
        <span className="w-full text-ink-2">
          {hidden > 0
            ? `${hidden} fixtures of the virtual rig are wrong. Bring them up and mark what you find, or search under Devices.`
            : 'The virtual rig hangs as it is patched.'}
        </span>
      </div>
      {result && (
        <ul aria-label="Findings" className="flex flex-wrap gap-x-4 gap-y-0.5">
          {result.findings.map((f) => (
            <li key={f.number}>
              <b className="mono">{f.number}</b>{' '}
              <span className={`font-semibold ${SIGNS[f.verdict] ?? ''}`}>{f.verdict}</span>: {f.words}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
