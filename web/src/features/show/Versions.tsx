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
import { when } from './when';

const NOW = 0;

/** Named versions of the show: keep one, compare two in words, make the show what one was. */
export function Versions() {
  const versions = useVersions().data ?? [];
  const show = useCurrentShow((s) => s.id);
  const revision = useShow().data?.revision;
  const [name, setName] = useKept('version name', '');
  const [from, setFrom] = useState<number | null>(null);
  const [to, setTo] = useState(NOW);
  const older = versions.some((v) => v.id === from) ? from : null;
  const words = useQuery({
    queryKey: ['versions', show, older, to, to === NOW ? revision : 0],
    queryFn: () => compareVersions(older!, to),
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
  return (
    <section aria-label="Versions" className="max-w-4xl space-y-2">
      <form
        className="flex items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <h2 className="font-serif text-[17px] font-semibold">Versions</h2>
        <input
          aria-label="Name of a version"
          placeholder="After patch"
          className={`${inputShape} !w-64 !font-sans`}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" disabled={!name.trim()}>
          Keep this version
        </Button>
      </form>
      {versions.length > 0 && (
        <table className="w-full rounded-lg border border-line-strong bg-sheet text-left">
          <tbody>
            {versions.map((v) => (
              <tr key={v.id} className="border-t border-line first:border-0">
                <td className="max-w-48 truncate px-3 font-semibold" title={v.name}>
                  {v.name}
                </td>
                <td className="mono px-3 whitespace-nowrap">{when(v.madeAt)}</td>
                <td className="px-3 whitespace-nowrap text-ink-2">
                  rev <span className="mono">{v.revision}</span> · {v.fixtures} fixtures
                  {!v.inFile && (
                    <span className="text-ochre" title="The show file would become too large with it">
                      {' '}
                      · not in the show file
                    </span>
                  )}
                </td>
                <td className="space-x-1 px-3 py-1 text-right whitespace-nowrap">
                  <Button pressed={from === v.id} onClick={() => setFrom(from === v.id ? null : v.id)}>
                    Compare
                  </Button>{' '}
                  <Button onClick={() => void restore(v.id)}>Restore</Button>{' '}
                  <Button onClick={() => void attempt(() => deleteVersion(v.id)).then(again)}>
                    Delete version
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {older !== null && (
        <div className="space-y-1 rounded-lg border border-line-strong bg-sheet p-3">
          <label className="flex items-center gap-2">
            From “{versions.find((v) => v.id === older)?.name}” to
            <select
              className={`${inputShape} !w-56 !font-sans`}
              value={to}
              onChange={(e) => setTo(Number(e.target.value))}
            >
              <option value={NOW}>the show as it is now</option>
              {versions
                .filter((v) => v.id !== older)
                .map((v) => (
                  <option key={v.id} value={v.id}>
                    {v.name}
                  </option>
                ))}
            </select>
          </label>
          {words.data?.words.map((w) => (
            <p key={w}>{w}</p>
          ))}
          {words.data?.words.length === 0 && <p className="text-moss">● Nothing differs.</p>}
        </div>
      )}
    </section>
  );
}
