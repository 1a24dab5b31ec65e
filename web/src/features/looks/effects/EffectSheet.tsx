import { useState } from 'react';
import type { EffectView } from '../../../api/client';
import { Stage } from '../../../stage/Stage';
import { Button } from '../../../ui/Button';
import { Segmented } from '../../../ui/Segmented';
import { runLines } from '../../../doing/run-lines';
import { EffectBand } from './EffectBand';
import { EffectCurve } from './EffectCurve';
import { EffectPanels } from './EffectPanels';
import { EffectPath } from './EffectPath';
import { NumberField } from './NumberField';
import { BEGINNINGS, called, editLine, OUT_OF_REACH, partWords, standingWords } from './effects-model';
import { Panes } from '../../../ui/Panes';

interface Props {
  effect: EffectView;
  /** when its turns were told */
  at: number;
  /** whether anyone is selected */
  held: boolean;
}

/** One effect: what it does drawn, with handles, and beside it the plan. */
export function EffectSheet({ effect, at, held }: Props) {
  const [rate, setRate] = useState('');
  const [size, setSize] = useState('');
  const [chosen, setPart] = useState(1);
  const several = effect.movements.length > 1;
  const part = Math.min(chosen, effect.movements.length);
  const m = effect.movements[part - 1];
  const edit = editLine(effect, several ? part : 0);
  const named = `effect ${effect.number}`;
  const overruled = `${rate ? ` rate ${rate}` : ''}${size ? ` size ${size}` : ''}`;
  const sheet = (
    <section
      aria-label={called(effect)}
      className="flex min-h-0 min-w-0 flex-1 flex-col rounded-lg border border-line-strong bg-sheet"
    >
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
        <h2 className="max-w-56 truncate font-serif text-[16px] font-semibold" title={effect.name}>
          {effect.number > 0 ? `${effect.number} ${effect.name}` : 'Running, not stored'}
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
                label="Moves the selection by it"
                onClick={() => void runLines([`${named}${overruled}`])}
              >
                Use
              </Button>
            </>
          )}
          {effect.units > 0 && held && effect.reached && (
            <Button
              label="Ends it on the selection; what it moved around stays"
              onClick={() => void runLines([effect.number > 0 ? `${named} off` : 'effects off'])}
            >
              End
            </Button>
          )}
          {effect.number > 0 && (
            <>
              {effect.units > 0 && (
                <Button
                  label="Selects those of the selection that it moves"
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
      {!effect.reached && (
        <p role="status" className="px-3 pt-1.5 text-[12px] text-ink-2">
          {OUT_OF_REACH}
        </p>
      )}
      {effect.reached && <Parts effect={effect} part={part} onPart={setPart} />}
      <div className="flex min-h-0 flex-1 items-center justify-center p-2" inert={!effect.reached}>
        {m?.kind === 'wave' && <EffectCurve effect={effect} movement={m} edit={edit} at={at} />}
        {m?.kind === 'shape' && <EffectPath effect={effect} movement={m} edit={edit} at={at} />}
        {m?.kind === 'run' && <EffectBand effect={effect} movement={m} edit={edit} at={at} />}
      </div>
      {effect.looks.length > 0 && (
        <p className="border-t border-line px-3 py-1 text-[12px] text-ink-2">
          In {effect.looks.join(', ')}
          {effect.moreLooks > 0 && ` and ${effect.moreLooks} more`}: what is changed here changes there.
        </p>
      )}
    </section>
  );
  return (
    <>
      <div className="flex min-h-[250px] flex-1 flex-col">
        <Panes
          of="effects"
          panes={[
            { id: 'sheet', called: 'the effect', usual: '65%', least: 360, children: sheet },
            { id: 'stage', called: 'the stage', usual: '35%', least: 200, children: <Stage /> },
          ]}
        />
      </div>
      <div inert={!effect.reached}>{m && <EffectPanels effect={effect} movement={m} edit={edit} />}</div>
      <p className="text-[12px] text-ink-2">
        Each dot is a step of the selection at its place in the cycle. Drag the circles for ends and size, the
        square for the middle, a dot to shift them all.
      </p>
    </>
  );
}

/** What it does at once: which of it is drawn, what else is added, and what is taken out. */
function Parts({
  effect,
  part,
  onPart,
}: {
  effect: EffectView;
  part: number;
  onPart: (part: number) => void;
}) {
  const several = effect.movements.length > 1;
  return (
    <div className="flex flex-wrap items-center gap-1.5 px-3 pt-1.5 text-[12px] text-ink-2">
      {several && (
        <>
          at once
          <Segmented
            label="Which of what it does at once is drawn"
            tight
            value={String(part)}
            onChange={(v) => onPart(Number(v))}
            options={effect.movements.map((m, i) => ({ value: String(i + 1), text: partWords(m) }))}
          />
          <Button
            label="It does the rest without this"
            onClick={() => void runLines([`${editLine(effect, part)} off`])}
          >
            Take out
          </Button>
        </>
      )}
      <span className="ml-auto">and</span>
      {BEGINNINGS.map((b) => (
        <Button
          key={b.text}
          label={`At the same time: ${b.what}`}
          onClick={async () => {
            if (await runLines([`${editLine(effect)} also ${b.what}`])) onPart(effect.movements.length + 1);
          }}
        >
          {b.text.toLowerCase()}
        </Button>
      ))}
    </div>
  );
}
