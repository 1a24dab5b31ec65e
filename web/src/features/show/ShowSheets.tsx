import { Plus } from 'lucide-react';
import { useState } from 'react';
import { archiveShow, createShow, openShow, saveAsTemplate, saveReadable } from '../../api/commands';
import type { ListedShow } from '../../api/client';
import { queryClient, useShow } from '../../api/queries';
import { attempt, useNotice } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { MenuButton } from '../../ui/MenuButton';
import { Modal } from '../../ui/Modal';
import { when } from './when';

const again = () => queryClient.invalidateQueries({ queryKey: ['shows'] });

interface Copying {
  id: number;
  as: 'copy' | 'template';
  name: string;
}

interface Props {
  shows: ListedShow[];
  current: number | null;
  ask: (words: string, go: () => void) => void;
  onNew: () => void;
}

/** Shows and templates as sheets with their plan: press one to open it. */
export function ShowSheets({ shows, current, ask, onNew }: Props) {
  const [copying, setCopying] = useState<Copying | null>(null);
  const [archived, setArchived] = useState(false);
  const away = shows.filter((s) => s.archived).length;
  return (
    <section aria-label="Shows" className="space-y-2">
      <div className="flex items-center gap-2">
        <h2 className="font-serif text-[17px] font-semibold">Shows</h2>
        {away > 0 && (
          <Button pressed={archived} onClick={() => setArchived(!archived)}>
            {archived ? 'Hide' : 'Show'} {away} archived
          </Button>
        )}
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(176px,1fr))] gap-3">
        {shows
          .filter((s) => archived || !s.archived)
          .map((s) => (
            <Sheet key={s.id} show={s} open={s.id === current} ask={ask} onCopy={setCopying} />
          ))}
        <li>
          <button
            onClick={onNew}
            className="flex h-full min-h-40 w-full flex-col overflow-hidden rounded-lg border border-dashed border-line-strong bg-sheet text-left hover:border-petrol"
          >
            <span className="flex h-[88px] w-full items-center justify-center bg-sunk text-petrol">
              <Plus size={26} aria-hidden />
            </span>
            <span className="p-2.5">
              <span className="block font-serif text-[15px] font-semibold">New show</span>
              <span className="block text-[12px] text-ink-2">empty, paperwork, dimmers, template</span>
            </span>
          </button>
        </li>
      </ul>
      {copying && (
        <CopyForm copying={copying} ask={ask} onDone={() => setCopying(null)} onChange={setCopying} />
      )}
    </section>
  );
}

interface SheetProps {
  show: ListedShow;
  /** Whether it is the one that is open. */
  open: boolean;
  ask: Props['ask'];
  onCopy: (copying: Copying) => void;
}

function Sheet({ show: s, open, ask, onCopy }: SheetProps) {
  const readable = async () => {
    const missing = await attempt(() => saveReadable(s.id));
    await again();
    if (missing) useNotice.setState({ notice: { words: missing.join(' '), problems: [] } });
  };
  const go = () => ask(`“${s.name}” is opened`, () => void attempt(() => openShow(s.id)).then(again));
  // The list is told of other shows now and then; the open one is known as it is.
  const now = useShow().data;
  const revision = open && now ? now.revision : s.revision;
  const facts = s.template ? 'template' : s.archived ? 'archived' : `rev ${revision}`;
  return (
    <li
      data-show={s.name}
      className={`flex flex-col overflow-hidden rounded-lg border bg-sheet ${open ? 'border-2 border-petrol' : 'border-line-strong'} ${s.archived ? 'opacity-75' : ''}`}
    >
      <button
        aria-current={open || undefined}
        disabled={s.template || s.damage !== ''}
        title={
          open ? `${s.name} is open` : s.template ? `${s.name}: start a new show with it` : `Open ${s.name}`
        }
        onClick={() => !open && go()}
        className="flex-1 text-left not-disabled:hover:bg-sunk"
      >
        <img
          src={`/api/shows/${s.id}/plan.svg?at=${revision}`}
          alt=""
          className="h-[88px] w-full bg-stage object-cover"
        />
        <span className="block p-2.5 pb-1">
          <span className="block truncate font-serif text-[15px] font-semibold">{s.name}</span>
          <span className="block text-[12px] text-ink-2">
            {facts} · {when(s.changedAt)}
          </span>
          {s.live && <span className="block text-[12px] text-petrol">drives the output</span>}
          {s.damage && <span className="block text-[12px] text-madder">{s.damage}</span>}
        </span>
      </button>
      <span className="flex flex-wrap items-center gap-1 p-2.5 pt-0">
        {s.damage && <Button onClick={() => void readable()}>Keep what can be read</Button>}
        <MenuButton
          label={`What to do with ${s.name}`}
          entries={[
            {
              text: 'Duplicate…',
              under: 'a show of its own with all of it',
              onPress: () => onCopy({ id: s.id, as: 'copy', name: `${s.name} copy` }),
            },
            {
              text: 'Save as template…',
              under: 'new shows can start with it',
              onPress: () => onCopy({ id: s.id, as: 'template', name: `${s.name} template` }),
            },
            { text: 'Save as file', under: 'to keep or to hand over', href: `/api/shows/${s.id}/file` },
            ...(open
              ? []
              : [
                  {
                    text: s.archived ? 'Take out of the archive' : 'Archive',
                    under: s.archived ? 'it stands here again' : 'out of the way, nothing is lost',
                    onPress: () => void attempt(() => archiveShow(s.id, !s.archived)).then(again),
                  },
                ]),
          ]}
        >
          <span className="sr-only">What to do with {s.name}</span>…
        </MenuButton>
      </span>
    </li>
  );
}

interface CopyProps {
  copying: Copying;
  ask: Props['ask'];
  onDone: () => void;
  onChange: (copying: Copying) => void;
}

function CopyForm({ copying, ask, onDone, onChange }: CopyProps) {
  const { id, as, name } = copying;
  const copied = async () => {
    const done = await attempt<unknown>(() =>
      as === 'copy' ? createShow(name, id) : saveAsTemplate(id, name),
    );
    if (done) onDone();
    await again();
  };
  return (
    <Modal open title={as === 'copy' ? 'Duplicate the show' : 'Save as a template'} onClose={onDone}>
      <form
        className="flex items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (as === 'template') void copied();
          else {
            onDone();
            ask(`“${name}” starts`, () => void copied());
          }
        }}
      >
        <input
          autoFocus
          aria-label="Name of the copy"
          className={`${inputShape} !font-sans`}
          value={name}
          onFocus={(e) => e.target.select()}
          onChange={(e) => onChange({ ...copying, name: e.target.value })}
        />
        <Button kind="main" type="submit" disabled={!name.trim()}>
          {as === 'copy' ? 'Duplicate and open' : 'Save the template'}
        </Button>
      </form>
    </Modal>
  );
}
