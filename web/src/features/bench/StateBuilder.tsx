import { Plus, X } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { edit, type How } from '../../api/commands';
import { useGroups, usePalettes, usePatch } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { foresee } from '../../stage/stage-state';
import { Button } from '../../ui/Button';
import { asked, KINDS, useBuilder, type Condition } from './builder';
import { useEditReading } from '../../doing/useLineReading';

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
  return (
    <section
      aria-label="Those who…"
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line px-3 py-1.5"
      onKeyDown={(e) => {
        if (e.key === 'Escape') close();
        else if (e.key === 'Enter' && words && e.target instanceof HTMLInputElement) take('hold');
        else return;
        e.preventDefault();
        e.stopPropagation();
      }}
    >
      <span>Those of</span>
      <select
        aria-label="Who is asked"
        className={bold}
        value={builder.of}
        onChange={(e) => useBuilder.setState({ of: e.target.value as 'all' | 'hand' })}
      >
        <option value="all">all</option>
        <option value="hand">those in hand</option>
      </select>
      <span>who</span>
      {builder.conditions.map((c, i) => (
        <span key={i} className="flex items-center gap-1">
          {i > 0 && (
            <select
              aria-label="And, or"
              className={bold}
              value={builder.join}
              onChange={(e) => useBuilder.setState({ join: e.target.value as 'and' | 'or' })}
            >
              <option value="and">and</option>
              <option value="or">or</option>
            </select>
          )}
          <select
            aria-label={`Whether condition ${i + 1} holds`}
            className={bold}
            value={c.not ? 'not' : ''}
            onChange={(e) => change(i, { not: e.target.value === 'not' })}
          >
            <option value="">are</option>
            <option value="not">are not</option>
          </select>
          <select
            aria-label={`Condition ${i + 1}`}
            className={bold}
            value={c.kind}
            onChange={(e) => change(i, { kind: e.target.value, value: '' })}
          >
            {KINDS.map((k) => (
              <option key={k.kind} value={k.kind}>
                {k.words}
              </option>
            ))}
          </select>
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
      <output
        aria-live="polite"
        className="min-w-0 flex-[1_1_110px] truncate font-semibold text-petrol"
        title={light}
      >
        {reading.problems[0]?.words ??
          (reading.outcome
            ? `${units?.length ?? 0} ${units?.length === 1 ? 'unit' : 'units'}${light ? ` · ${light}` : ''}`
            : words
              ? ''
              : 'choose the missing word')}
      </output>
      <Button kind="main" disabled={!words} onClick={() => take('hold')}>
        Hold
      </Button>
      <Button disabled={!words} onClick={() => take('add')}>
        Add
      </Button>
      <Button disabled={!words} onClick={() => take('less')}>
        Less
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
  const options: [string, string][] =
    needs === 'group'
      ? (groups ?? []).map((g) => [String(g.number), `${g.number} ${g.name}`])
      : needs === 'palette'
        ? (palettes ?? []).map((p) => [`${p.kind} ${p.number}`, `${p.kind} ${p.number} ${p.name}`])
        : texts.map((t) => [t, t]);
  return (
    <select
      aria-label={label}
      className={bold}
      value={condition.value}
      onChange={(e) => onChange(e.target.value)}
    >
      <option value="">choose…</option>
      {options.map(([value, text]) => (
        <option key={value} value={value}>
          {text}
        </option>
      ))}
    </select>
  );
}
