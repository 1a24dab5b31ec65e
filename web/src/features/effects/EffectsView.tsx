import { useRef, useState } from 'react';
import { useDesk, useEffects } from '../../api/queries';
import type { EffectView } from '../../api/client';
import { useKept } from '../../app/kept';
import { useOnce } from '../../app/once';
import { quoted } from '../../app/run';
import { Stage } from '../../stage/Stage';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Niche } from '../../ui/Niche';
import { runLines } from '../looks/run-lines';
import { useSwap } from '../niches/useSwap';
import { EffectBand } from './EffectBand';
import { EffectCurve } from './EffectCurve';
import { EffectFace } from './EffectFace';
import { EffectPanels } from './EffectPanels';
import { EffectPath } from './EffectPath';
import { NumberField } from './NumberField';
import { StarterEffects } from './StarterEffects';
import { called, standingWords } from './effects-model';

/** What is set first: each a line for those in hand. */
const BEGINNINGS = [
  { text: 'Level', line: 'sine of dimmer at 20 thru 80 rate 30 offset round' },
  { text: 'Circle', line: 'circle of position size 20 rate 12 offset round' },
  { text: 'Zoom', line: 'sine of zoom at 20 thru 80 rate 10' },
];

/** Effects in their niches, and one of them drawn: the curve, the dots, the handles. */
export function EffectsView({ heading }: { heading: React.ReactNode }) {
  const query = useEffects();
  const effects = query.data?.effects ?? [];
  const at = query.dataUpdatedAt;
  const desk = useDesk().data;
  const [chosen, setChosen] = useKept('effect', 0);
  const [starters, setStarters] = useState(false);
  const loose = effects.filter((e) => e.number === 0);
  const effect = effects.find((e) => e.id === chosen) ?? loose.find((e) => e.used) ?? effects[0];
  const held = (desk?.steps.length ?? 0) > 0;
  return (
    <>
      <div className="flex items-start gap-3">
        {heading}
        <div className="flex min-w-0 items-start gap-1 overflow-x-auto overflow-y-hidden pt-1 pb-1 pl-1">
          {effects.map((e) => (
            <EffectNiche key={e.id} effect={e} active={e.id === effect?.id} onPress={() => setChosen(e.id)} />
          ))}
        </div>
        <Button onClick={() => setStarters(true)}>Starter effects</Button>
      </div>
      <StarterEffects open={starters} onClose={() => setStarters(false)} />
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="text-[12px] text-ink-2">Set on what is in hand:</span>
        {BEGINNINGS.map((b) => (
          <Button
            key={b.text}
            disabled={!held}
            label={b.line}
            onClick={() => {
              setChosen(0);
              void runLines([b.line]);
            }}
          >
            {b.text}
          </Button>
        ))}
        {loose.some((e) => e.used) && <Record />}
      </div>
      {effect ? <One key={effect.id} effect={effect} at={at} held={held} /> : <Nothing />}
    </>
  );
}

/** An effect in its niche; dragged to another one it changes places with what stands there. */
function EffectNiche({
  effect,
  active,
  onPress,
}: {
  effect: EffectView;
  active: boolean;
  onPress: () => void;
}) {
  const { number } = effect;
  const swap = useSwap(
    'effect',
    number,
    number > 0 ? (to) => void runLines([`move effect ${number} to ${to}`]) : undefined,
  );
  const moved = useRef(false);
  return (
    <Niche
      number={number > 0 ? number : '·'}
      name={number > 0 ? effect.name : 'not recorded'}
      title={`${effect.words}. ${effect.held > 0 ? `${effect.able} of ${effect.held} in hand have it` : 'Nobody is in hand'}`}
      face={<EffectFace effect={effect} />}
      follow={effect.reach as 'all' | 'some' | 'none'}
      dimmed={effect.held > 0 && effect.reach === 'none'}
      active={active}
      onPress={() => {
        if (!moved.current) onPress();
        moved.current = false;
      }}
      onRename={async (name) =>
        (await runLines([
          number > 0 ? `rename effect ${number} ${quoted(name)}` : `record effect ${quoted(name)}`,
        ])) !== undefined
      }
      drag={{
        ref: swap.ref,
        over: swap.over,
        dragged: swap.dragged,
        handlers: {
          onPointerDown: (e) => {
            if (e.button !== 0) return;
            moved.current = false;
            swap.begin(e);
            e.currentTarget.setPointerCapture(e.pointerId);
          },
          onPointerMove: (e) => {
            if (e.buttons === 1 && swap.move(e, true)) moved.current = true;
          },
          onPointerUp: swap.end,
          onPointerCancel: swap.cancel,
        },
      }}
    />
  );
}

