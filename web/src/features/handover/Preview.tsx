import { useState } from 'react';
import { useCurrentShow } from '../../api/current-show';
import { usePaperPages, type PaperLook } from '../../api/queries';
import { Button } from '../../ui/Button';
import { ALL, keys, query } from './paper-model';

interface Props {
  sheets: { key: string; words: string; empty: boolean }[];
  sheet: string;
  onSheet: (key: string) => void;
  look: PaperLook;
  page: number;
  onPage: (page: number) => void;
  revision: number;
}

/** One page of a sheet, just as it is printed. */
export function Preview({ sheets, sheet, onSheet, look, page, onPage, revision }: Props) {
  const show = useCurrentShow((s) => s.id);
  const of = keys(sheet, sheets);
  const pages = usePaperPages(sheets.length > 0 ? of : '', look).data;
  const [loaded, setLoaded] = useState('');
  const [near, setNear] = useState(false);
  const last = pages?.pages ?? 1;
  const at = Math.min(page, last);
  const address = `/api/shows/${show}/paper/${of}/pages/${at}.png?${query(look, { r: String(revision) })}`;
  const words = sheet === ALL ? 'All of it' : (sheets.find((s) => s.key === sheet)?.words ?? '');
  return (
    <section aria-label="Paper" className="flex min-h-0 min-w-0 flex-1 flex-col gap-2">
      <div role="group" aria-label="Which sheet" className="flex flex-wrap gap-1.5">
        {[...sheets, { key: ALL, words: 'All', empty: false }].map((s) => (
          <Button
            key={s.key}
            pressed={s.key === sheet}
            label={s.empty ? `${s.words}: nothing stands there yet` : s.words}
            onClick={() => onSheet(s.key)}
          >
            <span className={s.empty && s.key !== sheet ? 'text-ink-label' : ''}>{s.words}</span>
          </Button>
        ))}
      </div>
      <div
        tabIndex={0}
        aria-label={`${words}, page ${at} of ${last}; arrow keys turn pages`}
        role="img"
        className={`flex min-h-0 flex-1 rounded-lg bg-sunk p-3 focus-visible:outline-2 focus-visible:outline-petrol ${near ? 'overflow-auto' : 'items-center justify-center overflow-hidden'}`}
        onKeyDown={(e) => {
          if (e.key === 'ArrowRight' || e.key === 'PageDown') onPage(Math.min(last, at + 1));
          else if (e.key === 'ArrowLeft' || e.key === 'PageUp') onPage(Math.max(1, at - 1));
          else return;
          e.preventDefault();
        }}
      >
        {pages && (
          <img
            src={address}
            alt=""
            onLoad={() => setLoaded(address)}
            onClick={() => setNear(!near)}
            className={`bg-white shadow-md ${near ? 'h-auto w-full cursor-zoom-out self-start' : 'max-h-full max-w-full cursor-zoom-in object-contain'} ${loaded === address ? '' : 'opacity-60'}`}
            style={{ aspectRatio: `${pages.width} / ${pages.height}` }}
          />
        )}
      </div>
      <div className="flex items-center justify-center gap-2">
        <Button label="The page before" repeats disabled={at <= 1} onClick={() => onPage(at - 1)}>
          <span aria-hidden>‹</span>
          <span className="sr-only">The page before</span>
        </Button>
        <span className="mono text-[12px] text-ink-2">
          page {at} of {last}
        </span>
        <Button label="The next page" repeats disabled={at >= last} onClick={() => onPage(at + 1)}>
          <span aria-hidden>›</span>
          <span className="sr-only">The next page</span>
        </Button>
        <Button
          pressed={near}
          label="As wide as there is room, or the whole page"
          onClick={() => setNear(!near)}
        >
          Near
        </Button>
      </div>
    </section>
  );
}
