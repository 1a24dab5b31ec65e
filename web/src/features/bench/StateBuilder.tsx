import { Plus, X } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import { edit, type How } from '../../api/commands';
import { useEffects, useGroups, usePalettes, usePatch } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { foresee } from '../../stage/stage-state';
import { Button } from '../../ui/Button';
import { asked, KINDS, useBuilder, type Condition } from './builder';
import { useEditReading } from '../../doing/useLineReading';
import { Choice, type Option } from '../../ui/Choice';
import { Swatch } from '../../ui/Swatch';

const bold =
  'min-h-7 max-w-36 rounded border border-line-strong bg-paper px-1 font-semibold text-petrol focus-visible:outline-2 focus-visible:outline-petrol';

/** A sentence that says who is meant; its words are pressed and changed, the count and the plan follow. */
export function StateBuilder() {
  const builder = useBuilder();
  const words = asked(builder);
  const reading = useEditReading(words ? { type: 'choose', words, how: 'hold' } : null);
  const units = reading.outcome?.units;
  useEffect(() => {
    foresee(units ?? null);
    return () => foresee(null);
  }, [units]);
  const set = (conditions: Condition[]) => useBuilder.setState({ conditions });
  const change = (at: number, part: Partial<Condition>) =>
    set(builder.conditions.map((c, i) => (i === at ? { ...c, ...part } : c)));
  const close = () => useBuilder.setState({ open: false });
  const take = (how: How) => void attempt(() => edit({ type: 'choose', words, how }));
  const light = reading.outcome?.words[1];
  const select = useRef<HTMLSpanElement>(null);
  // Opened by its key the next press selects; the words of the sentence are before it.
  useEffect(() => {
    if (useBuilder.getState().byKey) select.current?.querySelector('button')?.focus();
  }, []);
  return (
    <section
      data-part
      aria-label="Find…"
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line px-3 py-1.5"
      onKeyDown={(e) => {
        if (e.key === 'Escape') close();
        else if (e.key === 'Enter' && words && e.target instanceof HTMLInputElement) take('hold');
        else return;
        e.preventDefault();
        e.stopPropagation();
      }}
    >
      <span>Of</span>
      <Choice
        label="Which fixtures are asked"
        shape="word"
        value={builder.of}
        options={[
          { value: 'all', text: 'all fixtures' },
          { value: 'hand', text: 'those selected' },
        ]}
        onChange={(of) => useBuilder.setState({ of })}
      />
      <span>find</span>
      {builder.conditions.map((c, i) => (
        <span key={i} className="flex items-center gap-1">
          {i > 0 && (
            <Choice
              label="And, or"
              shape="word"
              value={builder.join}
              options={['and', 'or']}
              onChange={(join) => useBuilder.setState({ join })}
            />
          )}
          <Choice
            label={`Whether condition ${i + 1} holds`}
            shape="word"
            value={c.not ? 'not' : 'so'}
            options={[
              { value: 'so', text: 'that are' },
              { value: 'not', text: 'that are not' },
            ]}
            onChange={(way) => change(i, { not: way === 'not' })}
          />
          <Choice
            label={`Condition ${i + 1}`}
            shape="word"
            value={c.kind}
            options={KINDS.map((k) => ({ value: k.kind, text: k.words }))}
            onChange={(kind) => change(i, { kind, value: '' })}
          />
          <Value condition={c} at={i} onChange={(value) => change(i, { value })} />
          {builder.conditions.length > 1 && (
            <button
              aria-label={`Leave condition ${i + 1} out`}
              className="min-h-7 min-w-7 text-ink-2 hover:text-ink"
              onClick={() => set(builder.conditions.filter((_, j) => j !== i))}
            >
              <X size={14} />
            </button>
          )}
        </span>
      ))}
      <button
        aria-label="A further condition"
        title="A further condition"
        className="flex min-h-7 min-w-7 items-center justify-center rounded-md border border-line-strong hover:bg-sunk"
        onClick={() => set([...builder.conditions, { not: false, kind: 'group', value: '' }])}
      >
        <Plus size={14} />
      </button>
      <output aria-live="polite" className="min-w-0 flex-[1_1_110px] font-semibold text-petrol" title={light}>
        {reading.problems[0]?.words ??
          (reading.outcome
            ? `${units?.length ?? 0} ${units?.length === 1 ? 'unit' : 'units'}${light ? ` · ${light}` : ''}`
            : words
              ? ''
              : 'choose the missing word')}
      </output>
      <span ref={select}>
        <Button kind="main" disabled={!words} onClick={() => take('hold')}>
          Select
        </Button>
      </span>
      <Button disabled={!words} onClick={() => take('add')}>
        Add
      </Button>
      <Button disabled={!words} onClick={() => take('less')}>
        Remove
      </Button>
      <button aria-label="Close" className="min-h-7 min-w-7 text-ink-2 hover:text-ink" onClick={close}>
        <X size={14} />
      </button>
    </section>
  );
}

/** The word that a condition still needs. */
function Value({
  condition,
  at,
  onChange,
}: {
  condition: Condition;
  at: number;
  onChange: (value: string) => void;
}) {
  const needs = KINDS.find((k) => k.kind === condition.kind)?.needs;
  const groups = useGroups(needs === 'group').data;
  const palettes = usePalettes(needs === 'palette').data;
  const effects = useEffects(needs === 'effect').data?.effects;
  const fixtures = usePatch(needs === 'text').data?.fixtures;
  const label = `Word of condition ${at + 1}`;
  const texts = useMemo(() => {
    const of = (f: NonNullable<typeof fixtures>[number]) =>
      condition.kind === 'type'
        ? [f.profile]
        : condition.kind === 'position'
          ? [f.position]
          : condition.kind === 'purpose'
            ? [f.purpose]
            : f.claims.map((c) => String(c.universe));
    return [...new Set((fixtures ?? []).flatMap(of))].filter(Boolean);
  }, [fixtures, condition.kind]);
  if (!needs) return null;
  if (needs === 'level')
    return (
      <input
        aria-label={label}
        placeholder="40 or 40-60"
        className={`mono w-24 ${bold}`}
        value={condition.value}
        onChange={(e) => onChange(e.target.value)}
      />
    );
  const options: Option[] =
    needs === 'group'
      ? (groups ?? []).map((g) => ({ value: String(g.number), text: `${g.number} ${g.name}` }))
      : needs === 'effect'
        ? (effects ?? []).map((e) => ({ value: String(e.number), text: `${e.number} ${e.name}` }))
        : needs === 'palette'
          ? (palettes ?? []).map((p) => ({
              value: `${p.kind} ${p.number}`,
              text: `${p.kind} ${p.number} ${p.name}`,
              face: <Swatch colours={p.face.colours} />,
            }))
          : texts.map((t) => ({ value: t, text: t }));
  return (
    <Choice
      label={label}
      shape="word"
      className="max-w-56"
      value={condition.value}
      options={options}
      onChange={onChange}
    />
  );
}
