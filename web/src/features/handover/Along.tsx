import { Checkbox } from '@headlessui/react';
import { Check } from 'lucide-react';
import { useCurrentShow } from '../../api/current-show';
import { StateMark } from '../../ui/StateMark';

interface Good {
  key: string;
  words: string;
  fact: string;
  leftOut: string[];
  empty: boolean;
}

/** What goes along and what stays. @param out keys of what stays */
export function Along({
  goods,
  out,
  onTurn,
}: {
  goods: Good[];
  out: string[];
  onTurn: (key: string) => void;
}) {
  const show = useCurrentShow((s) => s.id);
  return (
    <section
      aria-label="What goes along"
      className="min-h-0 w-[270px] shrink-0 overflow-auto rounded-lg border border-line-strong bg-sheet"
    >
      <h2 className="border-b border-line px-3 py-2 font-serif text-[17px] font-semibold">What goes along</h2>
      <ul>
        {goods.map((g) => {
          const along = !g.empty && !out.includes(g.key);
          return (
            <li key={g.key} className="flex items-start gap-3 border-b border-line px-3 py-2.5">
              <Checkbox
                checked={along}
                disabled={g.empty}
                onChange={() => onTurn(g.key)}
                aria-label={g.words}
                className="mt-0.5 flex size-5 shrink-0 cursor-pointer items-center justify-center rounded border border-line-strong bg-sheet focus-visible:outline-2 focus-visible:outline-petrol data-checked:border-petrol data-checked:bg-petrol data-disabled:opacity-40"
              >
                {along && <Check size={14} className="text-on-petrol" aria-hidden />}
              </Checkbox>
              <span className={`min-w-0 flex-1 ${along ? '' : 'text-ink-label'}`}>
                <b>{g.words}</b>
                <span className="block text-[12px] text-ink-2">
                  {g.empty ? 'nothing to take along' : g.fact}
                </span>
                {g.key === 'scene' && !g.empty && (
                  <a
                    href={`/api/shows/${show}/scene.mvr`}
                    download
                    className="text-[12px] font-semibold text-petrol underline"
                  >
                    Scene file alone
                  </a>
                )}
              </span>
              <span className="pt-1.5">
                <StateMark state={g.empty ? 'not-begun' : g.leftOut.length > 0 ? 'needs-an-eye' : 'ready'} />
              </span>
            </li>
          );
        })}
      </ul>
      <p className="p-3 text-[12px] text-ink-2">
        One file, with a list of contents and checksums. It opens again in Loculus; every part opens
        elsewhere.
      </p>
    </section>
  );
}
