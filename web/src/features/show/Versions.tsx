import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { compareVersions, deleteVersion, restoreVersion, saveVersion } from '../../api/commands';
import { useCurrentShow } from '../../api/current-show';
import { queryClient, useShow, useVersions } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { useKept } from '../../doing/kept';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { chosenTwo, NOW, type Dot } from './version-line';
import { when } from './when';

/** Named versions along a line, the show as it is now at its end: one to restore it, two to compare them in words. */
export function Versions() {
  const versions = useVersions().data ?? [];
  const show = useCurrentShow((s) => s.id);
  const revision = useShow().data?.revision;
  const [name, setName] = useKept('version name', '');
  const [pressed, setPressed] = useState<number[]>([]);
  const dots: Dot[] = [
    ...[...versions].reverse().map((v) => ({ ...v, words: `rev ${v.revision} · ${v.fixtures} fixtures` })),
    { id: NOW, name: 'now', madeAt: '', words: `rev ${revision ?? ''}`, inFile: true },
  ];
  const { older, newer } = chosenTwo(
    dots.map((d) => d.id),
    pressed,
  );
  const one = versions.find((v) => v.id === older);
  const words = useQuery({
    queryKey: ['versions', show, older, newer, newer === NOW ? revision : 0],
    queryFn: () => compareVersions(older!, newer),
    enabled: older !== null,
  });
  const again = () => queryClient.invalidateQueries({ queryKey: ['show', show, 'versions'] });
  const save = useOnce(async () => {
    const done = await attempt(() => saveVersion(name));
    if (done) setName('');
    await again();
  });
  const restore = async (id: number) => {
    const done = await attempt(() => restoreVersion(id));
    if (done) useLine.getState().set({ done: done.reading || 'Nothing changes', problems: [] });
  };
  const named = (id: number) => dots.find((d) => d.id === id)?.name ?? '';
  return (
    <section aria-label="Versions" className="rounded-lg border border-line-strong bg-sheet px-3 py-2">
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <h2 className="font-serif text-[17px] font-semibold">Versions</h2>
        <span className="flex-1 text-[12px] text-ink-2">
          {versions.length > 0 && 'press one to see what has changed since, two to compare them'}
        </span>
        <input
          aria-label="Name of a version"
          placeholder="After patch"
          className={`${inputShape} !w-52 !font-sans`}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" disabled={!name.trim()}>
          Keep this version
        </Button>
      </form>
      {versions.length === 0 && (
        <p className="pt-1 text-ink-2">
          No version is kept yet. Keep one before you change much; you can go back to it.
        </p>
      )}
      <ol hidden={versions.length === 0} className="relative mt-1 flex overflow-x-auto pb-1">
        <span aria-hidden="true" className="absolute inset-x-2 top-[15px] h-0.5 bg-line-strong" />
        {dots.map((d) => {
          const on = d.id === older || (older !== null && d.id === newer);
          return (
            <li key={d.id} className="min-w-28 flex-1 text-center">
              <button
                aria-pressed={on}
                title={d.inFile ? d.words : `${d.words}. The show file would become too large with it.`}
                className="group inline-flex max-w-40 flex-col items-center px-1"
                onClick={() =>
                  setPressed((now) =>
                    now.includes(d.id) ? now.filter((p) => p !== d.id) : [...now, d.id].slice(-2),
                  )
                }
              >
                <span
                  className={`relative my-2 h-4 w-4 rounded-full border-2 border-petrol ${d.id === NOW ? 'bg-petrol' : 'bg-sheet'} ${on ? 'outline-2 outline-offset-2 outline-petrol' : ''} group-hover:bg-petrol-soft`}
                />
                <span className="max-w-full truncate font-semibold" title={d.name}>
                  {d.name}
                </span>
                <span className="text-[12px] text-ink-2">
                  {d.madeAt ? when(d.madeAt) : d.words}
                  {!d.inFile && <span className="text-ochre"> · not in the file</span>}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      {one && (
        <div role="status" className="mt-1 space-y-1 border-t border-line pt-2">
          <p className="flex flex-wrap items-center gap-2">
            <span className="min-w-0 flex-1">
              From “{one.name}” to {newer === NOW ? 'the show as it is now' : `“${named(newer)}”`}
            </span>
            <Button onClick={() => void restore(one.id)}>Restore “{one.name}”</Button>
            <Button kind="danger" onClick={() => void attempt(() => deleteVersion(one.id)).then(again)}>
              Delete version
            </Button>
          </p>
          {words.data?.words.map((w) => (
            <p key={w}>{w}</p>
          ))}
          {words.data?.words.length === 0 && <p className="text-moss">● Nothing differs.</p>}
        </div>
      )}
    </section>
  );
}
