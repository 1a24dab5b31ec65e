import { useState } from 'react';
import { useDesk, useEffects } from '../../../api/queries';
import { leaveName, RECORD_NAME } from '../../../doing/record-name';
import { useKept } from '../../../doing/kept';
import { useOnce } from '../../../doing/once';
import { quoted } from '../../../doing/run';
import { Button } from '../../../ui/Button';
import { inputShape } from '../../../ui/Field';
import { runLines } from '../../../doing/run-lines';
import { EmptySwap } from '../../niches/EmptySwap';
import { withFree } from '../../niches/pages-model';
import { EffectNiche } from './EffectNiche';
import { EffectSheet } from './EffectSheet';
import { StarterEffects } from './StarterEffects';
import { StartEffect } from './StartEffect';
import { BEGINNINGS } from './effects-model';
import { useOneStop } from '../../../ui/useOneStop';

/** Effects in their niches, and one of them drawn: the curve, the dots, the handles. */
export function EffectsView({ heading }: { heading: React.ReactNode }) {
  const query = useEffects();
  const effects = query.data?.effects ?? [];
  const at = query.dataUpdatedAt;
  const desk = useDesk().data;
  const [chosen, setChosen] = useKept('effect', 0);
  const [starters, setStarters] = useState(false);
  const shelf = useOneStop<HTMLDivElement>({ selector: '[data-niche]', own: true });
  const [composing, setComposing] = useState(false);
  const loose = effects.filter((e) => e.number === 0);
  const effect = effects.find((e) => e.id === chosen) ?? loose.find((e) => e.used) ?? effects[0];
  const held = (desk?.steps.length ?? 0) > 0;
  return (
    <>
      <div className="flex items-start gap-3">
        {heading}
        <div
          ref={shelf}
          data-part
          className="flex min-w-0 items-start gap-1 overflow-x-auto overflow-y-hidden pt-1 pb-1 pl-1"
        >
          {[...(effects.length > 0 ? withFree(effects.filter((e) => e.number > 0)) : []), ...loose].map(
            (e) =>
              typeof e === 'number' ? (
                <EmptySwap
                  key={`free ${e}`}
                  kind="effect"
                  number={e}
                  onPress={() => void runLines([`record effect ${e}`])}
                />
              ) : (
                <EffectNiche
                  key={e.id}
                  effect={e}
                  active={e.id === effect?.id}
                  onPress={() => setChosen(e.id)}
                />
              ),
          )}
        </div>
        <Button onClick={() => setStarters(true)}>Starter effects</Button>
      </div>
      <StarterEffects open={starters} onClose={() => setStarters(false)} />
      <div data-part className="flex flex-wrap items-center gap-1.5">
        <span className="text-[12px] text-ink-2">Start on the selection:</span>
        {BEGINNINGS.map((b) => (
          <Button
            key={b.text}
            disabled={!held}
            label={`${b.what} ${b.turning}`}
            onClick={() => {
              setChosen(0);
              void runLines([`${b.what} ${b.turning}`]);
            }}
          >
            {b.text}
          </Button>
        ))}
        <Button disabled={!held} pressed={composing} onClick={() => setComposing(!composing)}>
          Any effect…
        </Button>
        {loose.some((e) => e.used) && <Record />}
      </div>
      {composing && held && desk && <StartEffect desk={desk} onDone={() => setComposing(false)} />}
      {effect ? <EffectSheet key={effect.id} effect={effect} at={at} held={held} /> : <Nothing />}
    </>
  );
}

function Record() {
  const [name, setName] = useKept('record effect name', '');
  const record = useOnce(async () => {
    if (await runLines([`record effect ${name.trim() ? quoted(name) : ''}`.trim()])) {
      setName('');
      leaveName();
    }
  });
  return (
    <span className="ml-auto flex items-center gap-1.5">
      <input
        id={RECORD_NAME}
        aria-label="Name of the effect"
        placeholder="name (R)"
        className={`${inputShape} !w-40`}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && void record()}
      />
      <Button kind="main" onClick={() => void record()}>
        Record
      </Button>
    </span>
  );
}

function Nothing() {
  return (
    <p className="rounded-lg border border-line-strong bg-sheet p-4 text-ink-2">
      Nothing moves yet. Take the obvious effects for what is patched, or choose lights and set one above: it
      is drawn here, and a name and Enter keep it. The line does it too:{' '}
      <span className="mono">group 1 sine of dimmer at 20 thru 80 rate 30 offset round</span>.
    </p>
  );
}
