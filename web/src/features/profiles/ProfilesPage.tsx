import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { useProfile, useProfiles } from '../../api/queries';
import { inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';

type Summary = Schemas['ProfileSummary'];

function matches(p: Summary, find: string): boolean {
  const words = `${p.maker} ${p.name} ${p.modes.map((m) => `${m.name} ${m.slots}`).join(' ')}`.toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((w) => words.includes(w));
}

export function ProfilesPage() {
  const profiles = useProfiles().data ?? [];
  const [find, setFind] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = profiles
    .filter((p) => matches(p, find))
    .sort((a, b) => Number(b.inUse > 0) - Number(a.inUse > 0));
  const open = chosen ?? shown[0]?.id ?? null;
  return (
    <div className="flex min-h-0 flex-1 gap-3 p-3">
      <div className="flex min-h-0 w-72 shrink-0 flex-col gap-2">
        <h1 className="font-serif text-[22px] font-semibold">Profiles</h1>
        <input
          aria-label="Find profiles"
          placeholder="maker, model, mode, slots…"
          className={inputShape}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <ul className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet">
          {shown.map((p) => (
            <li key={p.id}>
              <button
                aria-pressed={p.id === open}
                onClick={() => setChosen(p.id)}
                className="flex min-h-11 w-full items-center gap-2 border-b border-line px-3 py-1 text-left aria-pressed:bg-petrol-soft"
              >
                <span className="min-w-0 flex-1">
                  <span className="block truncate font-semibold">{p.name}</span>
                  <span className="block truncate text-[12px] text-ink-label">
                    {p.maker} · {p.modes.map((m) => m.slots).join(', ')} slots
                  </span>
                </span>
                {p.inUse > 0 && <span className="mono text-[12px] text-moss">{p.inUse} in use</span>}
              </button>
            </li>
          ))}
          {shown.length === 0 && <li className="p-3 text-ink-2">No profile matches “{find}”.</li>}
        </ul>
      </div>
      <Detail id={open} />
    </div>
  );
}

function Detail({ id }: { id: string | null }) {
  const profile = useProfile(id).data;
  const [modeName, setModeName] = useState('');
  if (!profile) return <div className="flex-1" />;
  const mode = profile.modes.find((m) => m.name === modeName) ?? profile.modes[0]!;
  return (
    <article className="min-h-0 min-w-0 flex-1 space-y-3 overflow-auto rounded-lg border border-line-strong bg-sheet p-4">
      <div className="flex flex-wrap items-baseline gap-3">
        <h2 className="font-serif text-[20px] font-semibold">{profile.name}</h2>
        <span className="text-ink-2">{profile.maker}</span>
        <Segmented
          label="Mode"
          value={mode.name}
          onChange={setModeName}
          options={profile.modes.map((m) => ({ value: m.name, text: m.name, count: String(m.slots) }))}
        />
      </div>
      {mode.cells > 0 && (
        <p className="text-ink-2">
          {mode.cells} identical cells; each can be chosen on its own, as 601.1 to 601.{mode.cells}.
        </p>
      )}
      <div className="flex flex-wrap gap-4">
        {profile.emitters.length > 0 && (
          <div>
            <div className="caps pb-1">Emitters</div>
            <div className="flex flex-wrap gap-2">
              {profile.emitters.map((e) => (
                <span
                  key={e.label}
                  title={e.colour}
                  className="flex items-center gap-1.5 rounded-full border border-line px-2 py-0.5"
                >
                  <span className="h-3 w-3 rounded-full" style={{ background: e.swatch }} /> {e.label}
                </span>
              ))}
            </div>
          </div>
        )}
        {profile.wheels.map((w) => (
          <div key={w.name}>
            <div className="caps pb-1">Wheel {w.name}</div>
            <div className="flex flex-wrap gap-1.5">
              {w.slots.map((s) => (
                <span
                  key={s.number}
                  className="flex items-center gap-1 rounded border border-line px-1.5 py-0.5 text-[12px]"
                >
                  <span className="mono text-ink-label">{s.number}</span>
                  {s.swatch && (
                    <span
                      className="h-3 w-3 rounded-full border border-line"
                      style={{ background: s.swatch }}
                    />
                  )}{' '}
                  {s.name}
                </span>
              ))}
            </div>
          </div>
        ))}
      </div>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-line-strong">
            {['Slot', 'Cell', 'Attribute', 'Kind', 'Bits', 'Home', 'Physical', 'Ranges'].map((h) => (
              <th key={h} className="caps py-1 pr-3">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {mode.channels.map((c, i) => (
            <tr key={i} className="border-b border-line align-top">
              <td className="mono py-1 pr-3 font-bold whitespace-nowrap">
                {c.slots ? (
                  `${c.breakNumber > 1 ? `break ${c.breakNumber}: ` : ''}${c.slots}`
                ) : (
                  <span className="font-normal text-plum">virtual</span>
                )}
              </td>
              <td className="mono pr-3">{c.cell || ''}</td>
              <td className="pr-3" title={c.attribute}>
                {c.label}
                {c.needs && <span className="block text-[12px] text-ochre">needs {c.needs}</span>}
              </td>
              <td className="pr-3 text-ink-2">{c.kind}</td>
              <td className="mono pr-3">{c.bits}</td>
              <td className="mono pr-3">{c.home}</td>
              <td className="mono pr-3 whitespace-nowrap">{c.physical}</td>
              <td className="text-[12px] text-ink-2">{c.ranges.join(' · ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {profile.warnings.map((w) => (
        <p key={w} className="text-ochre">
          {w}
        </p>
      ))}
    </article>
  );
}
