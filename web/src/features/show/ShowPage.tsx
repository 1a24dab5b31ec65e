import { useKept } from '../../doing/kept';
import { useOnce } from '../../doing/once';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  archiveShow,
  createShow,
  openShow,
  saveAsTemplate,
  saveReadable,
  takeInShow,
} from '../../api/commands';
import type { ListedShow } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { queryClient, useOutput, useShow, useShows, useStorage } from '../../api/queries';
import { attempt, useNotice } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { Stage } from '../../stage/Stage';
import { useTakingOver } from './TakingOver';
import { Versions } from './Versions';
import { size, when } from './when';

const again = () => queryClient.invalidateQueries({ queryKey: ['shows'] });

/** Shows to open and to begin, the versions of the one that is open, and its output. */
export function ShowPage() {
  const shows = useShows().data ?? [];
  const current = useCurrentShow((s) => s.id);
  const [away, setAway] = useState(false);
  const templates = shows.filter((s) => s.template);
  const listed = shows.filter((s) => !s.template && (away || !s.archived));
  const put = shows.filter((s) => !s.template && s.archived).length;
  return (
    <div className="flex min-h-0 flex-1 gap-3 p-3">
      <div className="min-h-0 min-w-0 flex-[2.2] space-y-4 overflow-auto pr-1">
        <h1 className="font-serif text-[22px] font-semibold">Show</h1>
        <Begin shows={shows} templates={templates} />
        {listed.length > 0 && <List shows={listed} current={current} />}
        {put > 0 && (
          <Button pressed={away} onClick={() => setAway(!away)}>
            {away ? 'Hide' : 'Show'} {put} archived
          </Button>
        )}
        {shows.length === 0 && (
          <p className="text-ink-2">
            A show holds the patch, groups and palettes. Give it a name and press Enter.
          </p>
        )}
        <HistoryEnds />
        {current !== null && <Versions />}
        {templates.length > 0 && <Templates templates={templates} />}
        <Output />
        <Kept />
      </div>
      {current !== null && <Stage />}
    </div>
  );
}

/** A new show: empty, from a template, with dimmers one to one, from paperwork, or from a file. */
function Begin({ shows, templates }: { shows: ListedShow[]; templates: ListedShow[] }) {
  const [name, setName] = useKept('new show name', '', false);
  const [from, setFrom] = useState('empty');
  const [dimmers, setDimmers] = useState('96');
  const navigate = useNavigate();
  const create = useOnce(async () => {
    const template = Number(from);
    const created = await attempt(() =>
      createShow(
        name,
        Number.isFinite(template) ? template : null,
        from === 'dimmers' ? Number(dimmers) || 0 : 0,
      ),
    );
    if (!created) return;
    await again();
    setName('');
    void navigate(from === 'paper' ? '/patch?bring' : '/patch');
  });
  const { ask, dialog } = useTakingOver(shows);
  const open = async (file: File) => {
    const made = await attempt(() => takeInShow(file));
    if (made) await again();
  };
  return (
    <form
      aria-label="A new show"
      className="flex max-w-3xl flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (name.trim()) ask(`“${name.trim()}” begins`, () => void create());
      }}
    >
      {dialog}
      <Field label="Name of a new show">
        <input
          aria-label="Name of a new show"
          placeholder={shows.length === 0 ? 'name your first show' : 'name of a new show'}
          className={`${inputShape} !w-56 !font-sans`}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </Field>
      <Field label="begins">
        <select
          className={`${inputShape} !w-48 !font-sans`}
          value={from}
          onChange={(e) => setFrom(e.target.value)}
        >
          <option value="empty">empty</option>
          <option value="dimmers">with dimmers one to one</option>
          <option value="paper">from paperwork</option>
          {templates.map((t) => (
            <option key={t.id} value={t.id}>
              from template {t.name}
            </option>
          ))}
        </select>
      </Field>
      {from === 'dimmers' && (
        <Field label="How many dimmers">
          <input
            className={`${inputShape} !w-20`}
            inputMode="numeric"
            value={dimmers}
            onChange={(e) => setDimmers(e.target.value)}
          />
        </Field>
      )}
      <Button kind="main" type="submit" disabled={!name.trim()}>
        Start
      </Button>
      <label className="inline-flex min-h-8 cursor-pointer items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold hover:bg-sunk">
        Open a file…
        <input
          type="file"
          accept=".loculus"
          aria-label="Show file"
          className="sr-only"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) ask(`${file.name} is opened`, () => void open(file));
          }}
        />
      </label>
    </form>
  );
}