function Record() {
  const [name, setName] = useKept('record effect name', '');
  const record = useOnce(async () => {
    if (await runLines([`record effect ${name.trim() ? quoted(name) : ''}`.trim()])) {
      setName('');
      document.getElementById('record-name')?.blur();
    }
  });
  return (
    <span className="ml-auto flex items-center gap-1.5">
      <input
        id="record-name"
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

function One({ effect, at, held }: { effect: EffectView; at: number; held: boolean }) {
  const [rate, setRate] = useState('');
  const [size, setSize] = useState('');
  const m = effect.movements[0];
  const named = `effect ${effect.number}`;
  const overruled = `${rate ? ` rate ${rate}` : ''}${size ? ` size ${size}` : ''}`;
  return (
    <>
      <div className="flex min-h-[250px] flex-1 gap-3">
        <section
          aria-label={called(effect)}
          className="flex min-h-0 min-w-0 flex-[1.9] flex-col rounded-lg border border-line-strong bg-sheet"
        >
          <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
            <h2 className="max-w-56 truncate font-serif text-[16px] font-semibold" title={effect.name}>
              {effect.number > 0 ? `${effect.number} ${effect.name}` : 'Set, not recorded'}
            </h2>
            <span className="min-w-0 text-[12px] text-ink-2">{standingWords(effect)}</span>
            {effect.dark > 0 && (
              <span role="status" className="text-[12px] font-semibold text-ochre">
                ▲ {effect.dark} of them dark: it carries no light
              </span>
            )}
            <span className="ml-auto flex flex-wrap items-center gap-1.5">
              {effect.number > 0 && (
                <>
                  <NumberField label="at rate" value={Number(rate || effect.rate)} onSet={setRate} />
                  {m?.size != null && m.palettes.length === 0 && (
                    <NumberField label="size" value={Number(size || m.size)} onSet={setSize} />
                  )}
                  <Button
                    kind="main"
                    disabled={!held || effect.able === 0}
                    label="Moves what is in hand by it"
                    onClick={() => void runLines([`${named}${overruled}`])}
                  >
                    Use
                  </Button>
                </>
              )}
              {effect.units > 0 && held && (
                <Button
                  label="Ends it on what is in hand; what it moved around stays"
                  onClick={() => void runLines([effect.number > 0 ? `${named} off` : 'effects off'])}
                >
                  End
                </Button>
              )}
              {effect.number > 0 && (
                <>
                  {effect.units > 0 && (
                    <Button
                      label="Takes those in hand that it moves"
                      onClick={() => void runLines([`all where uses ${named}`])}
                    >
                      Users
                    </Button>
                  )}
                  <Button kind="danger" onClick={() => void runLines([`delete ${named}`])}>
                    Delete
                  </Button>
                </>
              )}
            </span>
          </div>
          <div className="flex min-h-0 flex-1 items-center justify-center p-2">
            {m?.kind === 'wave' && <EffectCurve effect={effect} movement={m} at={at} />}
            {m?.kind === 'shape' && <EffectPath effect={effect} movement={m} at={at} />}
            {m?.kind === 'run' && <EffectBand effect={effect} movement={m} at={at} />}
          </div>
          {effect.movements.length > 1 && (
            <p className="border-t border-line px-3 py-1 text-[12px] text-ink-2">
              At once:{' '}
              {effect.movements
                .slice(1)
                .map((o) => o.words)
                .join('; ')}
            </p>
          )}
          {effect.looks.length > 0 && (
            <p className="border-t border-line px-3 py-1 text-[12px] text-ink-2">
              In {effect.looks.join(', ')}
              {effect.moreLooks > 0 && ` and ${effect.moreLooks} more`}: what is changed here changes there.
            </p>
          )}
        </section>
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
          <Stage />
        </div>
      </div>
      {m && <EffectPanels effect={effect} movement={m} />}
      <p className="text-[12px] text-ink-2">
        Each dot is a step at its place in the round. Drag the circles for the ends, the square for the
        middle, a dot along the curve to shift them all.
      </p>
    </>
  );
}
