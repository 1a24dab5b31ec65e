import type { PaletteView } from '../../api/client';

interface Only {
  positions: number[];
  marks: string[];
}

/** Which marks and positions follow; all of them as long as none is ticked. */
export function Choosing({
  marks,
  positions,
  only,
  onChange,
}: {
  marks: string[];
  positions: PaletteView[];
  only: Only;
  onChange: (only: Only) => void;
}) {
  const all = only.positions.length + only.marks.length === 0;
  const without = <T,>(list: T[], one: T) =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];
  if (marks.length + positions.length === 0)
    return <p className="text-[12px] text-ink-2">There are no marks and no positions yet.</p>;
  return (
    <fieldset className="text-[12px]">
      <legend className="caps pb-1">{all ? 'All marks and positions follow' : 'Only these follow'}</legend>
      <div className="flex max-h-28 flex-wrap gap-1 overflow-auto">
        {marks.map((name) => (
          <Tick
            key={name}
            on={only.marks.includes(name)}
            onPress={() => onChange({ ...only, marks: without(only.marks, name) })}
          >
            ▲ {name}
          </Tick>
        ))}
        {positions.map((p) => (
          <Tick
            key={p.number}
            on={only.positions.includes(p.number)}
            onPress={() => onChange({ ...only, positions: without(only.positions, p.number) })}
          >
            <span className="mono">{p.number}</span> {p.name}
          </Tick>
        ))}
      </div>
    </fieldset>
  );
}

function Tick({ on, onPress, children }: { on: boolean; onPress: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={on}
      className={`min-h-7 max-w-48 truncate rounded-md border px-2 ${on ? 'border-petrol bg-petrol-soft font-bold' : 'border-line-strong'}`}
      onClick={onPress}
    >
      {children}
    </button>
  );
}
