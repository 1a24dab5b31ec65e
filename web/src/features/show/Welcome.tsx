import { openDemo } from '../../api/commands';
import { queryClient } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import type { StartWith } from './NewShow';

/** What Loculus is for, while no show is there, and how to begin. */
export function Welcome({ onNew }: { onNew: (start: StartWith) => void }) {
  const [making, setMaking] = useState(false);
  const demo = useOnce(async () => {
    setMaking(true);
    await attempt(openDemo);
    await queryClient.invalidateQueries({ queryKey: ['shows'] });
    setMaking(false);
  });
  return (
    <div className="mx-auto max-w-2xl space-y-5 px-4 py-16">
      <h1 className="font-serif text-[28px] leading-9 font-semibold">
        A show file, ready before the first rehearsal
      </h1>
      <p className="text-[16px] leading-6">
        Loculus patches fixtures to universes and addresses, builds groups, palettes and looks from them, and
        checks what is still open. Then it hands the show over as a file, as paper, and as a page to read
        along.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button kind="main" onClick={() => onNew('paper')}>
          Begin from your hookup…
        </Button>
        <Button onClick={() => onNew('empty')}>New show…</Button>
        <Button disabled={making} onClick={() => void demo()}>
          {making ? 'Setting up The Glass Tide …' : 'Look at the demo show'}
        </Button>
      </div>
      <p className="text-[13px] text-ink-2">
        A show file, a hookup or a fixture file can be dropped anywhere. <kbd className="mono">?</kbd> lists
        the keys.
      </p>
    </div>
  );
}
