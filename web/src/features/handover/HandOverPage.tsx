import { useState } from 'react';
import { useCurrentShow } from '../../api/current-show';
import { queryClient, useCheck, useGoods, usePaper, type PaperLook } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { Button } from '../../ui/Button';
import { Along } from './Along';
import { LookersOn } from './LookersOn';
import { PaperCard } from './PaperCard';
import { Preview } from './Preview';
import { Signed } from './Signed';
import { keys, query, since } from './paper-model';
import { useMaking } from './useMaking';

/** Everything that goes out: what goes along, its paper as it is printed, who signed. */
export function HandOverPage() {
  const show = useCurrentShow((s) => s.id);
  const goods = useGoods().data;
  const sheets = usePaper().data ?? [];
  const check = useCheck().data;
  const [out, setOut] = useKept<string[]>('stays here', []);
  const [sheet, setSheet] = useKept('sheet looked at', 'hookup-by-position');
  const [look, setLook] = useKept<PaperLook>('paper looks', { size: 'a4' }, false);
  const [page, setPage] = useState(1);
  const making = useMaking();
  if (!goods || !check) return <p className="p-6 text-ink-2">Looking through the show…</p>;
  const along = goods.goods.filter((g) => !g.empty && !out.includes(g.key));
  const parcel = async () => {
    const address = `/api/shows/${show}/parcel?${query({ size: look.size }, { with: along.map((g) => g.key).join(',') })}`;
    if (await making.make(address))
      void queryClient.invalidateQueries({ queryKey: ['show', show, 'parcel'] });
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="font-serif text-[22px] font-semibold">Hand over</h1>
        <span className="ml-auto text-ink-2" role="status">
          {making.words || since(goods.madeAt, goods.revision)}
        </span>
        {making.words ? (
          <Button onClick={making.stop}>Stop</Button>
        ) : (
          <Button kind="main" disabled={along.length === 0} onClick={() => void parcel()}>
            Make the parcel
          </Button>
        )}
      </div>
      <div className="flex min-h-0 flex-1 gap-3">
        <Along
          goods={goods.goods}
          out={out}
          onTurn={(key) =>
            setOut((now) => (now.includes(key) ? now.filter((k) => k !== key) : [...now, key]))
          }
        />
        <Preview
          sheets={sheets}
          sheet={sheet}
          onSheet={(key) => {
            setSheet(key);
            setPage(1);
          }}
          look={look}
          page={page}
          onPage={setPage}
          revision={goods.revision}
        />
        <div className="flex min-h-0 w-[300px] shrink-0 flex-col gap-3 overflow-auto">
          <PaperCard sheet={keys(sheet, sheets)} look={look} onLook={setLook} revision={goods.revision} />
          <section
            aria-label="What cannot be said"
            className="space-y-1.5 rounded-lg border border-line-strong bg-sheet p-3"
          >
            <h2 className="font-serif text-[17px] font-semibold">What cannot be said</h2>
            {goods.goods
              .filter((g) => g.leftOut.length > 0)
              .map((g) => (
                <div key={g.key} className="text-[12px] text-ink-2">
                  <b className="text-ink">{g.words}</b>
                  <ul className="list-disc pl-4">
                    {g.leftOut.map((l) => (
                      <li key={l}>{l}</li>
                    ))}
                  </ul>
                </div>
              ))}
            {goods.goods.every((g) => g.leftOut.length === 0) && (
              <p className="text-[12px] text-ink-2">Everything that goes along says all there is.</p>
            )}
          </section>
          <Signed chapters={check.chapters} />
          <LookersOn />
        </div>
      </div>
    </div>
  );
}
