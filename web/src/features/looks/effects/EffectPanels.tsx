import type { EffectView, MovementView } from '../../../api/client';
import { useMarks } from '../../../api/queries';
import { quoted } from '../../../doing/run';
import { Button } from '../../../ui/Button';
import { Segmented } from '../../../ui/Segmented';
import { runLines } from '../../../doing/run-lines';
import { ALONG, alongOf, endsLine } from './effects-model';
import { NumberField } from './NumberField';
import { Choice } from '../../../ui/Choice';

const WAVES = ['sine', 'triangle', 'ramp', 'fall', 'square', 'random'];
const FIGURES = ['circle', 'eight', 'line', 'square'];

const options = (words: string[]) => words.map((value) => ({ value, text: value }));

interface Props {
  effect: EffectView;
  movement: MovementView;
  /** how the line changes what is drawn */
  edit: string;
}

function Panel({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="min-w-0 flex-1 rounded-lg border border-line-strong bg-sheet px-3 py-2">
      <h3 className="pb-1 text-[11px] tracking-widest text-ink-label uppercase">{title}</h3>
      <div className="flex flex-wrap items-center gap-1.5">{children}</div>
    </section>
  );
}

/** What an effect moves, its form, and how it runs along the selection: pressed or typed, each a line. */
export function EffectPanels({ effect, movement: m, edit }: Props) {
  const marks = useMarks().data ?? [];
  const set = (what: string) => void runLines([`${edit} ${what}`]);
  const { along } = effect;
  return (
    <div data-part className="flex flex-wrap gap-2">
      <Panel title="What moves">
        <span className="w-full text-[13px]">{m.words}</span>
        <NumberField label="cycles a minute" value={effect.rate} onSet={(v) => set(`rate ${v}`)} />
        {m.kind === 'wave' && m.palettes.length === 0 && (
          <Segmented
            label="What it goes around"
            tight
            value={m.between ? 'between' : 'around'}
            onChange={(way) => {
              const line = way === 'around' ? `${m.form} of ${m.word} size ${m.size ?? 50}` : '';
              set(line || `${endsLine(m, 50 - (m.size ?? 60) / 2, 50 + (m.size ?? 60) / 2)}`);
            }}
            options={[
              { value: 'between', text: 'between' },
              { value: 'around', text: 'relative to the level below' },
            ]}
          />
        )}
        {m.low != null && m.high != null && (
          <>
            <NumberField
              label="from"
              value={m.low}
              unit={m.unit}
              onSet={(v) => set(endsLine(m, Number(v), m.high!))}
            />
            <NumberField
              label="to"
              value={m.high}
              unit={m.unit}
              onSet={(v) => set(endsLine(m, m.low!, Number(v)))}
            />
          </>
        )}
        {m.size != null && (!m.between || m.kind === 'shape') && (
          <NumberField label="size" value={m.size} unit={m.unit} onSet={(v) => set(`size ${v}`)} />
        )}
        {m.kind === 'run' && (
          <NumberField label="crossfade" value={m.crossfade} unit="%" onSet={(v) => set(`crossfade ${v}`)} />
        )}
        {m.kind === 'shape' && (
          <label className="flex items-center gap-1 text-[12px] text-ink-2">
            around
            <Choice
              label="What it goes around"
              value={m.mark ? `mark ${m.mark}` : 'below'}
              options={[
                { value: 'below', text: 'what is below' },
                ...marks.map((k) => ({ value: `mark ${k.name}`, text: k.name })),
              ]}
              onChange={(to) =>
                set(
                  to === 'below'
                    ? 'around off size 20'
                    : `around mark ${quoted(to.slice('mark '.length))} size 2`,
                )
              }
            />
          </label>
        )}
      </Panel>
      {m.kind !== 'run' && (
        <Panel title="Shape">
          <Segmented
            label="Its form"
            tight
            value={m.form}
            onChange={(form) => set(form)}
            options={options(m.kind === 'wave' ? WAVES : FIGURES)}
          />
          {m.form === 'square' && m.kind === 'wave' && (
            <NumberField label="duty" value={m.duty} unit="%" onSet={(v) => set(`duty ${v}`)} />
          )}
          {m.form === 'random' && <NumberField label="seed" value={m.seed} onSet={(v) => set(`seed ${v}`)} />}
          {m.kind === 'shape' && (
            <NumberField label="turned by" value={m.turned} unit="°" onSet={(v) => set(`turned ${v}`)} />
          )}
        </Panel>
      )}
      <Panel title="Along the selection">
        <Segmented
          label="Offsets along the steps"
          wraps
          tight
          value={alongOf(effect)}
          onChange={(key) => {
            const way = ALONG.find((a) => a.key === key);
            if (way) set(way.line);
          }}
          options={ALONG.map((a) => ({ value: a.key as string, text: a.text }))}
        />
        <NumberField label="blocks of" value={along.blocks} onSet={(v) => set(`blocks of ${v}`)} />
        <Button pressed={along.mirrored} onClick={() => set(`mirror ${along.mirrored ? 'off' : 'on'}`)}>
          Mirrored
        </Button>
        <Button pressed={along.backwards} onClick={() => set(`reverse ${along.backwards ? 'off' : 'on'}`)}>
          Backwards
        </Button>
        {alongOf(effect) === '' && <span className="text-[12px] text-ink-2">{along.words}</span>}
      </Panel>
    </div>
  );
}
