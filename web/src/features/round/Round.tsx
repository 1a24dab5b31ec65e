import { X } from 'lucide-react';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import { useCheck, useDesk, useGroups, useLooks, usePalettes, useShow, useVersions } from '../../api/queries';
import { Button } from '../../ui/Button';
import { useRound } from './round-state';
import { seen, STEPS } from './steps';

/** The guided round: one step at a time above the page, which stays as it is and works as always. */
export function Round() {
  const on = useRound((s) => s.on);
  const show = useShow().data;
  return on && show ? <Steps /> : null;
}

function Steps() {
  const progress = useRound((s) => s.progress);
  const { pathname } = useLocation();
  const fixtures = useShow().data?.fixtures;
  const groups = useGroups().data?.length;
  const fromPalette = useDesk().data?.values.filter((v) => v.palette).length;
  const palettes = usePalettes().data?.length;
  const cues = useLooks().data?.lists.reduce((sum, l) => sum + l.cues.length, 0);
  const mended = useCheck().data?.mended.length;
  const versions = useVersions().data?.length;
  useEffect(() => {
    const counts = [fixtures, groups, fromPalette, palettes, cues, mended, versions];
    if (counts.some((c) => c === undefined)) return;
    const now = useRound.getState().progress;
    const next = seen(now, {
      fixtures: fixtures!,
      groups: groups!,
      fromPalette: fromPalette!,
      palettes: palettes!,
      cues: cues!,
      mended: mended!,
      versions: versions!,
    });
    if (next !== now) useRound.setState({ progress: next });
  }, [progress, fixtures, groups, fromPalette, palettes, cues, mended, versions]);
  const step = STEPS[progress.at];
  const go = (at: number) => useRound.setState({ progress: { at, from: null } });
  return (
    <section
      aria-label="Guided round"
      className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-petrol bg-petrol-soft px-3 py-1.5"
    >
      <ol className="flex gap-1" aria-hidden="true">
        {STEPS.map((s, i) => (
          <li
            key={s.words}
            className={`h-2 w-4 rounded-full ${i < progress.at ? 'bg-petrol' : i === progress.at ? 'border border-petrol bg-sheet' : 'bg-line-strong'}`}
          />
        ))}
      </ol>
      <p role="status" className="min-w-60 flex-1">
        {step ? (
          <>
            <b>
              {progress.at + 1} of {STEPS.length} · {step.chapter}
            </b>{' '}
            {step.words}
          </>
        ) : (
          <b>That was the round: patched, grouped, coloured, recorded, checked, kept. The show is yours.</b>
        )}
      </p>
      {step && pathname !== step.to && (
        <Link
          to={step.to}
          className="inline-flex min-h-7 items-center rounded-md bg-petrol px-2.5 font-semibold text-on-petrol"
        >
          Go there
        </Link>
      )}
      {progress.at > 0 && (
        <Button onClick={() => go(step ? progress.at - 1 : 0)}>{step ? 'Back' : 'Again'}</Button>
      )}
      {step && <Button onClick={() => go(progress.at + 1)}>Skip</Button>}
      <button
        aria-label="Leave the round; it is taken up again where it is"
        title="Leave the round; it is taken up again where it is"
        className="flex min-h-7 min-w-7 items-center justify-center text-ink-2 hover:text-ink"
        onClick={() => useRound.setState({ on: false })}
      >
        <X size={16} />
      </button>
    </section>
  );
}