function List({ shows, current }: { shows: ListedShow[]; current: number | null }) {
  const show = useShow().data;
  const [copying, setCopying] = useState<{ id: number; as: 'copy' | 'template'; name: string } | null>(null);
  const { ask, dialog } = useTakingOver(shows);
  const open = (s: ListedShow) =>
    ask(`“${s.name}” is opened`, () => void attempt(() => openShow(s.id)).then(again));
  const readable = async (id: number) => {
    const missing = await attempt(() => saveReadable(id));
    await again();
    if (missing) useNotice.setState({ notice: { words: missing.join(' '), problems: [] } });
  };
  const put = (s: ListedShow) => void attempt(() => archiveShow(s.id, !s.archived)).then(again);
  const copied = async () => {
    if (!copying) return;
    const { id, as, name } = copying;
    const done = await attempt<unknown>(() =>
      as === 'copy' ? createShow(name, id) : saveAsTemplate(id, name),
    );
    if (done) setCopying(null);
    await again();
  };
  const copy = () =>
    copying?.as === 'copy' ? ask(`“${copying.name}” begins`, () => void copied()) : void copied();
  return (
    <div className="max-w-4xl space-y-2">
      {dialog}
      <table className="w-full rounded-lg border border-line-strong bg-sheet text-left">
        <thead>
          <tr>
            {['Show', 'Revision', 'Last change', 'What to do with it'].map((h) => (
              <th key={h} className="caps px-3 py-1.5">
                <span className={h.startsWith('What') ? 'sr-only' : ''}>{h}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shows.map((s) => (
            <tr
              key={s.id}
              className={`border-t border-line ${s.id === current ? 'bg-petrol-soft' : ''} ${s.archived ? 'text-ink-label' : ''}`}
            >
              <td className="max-w-44 truncate px-3 font-serif text-[15px] font-semibold" title={s.name}>
                {s.id === current && <span className="text-petrol">▸ </span>}
                {s.name}
                {s.live && (
                  <span className="block font-sans text-[12px] font-normal text-petrol">
                    live: drives the output
                  </span>
                )}
                {s.damage && (
                  <span
                    className="block font-sans text-[12px] font-normal whitespace-normal text-madder"
                    title={s.damage}
                  >
                    {s.damage}
                  </span>
                )}
              </td>
              <td className="mono px-3">{s.id === current ? (show?.revision ?? s.revision) : s.revision}</td>
              <td className="mono px-3 whitespace-nowrap">{when(s.changedAt)}</td>
              <td className="px-3 py-1">
                <span className="flex flex-wrap justify-end gap-1">
                  {s.damage && <Button onClick={() => void readable(s.id)}>Keep what can be read</Button>}
                  {s.id !== current && !s.damage && <Button onClick={() => open(s)}>Open</Button>}
                  <Button onClick={() => setCopying({ id: s.id, as: 'copy', name: `${s.name} copy` })}>
                    Duplicate
                  </Button>
                  <Button
                    onClick={() => setCopying({ id: s.id, as: 'template', name: `${s.name} template` })}
                  >
                    As template
                  </Button>
                  <a
                    className="inline-flex min-h-7 items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold hover:bg-sunk"
                    href={`/api/shows/${s.id}/file`}
                    download
                  >
                    Save as file
                  </a>
                  {s.id !== current && (
                    <Button onClick={() => put(s)}>
                      {s.archived ? 'Take out of the archive' : 'Archive'}
                    </Button>
                  )}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {copying && (
        <form
          className="flex items-center gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            copy();
          }}
        >
          <span>{copying.as === 'copy' ? 'The copy is called' : 'The template is called'}</span>
          <input
            autoFocus
            aria-label="Name of the copy"
            className={`${inputShape} !w-64 !font-sans`}
            value={copying.name}
            onFocus={(e) => e.target.select()}
            onChange={(e) => setCopying({ ...copying, name: e.target.value })}
          />
          <Button kind="main" type="submit">
            {copying.as === 'copy' ? 'Duplicate and open' : 'Save the template'}
          </Button>
          <Button onClick={() => setCopying(null)}>Leave</Button>
        </form>
      )}
    </div>
  );
}

/** Said once the history was found to end before its beginning. */
function HistoryEnds() {
  const words = useShow().data?.historyEnds ?? '';
  return words ? <p className="max-w-4xl text-madder">{words}</p> : null;
}

function Templates({ templates }: { templates: ListedShow[] }) {
  return (
    <p className="text-ink-2">
      <span className="caps">Templates</span> {templates.map((t) => t.name).join(' · ')}
    </p>
  );
}

/** Where everything is kept, and the copies of it. */
function Kept() {
  const storage = useStorage().data;
  if (!storage) return null;
  return (
    <dl className="grid max-w-xl grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 rounded-lg border border-line-strong bg-sheet p-3">
      <dt className="caps">Kept</dt>
      <dd>
        {storage.trouble ? (
          <span className="text-madder">{storage.trouble}</span>
        ) : (
          'Every edit is on the disk before it is answered. Undo goes back through the last 1,000, also after a restart.'
        )}
      </dd>
      <dt className="caps">Where</dt>
      <dd className="min-w-0">
        <span className="mono block truncate" title={storage.folder}>
          {storage.folder}
        </span>
        {size(storage.octets)}, {size(storage.freeOctets)} free
      </dd>
      <dt className="caps">Copies</dt>
      <dd>
        {storage.copies.length === 0
          ? 'None yet; one is made at the next start, and daily.'
          : storage.copies.map((c) => (
              <span
                key={c.name}
                className="mono mr-3 inline-block whitespace-nowrap"
                title={`${c.name}, ${size(c.octets)}`}
              >
                {when(c.madeAt)}
              </span>
            ))}
        {storage.copies.length > 0 && (
          <span className="block text-[12px] text-ink-2">
            <span className="mono">./loculus restore --data {storage.folder}</span> takes the newest back.
          </span>
        )}
      </dd>
    </dl>
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
