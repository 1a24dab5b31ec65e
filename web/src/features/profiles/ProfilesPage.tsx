import { useCallback, useState } from 'react';
import { useSearchParams } from 'react-router';
import { takeInProfiles } from '../../api/commands';
import type { FileResult } from '../../api/client';
import { queryClient, useProfiles } from '../../api/queries';
import { useTakeDropped } from '../../doing/dropped';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { FileResults } from './FileResults';
import { ProfileBuilder } from './ProfileBuilder';
import { ProfileDetail } from './ProfileDetail';
import { browsed, matches, type Browse } from './profiles-model';

/** The library: search, browse by maker or family, bring files in, build what nobody has. */
export function ProfilesPage() {
  const [search, setSearch] = useSearchParams();
  const building = search.get('build');
  if (building !== null)
    return (
      <ProfileBuilder key={building} from={building} onClose={(id) => setSearch(id ? { profile: id } : {})} />
    );
  return (
    <Library
      chosen={search.get('profile')}
      onChoose={(id) => setSearch({ profile: id })}
      onBuild={(from) => setSearch({ build: from })}
    />
  );
}

interface LibraryProps {
  chosen: string | null;
  onChoose: (id: string) => void;
  onBuild: (from: string) => void;
}

function Library({ chosen, onChoose, onBuild }: LibraryProps) {
  const profiles = useProfiles().data ?? [];
  const [find, setFind] = useState('');
  const [browse, setBrowse] = useState<Browse>('use');
  const [results, setResults] = useState<FileResult[]>([]);
  const shown = profiles.filter((p) => matches(p, find));
  const groups = browsed(shown, browse);
  const first = groups[0]?.profiles[0]?.id ?? null;
  const open = profiles.some((p) => p.id === chosen) ? chosen : first;
  const takeIn = useCallback(
    async (files: File[]) => {
      if (files.length === 0) return;
      const taken = await attempt(() => takeInProfiles(files));
      if (!taken) return;
      setResults(taken);
      await queryClient.invalidateQueries({ queryKey: ['profiles'] });
      const landed = taken.find((t) => t.profile);
      if (landed) onChoose(landed.profile);
    },
    [onChoose],
  );
  useTakeDropped('/profiles', takeIn);
  return (
    <div className="flex min-h-0 flex-1 gap-3 p-3">
      <div className="flex min-h-0 w-80 shrink-0 flex-col gap-2">
        <div className="flex items-center gap-2">
          <h1 className="flex-1 font-serif text-[22px] font-semibold">Profiles</h1>
          <Button kind="main" onClick={() => onBuild('')}>
            Build one…
          </Button>
        </div>
        <input
          aria-label="Find profiles"
          placeholder="maker, model, mode, slots…"
          className={inputShape}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        <div>
          <Segmented<Browse>
            label="Browse by"
            value={browse}
            onChange={setBrowse}
            options={[
              { value: 'use', text: 'In use first' },
              { value: 'maker', text: 'By maker' },
              { value: 'family', text: 'By family' },
            ]}
          />
        </div>
        <div className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet">
          {groups.map((g) => (
            <section key={g.name} aria-label={g.name}>
              <h2 className="caps sticky top-0 border-b border-line bg-sunk px-3 py-1">{g.name}</h2>
              <ul>
                {g.profiles.map((p) => (
                  <li key={p.id}>
                    <button
                      aria-pressed={p.id === open}
                      onClick={() => onChoose(p.id)}
                      className="flex min-h-11 w-full items-center gap-2 border-b border-line px-3 py-1 text-left aria-pressed:bg-petrol-soft"
                    >
                      <span className="min-w-0 flex-1">
                        <span className="block truncate font-semibold" title={p.name}>
                          {p.name}
                        </span>
                        <span className="block truncate text-[12px] text-ink-label">
                          {p.maker} · {p.modes.map((m) => m.slots).join(', ')} slots
                        </span>
                      </span>
                      <span className="shrink-0 text-right text-[12px]">
                        {p.inUse > 0 && <span className="mono block text-moss">{p.inUse} in use</span>}
                        {p.differs.length > 0 && <span className="block text-ochre">▲ library differs</span>}
                        {p.origin !== 'shipped' && p.differs.length === 0 && (
                          <span className="block text-ink-label">{p.origin}</span>
                        )}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          ))}
          {shown.length === 0 && (
            <div className="space-y-2 p-3 text-ink-2">
              <p>No profile matches “{find}”.</p>
              <Button onClick={() => onBuild('')}>Build it from its slot chart</Button>
            </div>
          )}
        </div>
        <label className="block cursor-pointer rounded-md border border-dashed focus-within:outline-2 focus-within:outline-petrol border-line-strong px-3 py-2 text-[12px] text-ink-2">
          Drop .gdtf files anywhere here, or{' '}
          <span className="inline-flex min-h-7 items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold text-ink">
            choose files…
          </span>
          <input
            type="file"
            multiple
            accept=".gdtf"
            aria-label="Profile files"
            className="sr-only"
            onChange={(e) => {
              void takeIn([...(e.target.files ?? [])]);
              e.target.value = '';
            }}
          />
        </label>
      </div>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col gap-3">
        {results.length > 0 && <FileResults results={results} onClose={() => setResults([])} />}
        <ProfileDetail
          id={open}
          summary={profiles.find((p) => p.id === open)}
          onClone={(id) => onBuild(id)}
        />
      </div>
    </div>
  );
}
