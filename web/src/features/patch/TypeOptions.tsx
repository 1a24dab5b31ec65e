import { useProfiles } from '../../api/queries';

/** Every profile with its modes, as options of a select; the value is what the line calls it. */
export function TypeOptions() {
  const profiles = useProfiles().data ?? [];
  return profiles.map((p) => (
    <optgroup key={p.id} label={`${p.maker} · ${p.name}`}>
      {p.modes.map((m) => (
        <option key={m.name} value={`${p.maker} ${p.name} / ${m.name}`}>
          {p.name} · {m.name} ({m.slots})
        </option>
      ))}
    </optgroup>
  ));
}
