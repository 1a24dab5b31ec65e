import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { demoHookup, hookup } from '../../api/commands';
import { RefusedError, type HookupView } from '../../api/client';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { useShow } from '../../api/queries';
import { useLine } from '../../app/line-store';

type Clashing = 'unpatched' | 'share' | 'move';

/** Takes a channel hookup in: shows what would land and what is wrong with each row, first. */
export function HookupDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [text, setText] = useState('');
  const [mapping, setMapping] = useState<Record<string, string>>({});
  const [clashing, setClashing] = useState<Clashing>('unpatched');
  const [refused, setRefused] = useState('');
  const revision = useShow().data?.revision;
  const preview = useQuery({
    queryKey: ['hookup', revision, text, mapping, clashing],
    queryFn: () => hookup({ text, mapping, clashing, preview: true }),
    enabled: open && text !== '',
    retry: false,
    placeholderData: (before) => before,
  });
  const view = text ? preview.data : undefined;
  const wrong = refused || (text && preview.error ? worded(preview.error) : '');
  const close = () => {
    setText('');
    setMapping({});
    setRefused('');
    onClose();
  };
  const takeIn = async () => {
    try {
      const answer = await hookup({ text, mapping, clashing, preview: false });
      useLine.getState().set({ done: `Took in ${answer.landing} fixtures from paperwork` });
      close();
    } catch (error) {
      setRefused(worded(error));
    }
  };
  return (
    <Modal open={open} title="Bring in a channel hookup" onClose={close} wide>
      {!text && <Choose onText={setText} />}
      {wrong && <p className="mb-2 text-madder">{wrong}</p>}
      {wrong && text && <Button onClick={() => setText('')}>Choose another file</Button>}
      {view && (
        <div className="space-y-3">
          <Headers
            view={view}
            mapping={Object.keys(mapping).length > 0}
            onMap={(header, field) => setMapping({ ...recognised(view), ...mapping, [header]: field })}
          />
          <div className="flex flex-wrap items-center gap-3">
            <span>Rows that run into others come in</span>
            <Segmented
              label="Clashing rows"
              value={clashing}
              onChange={setClashing}
              options={[
                { value: 'unpatched', text: 'without address' },
                { value: 'share', text: 'sharing' },
                { value: 'move', text: 'at the next gap' },
              ]}
            />
          </div>
          <Rows view={view} />
          <div className="flex items-center gap-3">
            <Button kind="main" disabled={view.landing === 0} onClick={() => void takeIn()}>
              Take in {view.landing} fixtures
            </Button>
            {view.left > 0 && (
              <span className="text-madder">
                {view.left === 1
                  ? '1 row cannot be right and is'
                  : `${view.left} rows cannot be right and are`}{' '}
                left out.
              </span>
            )}
          </div>
        </div>
      )}
    </Modal>
  );
}

function worded(error: unknown): string {
  if (!(error instanceof RefusedError)) return String(error);
  return (
    error.problems.map((p) => `${p.words} ${p.waysOut.map((w) => w.words).join(' ')}`).join(' ') ||
    error.message
  );
}

const recognised = (view: HookupView) => Object.fromEntries(view.headers.map((h) => [h.header, h.field]));

function Choose({ onText }: { onText: (text: string) => void }) {
  const read = async (file: File | undefined) => file && onText(await file.text());
  return (
    <div
      className="space-y-3"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void read(e.dataTransfer.files[0]);
      }}
    >
      <p className="text-ink-2">
        A spreadsheet saved as CSV, with headers such as number, name, profile, mode, address, position,
        purpose, in any order. Drop it here, choose it, or paste its rows.
      </p>
      <input
        type="file"
        accept=".csv,.txt,.tsv,text/csv"
        aria-label="Hookup file"
        onChange={(e) => void read(e.target.files?.[0])}
      />
      <textarea
        aria-label="Or paste rows"
        placeholder="or paste rows here"
        className="mono h-28 w-full rounded-md border border-line-strong bg-paper p-2"
        onChange={(e) => e.target.value.includes('\n') && onText(e.target.value)}
      />
      <Button onClick={() => void demoHookup().then(onText)}>
        Try it with the paperwork of The Glass Tide
      </Button>
    </div>
  );
}

interface HeadersProps {
  view: HookupView;
  /** Whether a person is mapping columns; the choices then stay in sight. */
  mapping: boolean;
  onMap: (header: string, field: string) => void;
}

function Headers({ view, mapping, onMap }: HeadersProps) {
  const unknown = view.headers.filter((h) => h.field === '');
  return (
    <details open={mapping || view.rows.length === 0}>
      <summary className="cursor-pointer">
        {view.headers.length - unknown.length} of {view.headers.length} columns recognised
        {unknown.length > 0 && (
          <span className="text-ochre"> · not taken in: {unknown.map((h) => h.header).join(', ')}</span>
        )}
      </summary>
      {view.rows.length === 0 && (
        <p className="pt-2 text-ochre">
          Say which columns hold the fixture number and the profile; the rest may be left out.
        </p>
      )}
      <div className="flex flex-wrap gap-2 pt-2">
        {view.headers.map((h) => (
          <label key={h.header} className="flex flex-col text-[12px]">
            <span className="max-w-36 truncate" title={h.sample}>
              <b>{h.header}</b> {h.sample && `“${h.sample}”`}
            </span>
            <select
              className="h-7 rounded border border-line-strong bg-sheet"
              value={h.field}
              onChange={(e) => onMap(h.header, e.target.value)}
            >
              <option value="">leave out</option>
              {view.fields.map((f) => (
                <option key={f} value={f}>
                  {f}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  );
}

function Rows({ view }: { view: HookupView }) {
  const rows = [...view.rows].sort((a, b) => b.problems.length - a.problems.length || a.line - b.line);
  return (
    <div className="max-h-[46vh] overflow-auto rounded-md border border-line">
      <table className="w-full text-left text-[12px]">
        <thead className="sticky top-0 bg-sunk">
          <tr>
            {['Line', 'No.', 'Name', 'Profile · mode', 'On paper', 'Lands at', 'What is wrong'].map((h) => (
              <th key={h} className="caps px-2 py-1">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, 400).map((r) => (
            <tr key={r.line} className={`border-t border-line ${r.lands ? '' : 'bg-madder-soft'}`}>
              <td className="mono px-2">{r.line}</td>
              <td className="mono px-2 font-bold">{r.number}</td>
              <td className="max-w-36 truncate px-2">{r.name}</td>
              <td className="max-w-44 truncate px-2">
                {r.profile} · {r.mode}
              </td>
              <td className="mono px-2">{r.address || '—'}</td>
              <td className="mono px-2 whitespace-nowrap">{r.lands ? r.landsAt : 'left out'}</td>
              <td className="px-2 py-0.5">
                {r.problems.map((p) => (
                  <span
                    key={p.words}
                    className={`block ${p.severity === 'refusal' ? 'text-madder' : 'text-ochre'}`}
                  >
                    {p.words} <span className="text-ink-2">{p.waysOut.map((w) => w.words).join(' ')}</span>
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > 400 && (
        <p className="p-2 text-ink-2">and {rows.length - 400} more rows without a problem shown</p>
      )}
    </div>
  );
}
