import { useState } from 'react';
import { useNavigate } from 'react-router';
import { createShow, openShow } from '../../api/commands';
import { useCurrentShow } from '../../api/current-show';
import { queryClient, useOutput, useShow, useShows } from '../../api/queries';
import { attempt } from '../../app/notices';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Stage } from '../../stage/Stage';

export function ShowPage() {
  const shows = useShows().data ?? [];
  const show = useShow().data;
  const current = useCurrentShow((s) => s.id);
  const [name, setName] = useState('');
  const navigate = useNavigate();
  const create = async () => {
    const created = await attempt(() => createShow(name));
    if (!created) return;
    await queryClient.invalidateQueries({ queryKey: ['shows'] });
    setName('');
    void navigate('/patch');
  };
  const open = (id: number) =>
    void attempt(() => openShow(id)).then(() => queryClient.invalidateQueries({ queryKey: ['shows'] }));
  return (
    <div className="flex min-h-0 flex-1 gap-3 p-3">
      <div className="min-h-0 min-w-0 flex-1 space-y-4 overflow-auto pr-1">
        <h1 className="font-serif text-[22px] font-semibold">Show</h1>
        <form
          className="flex max-w-xl gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            void create();
          }}
        >
          <input
            aria-label="Name of a new show"
            placeholder={shows.length === 0 ? 'name your first show' : 'name of a new show'}
            className={`${inputShape} !font-sans`}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <Button kind="main" type="submit" disabled={!name.trim()}>
            Start an empty show
          </Button>
        </form>
        <table className="w-full max-w-3xl rounded-lg border border-line-strong bg-sheet text-left">
          <thead>
            <tr>
              {['Show', 'Revision', 'Last change', ''].map((h) => (
                <th key={h} className="caps px-3 py-1.5">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shows.map((s) => (
              <tr key={s.id} className={`border-t border-line ${s.id === current ? 'bg-petrol-soft' : ''}`}>
                <td className="max-w-72 truncate px-3 font-serif text-[15px] font-semibold" title={s.name}>
                  {s.name}
                </td>
                <td className="mono px-3">
                  {s.id === current ? (show?.revision ?? s.revision) : s.revision}
                </td>
                <td className="mono px-3">{new Date(s.changedAt).toLocaleString()}</td>
                <td className="px-3 py-1 text-right">
                  {s.id === current ? (
                    <b className="text-petrol">▸ live: drives the output</b>
                  ) : (
                    <Button onClick={() => open(s.id)}>Open</Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {shows.length === 0 && (
          <p className="text-ink-2">
            A show holds the patch, groups and palettes. Give it a name and press Enter.
          </p>
        )}
        <Output />
        <p className="max-w-xl text-ink-2">
          Every edit is on disk before it is answered; undo goes back through all of them, also after a
          restart.
        </p>
      </div>
      {current !== null && <Stage />}
    </div>
  );
}

function Output() {
  const output = useOutput().data;
  if (!output) return null;
  return (
    <dl className="grid max-w-xl grid-cols-[auto_1fr] gap-x-4 gap-y-1 rounded-lg border border-line-strong bg-sheet p-3">
      <dt className="caps">Output</dt>
      <dd>
        {output.universes} universes as E1.31 to {output.receivers}{' '}
        {output.receivers === 1 ? 'receiver' : 'receivers'}, <span className="mono">{output.packets}</span>{' '}
        packets so far
      </dd>
      <dt className="caps">Virtual rig</dt>
      <dd>
        listens on <span className="mono">127.0.0.1:{output.rigPort}</span>
        {output.rigOnOtherPort && (
          <span className="text-ochre"> — the port it was asked for is taken by another program</span>
        )}
      </dd>
      {output.trouble && (
        <>
          <dt className="caps">Wrong</dt>
          <dd className="text-madder">{output.trouble}</dd>
        </>
      )}
    </dl>
  );
}
