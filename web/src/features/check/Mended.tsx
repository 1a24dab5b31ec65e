import type { CheckView } from '../../api/client';

const time = (iso: string) =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** What was open today and is not any more. */
export function Mended({ mended, find }: { mended: CheckView['mended']; find: string }) {
  const rows = mended.filter((m) => `${m.words} ${m.deed}`.toLowerCase().includes(find.toLowerCase()));
  if (rows.length === 0)
    return (
      <p className="pt-6 text-center text-ink-2">
        {find ? `Nothing here has “${find}”.` : 'Nothing has been mended today.'}
      </p>
    );
  return (
    <ul aria-label="Mended today">
      {rows.map((m) => (
        <li key={m.finding} className="flex gap-3 border-b border-line px-1 py-1.5">
          <span className="mono text-[12px] text-ink-2">{time(m.at)}</span>
          <p>
            {m.words} <span className="text-[12px] text-moss">{m.deed || 'gone'}</span>
          </p>
        </li>
      ))}
    </ul>
  );
}
