import { useState } from 'react';
import { createPortal } from 'react-dom';
import { useCurrentShow } from '../../api/current-show';
import { usePaperPages, type PaperLook } from '../../api/queries';
import { Button } from '../../ui/Button';
import { FileLink } from '../../ui/FileLink';
import { Segmented } from '../../ui/Segmented';
import { query } from './paper-model';
import { useMaking } from './useMaking';

/** More pages than this are printed from the PDF. */
const MOST_PRINTED = 60;

interface Props {
  /** Keys of the sheets, with commas between. */
  sheet: string;
  look: PaperLook;
  onLook: (look: PaperLook) => void;
  revision: number;
}

/** How the paper is set, and where it goes. */
export function PaperCard({ sheet, look, onLook, revision }: Props) {
  const show = useCurrentShow((s) => s.id);
  const pages = usePaperPages(sheet, look).data?.pages ?? 0;
  const [printing, setPrinting] = useState(false);
  const making = useMaking();
  const at = `/api/shows/${show}/paper/${sheet}`;
  const side = look.across === undefined ? 'best' : look.across ? 'across' : 'upright';
  return (
    <section
      aria-label="How it is printed"
      className="space-y-2 rounded-lg border border-line-strong bg-sheet p-3"
    >
      <h2 className="font-serif text-[17px] font-semibold">Paper</h2>
      <Segmented
        label="Size of paper"
        value={look.size}
        onChange={(size) => onLook({ ...look, size })}
        options={[
          { value: 'a4', text: 'A4' },
          { value: 'letter', text: 'Letter' },
        ]}
      />{' '}
      <Segmented
        label="Which side lies"
        tight
        value={side}
        onChange={(way) => onLook({ size: look.size, across: way === 'best' ? undefined : way === 'across' })}
        options={[
          { value: 'best', text: 'As fits' },
          { value: 'upright', text: 'Upright' },
          { value: 'across', text: 'Across' },
        ]}
      />
      <div className="flex flex-wrap items-center gap-1.5">
        <Button label="All pages as PDF" onClick={() => void making.make(`${at}.pdf?${query(look)}`)}>
          PDF
        </Button>
        <Button
          disabled={pages === 0 || pages > MOST_PRINTED}
          label={
            pages > MOST_PRINTED
              ? `${pages} pages are better printed from the PDF`
              : 'Straight from the browser'
          }
          onClick={() => setPrinting(true)}
        >
          Print…
        </Button>
        <FileLink title="As a workbook, numbers as numbers" href={`${at}.xlsx`}>
          XLSX
        </FileLink>
        {!sheet.includes(',') && (
          <FileLink title="As separated text" href={`${at}.csv`}>
            CSV
          </FileLink>
        )}
      </div>
      {making.words && (
        <p role="status" className="flex items-center gap-2 text-[12px] text-ink-2">
          <span className="min-w-0 flex-1 truncate">{making.words}</span>
          <Button onClick={making.stop}>Stop</Button>
        </p>
      )}
      {printing && (
        <Printed
          addresses={Array.from(
            { length: pages },
            (_, i) => `${at}/pages/${i + 1}.png?${query(look, { r: String(revision) })}`,
          )}
          onDone={() => setPrinting(false)}
        />
      )}
    </section>
  );
}

/** The pages as pictures, seen by the printer alone. */
function Printed({ addresses, onDone }: { addresses: string[]; onDone: () => void }) {
  const [ready, setReady] = useState(0);
  const loaded = () => {
    const now = ready + 1;
    setReady(now);
    if (now === addresses.length) {
      window.setTimeout(() => {
        window.print();
        onDone();
      });
    }
  };
  return createPortal(
    <div className="printed">
      {addresses.map((a) => (
        <img key={a} src={a} alt="" onLoad={loaded} onError={onDone} />
      ))}
    </div>,
    document.body,
  );
}
