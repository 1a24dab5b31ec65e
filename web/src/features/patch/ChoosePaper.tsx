import { useCallback } from 'react';
import { demoHookup, readPaper, type Paper } from '../../api/commands';
import { placeOf, useTakeDropped } from '../../doing/dropped';
import { Button } from '../../ui/Button';

interface Props {
  onPaper: (paper: Paper) => void;
  /** Takes scene files too, where that is given. */
  onScene?: (file: File) => void;
}

/** Where paperwork comes from: a file, a drop, pasted rows, or the sample. */
export function ChoosePaper({ onPaper, onScene }: Props) {
  const read = useCallback(
    async (file: File | undefined) => {
      if (file && onScene && placeOf(file.name) === '/scene') onScene(file);
      else if (file) onPaper(await readPaper(file));
    },
    [onPaper, onScene],
  );
  useTakeDropped(
    '/patch',
    useCallback((files: File[]) => void read(files[0]), [read]),
  );
  const asText = (text: string) => onPaper({ text, file: null });
  return (
    <div className="space-y-3">
      <p className="text-ink-2">
        A spreadsheet as XLSX or CSV, with headers such as number, name, profile, mode, address, position,
        purpose, in any order.{onScene && ' Or a drawing: a scene file (MVR).'} Drop it here, choose it, or
        paste its rows.
      </p>
      <label className="inline-flex min-h-8 cursor-pointer items-center rounded-md border border-line-strong bg-sheet px-2.5 font-semibold focus-within:outline-2 focus-within:outline-petrol hover:bg-sunk">
        Choose a file…
        <input
          type="file"
          accept={`.csv,.txt,.tsv,.xlsx,text/csv${onScene ? ',.mvr' : ''}`}
          aria-label={onScene ? 'Hookup or scene file' : 'Hookup file'}
          className="sr-only"
          onChange={(e) => void read(e.target.files?.[0])}
        />
      </label>
      <textarea
        aria-label="Or paste rows"
        placeholder="or paste rows here"
        className="mono h-28 w-full rounded-md border border-line-strong bg-paper p-2"
        onChange={(e) => e.target.value.includes('\n') && asText(e.target.value)}
      />
      <Button onClick={() => void demoHookup().then(asText)}>
        Try it with the paperwork of The Glass Tide
      </Button>
    </div>
  );
}
