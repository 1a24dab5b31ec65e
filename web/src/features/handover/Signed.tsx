import { useState } from 'react';
import type { SignedView } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { useKept } from '../../doing/kept';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { day } from '../../ui/day';
import { inputShape } from '../../ui/Field';
import { FileLink } from '../../ui/FileLink';
import { StateMark, type State } from '../../ui/StateMark';

const state = (c: SignedView): State =>
  c.by && !c.changed ? 'ready' : c.by || c.open > 0 ? 'needs-an-eye' : 'not-begun';

/** How far each chapter is, and who put a name to it. */
export function Signed({ chapters }: { chapters: SignedView[] }) {
  const show = useCurrentShow((s) => s.id);
  const [by, setBy] = useKept('signs as', '', false);
  const [asking, setAsking] = useState('');
  const sign = async (chapter: string) => {
    if (!by.trim()) return;
    await runEdit({ type: 'sign', chapter, by });
    setAsking('');
  };
  return (
    <section aria-label="Signed off" className="rounded-lg border border-line-strong bg-sheet p-3">
      <h2 className="font-serif text-[17px] font-semibold">Signed off</h2>
      <ul>
        {chapters.map((c) => (
          <li key={c.chapter} className="border-b border-line py-1.5 last:border-0">
            <div className="flex items-center gap-2">
              <StateMark state={state(c)} />
              <span className="min-w-0 flex-1">
                <b>{c.chapter}</b>{' '}
                <span className="text-[12px] text-ink-2">
                  {c.open > 0 ? `${c.open} open` : 'nothing open'}
                  {c.setAside > 0 && ` · ${c.setAside} set aside`}
                </span>
              </span>
              {c.by && !c.changed ? (
                <button
                  className="text-[12px] text-ink-2 hover:underline"
                  aria-label={`Take the name off ${c.chapter}`}
                  onClick={() => void runEdit({ type: 'unsign', chapter: c.chapter })}
                >
                  take off
                </button>
              ) : (
                <Button
                  label={`Put your name to ${c.chapter}`}
                  onClick={() => (by.trim() ? void sign(c.chapter) : setAsking(c.chapter))}
                >
                  Sign <span className="sr-only">{c.chapter}</span>
                </Button>
              )}
            </div>
            {c.by && (
              <p className={`pl-5 text-[12px] ${c.changed ? 'text-ochre' : 'text-moss'}`}>
                {c.by}, {day(c.on)}
                {c.openThen > 0 && `, ${c.openThen} open then`}
                {c.changed && ', changed since'}
              </p>
            )}
          </li>
        ))}
      </ul>
      <label className="mt-2 flex items-center gap-2 text-[12px] text-ink-2">
        signs as
        <input
          key={asking}
          autoFocus={asking !== ''}
          aria-label="Who signs"
          placeholder="your name"
          className={`${inputShape} !font-sans`}
          value={by}
          maxLength={200}
          onChange={(e) => setBy(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter' && asking) void sign(asking);
          }}
        />
      </label>
      <p className="pt-2">
        <FileLink
          title="How each chapter stands and who signed, to print"
          href={`/api/shows/${show}/paper/readiness.pdf`}
        >
          Readiness report
        </FileLink>
      </p>
    </section>
  );
}
