import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { showVersion, withdrawLink } from '../../api/commands';
import { queryClient, useShowings, useVersions } from '../../api/queries';
import { attempt } from '../../doing/notices';

const again = () => queryClient.invalidateQueries({ predicate: (q) => q.queryKey.includes('showings') });

/** Links by which somebody else reads a version on this machine, until they are withdrawn. */
export function LookersOn() {
  const links = useShowings().data ?? [];
  const versions = useVersions().data ?? [];
  const change = async (work: () => Promise<unknown>) => {
    if (await attempt(work)) void again();
  };
  return (
    <section
      aria-label="Let others read"
      className="space-y-1.5 rounded-lg border border-line-strong bg-sheet p-3"
    >
      <h2 className="font-serif text-[17px] font-semibold">Let others read</h2>
      {versions.length === 0 ? (
        <p className="text-[12px] text-ink-2">
          Save a version first (chapter Show); a link shows just that one, and changes nothing.
        </p>
      ) : (
        <Menu>
          <MenuButton className="min-h-7 rounded-md border border-line-strong bg-sheet px-2.5 font-semibold hover:bg-sunk">
            Link to a version…
          </MenuButton>
          <MenuItems
            anchor="bottom start"
            className="z-30 max-h-64 overflow-auto rounded-md border border-line-strong bg-sheet p-1 shadow-lg focus:outline-none"
          >
            {versions.map((v) => (
              <MenuItem key={v.id}>
                <button
                  type="button"
                  className="block w-full rounded px-2 py-1 text-left data-focus:bg-sunk"
                  onClick={() => void change(() => showVersion(v.id))}
                >
                  {v.name} <span className="text-[12px] text-ink-2">revision {v.revision}</span>
                </button>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
      )}
      <ul>
        {links.map((l) => (
          <li key={l.token} className="flex items-center gap-2 text-[12px]">
            <a
              className="min-w-0 flex-1 truncate text-petrol underline"
              href={`/showing/${l.token}`}
              target="_blank"
              rel="noreferrer"
            >
              {l.version || 'a version that is gone'}
            </a>
            <button
              type="button"
              className="min-h-7 text-ink-2 hover:underline"
              aria-label={`Withdraw the link to ${l.version}`}
              onClick={() => void change(() => withdrawLink(l.token))}
            >
              withdraw
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
