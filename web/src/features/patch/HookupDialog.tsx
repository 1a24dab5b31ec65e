import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { hookup, type Paper } from '../../api/commands';
import { RefusedError, type HookupView } from '../../api/client';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { useShow } from '../../api/queries';
import { useOnce } from '../../doing/once';
import { useLine } from '../../doing/line-store';
import { worded } from './Differences';
import { ChoosePaper } from './ChoosePaper';
import { Headers, recognised } from './Headers';

type Clashing = 'unpatched' | 'share' | 'move';

/** Takes a channel hookup in: shows what would land and what is wrong with each row, first. */
export function HookupDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [paper, setPaper] = useState<Paper | null>(null);
  const [mapping, setMapping] = useState<Record<string, string>>({});
  const [clashing, setClashing] = useState<Clashing>('unpatched');
  const [refused, setRefused] = useState('');
  const revision = useShow().data?.revision;
  const preview = useQuery({
    queryKey: ['hookup', revision, paper, mapping, clashing],
    queryFn: () => hookup({ ...paper!, mapping, clashing, preview: true }),
    enabled: open && paper !== null,
    retry: false,
    placeholderData: (before) => before,
  });
  const view = paper ? preview.data : undefined;
  const wrong = refused || (paper && preview.error ? said(preview.error) : '');
  const close = () => {
    setPaper(null);
    setMapping({});
    setRefused('');
    onClose();
  };
  const takeIn = useOnce(async () => {
    try {
      const answer = await hookup({ ...paper!, mapping, clashing, preview: false });
      useLine.getState().set({ done: `Took in ${answer.landing} fixtures from paperwork` });
      close();
    } catch (error) {
      setRefused(said(error));
    }
  });
  return (
    <Modal open={open} title="Import a channel hookup" onClose={close} wide>
      {!paper && <ChoosePaper onPaper={setPaper} />}
      {wrong && <p className="mb-2 text-madder">{wrong}</p>}
      {wrong && paper && <Button onClick={() => setPaper(null)}>Choose another file</Button>}
      {view && (
        <div className="space-y-3">
          <Headers
            headers={view.headers}
            fields={view.fields}
            open={Object.keys(mapping).length > 0 || view.rows.length === 0}
            hint="Say which columns hold the fixture number and the profile; the rest may be left out."
            onMap={(header, field) =>
              setMapping({ ...recognised(view.headers), ...mapping, [header]: field })
            }
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
          {view.remarks.map((r) => (
            <p key={r} className="text-ochre">
              {r}
            </p>
          ))}
          <Rows view={view} />
          <div className="flex items-center gap-3">
            <Button kind="main" disabled={view.landing === 0} onClick={() => void takeIn()}>
              Import {view.landing} {view.landing === 1 ? 'fixture' : 'fixtures'}
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

const said = (error: unknown) => (error instanceof RefusedError ? worded(error) : String(error));

function Rows({ view }: { view: HookupView }) {
  const rows = [...view.rows].sort((a, b) => b.problems.length - a.problems.length || a.line - b.line);
  return (
    <div
      role="region"
      aria-label="Rows of the paper"
      tabIndex={0}
      className="max-h-[46vh] overflow-auto rounded-md border border-line"
    >
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
