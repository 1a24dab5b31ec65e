import { useQuery } from '@tanstack/react-query';
import { revise, type Row } from '../../api/commands';
import { RefusedError } from '../../api/client';
import { useShow } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';

const MOST_SHOWN = 12;

/** Columns pasted from a spreadsheet: what they would write, then the one edit that does. */
export function Paste({ rows, onClose }: { rows: Row[] | null; onClose: () => void }) {
  const revision = useShow().data?.revision;
  const ask = useQuery({
    queryKey: ['paste', revision, rows],
    queryFn: () => revise(rows!, true),
    enabled: rows !== null && rows.length > 0,
    retry: false,
  });
  const keys = [...new Set((rows ?? []).flatMap((r) => Object.keys(r)))];
  const wrong = ask.error instanceof RefusedError ? ask.error.problems.map((p) => p.words) : [];
  const paste = useOnce(async () => {
    const done = await attempt(() => revise(rows!, false));
    if (!done) return;
    useLine.getState().set({ done: done.reading || 'Nothing changes', problems: [] });
    onClose();
  });
  return (
    <Modal open={rows !== null} title={`Paste ${rows?.length ?? 0} rows`} onClose={onClose}>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void paste();
        }}
      >
        {keys.length < 2 ? (
          <p className="text-ochre">
            Nothing in it can be written here. Put the cursor on a cell of the first column that is pasted.
          </p>
        ) : (
          <table className="w-full text-left text-[12px]">
            <thead>
              <tr>
                {keys.map((k) => (
                  <th key={k} className="caps pr-2">
                    {k === 'newNumber' ? 'becomes' : k}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {(rows ?? []).slice(0, MOST_SHOWN).map((r) => (
                <tr key={r.number} className="border-t border-line">
                  {keys.map((k) => (
                    <td key={k} className="mono max-w-40 truncate pr-2">
                      {String(r[k as keyof Row] ?? '')}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {ask.data?.words.map((w) => (
          <p key={w}>{w}</p>
        ))}
        {wrong.slice(0, MOST_SHOWN).map((w) => (
          <p key={w} className="text-madder">
            {w}
          </p>
        ))}
        <Button kind="main" type="submit" disabled={keys.length < 2 || wrong.length > 0 || !ask.data}>
          Paste
        </Button>
      </form>
    </Modal>
  );
}
