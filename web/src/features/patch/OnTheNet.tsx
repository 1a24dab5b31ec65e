import { useOutput } from '../../api/queries';

/** What goes out of a universe, and what another sender on it does to its light. */
export function OnTheNet({ universe }: { universe: number }) {
  const output = useOutput().data;
  const sent = output?.sent.find((s) => s.universe === universe);
  const others = output?.others.filter((o) => o.universe === universe || o.universe === 0) ?? [];
  return (
    <div className="text-[12px] text-ink-2">
      {sent ? (
        <span>
          <b className="mono">{sent.packets}</b> packets sent, <b className="mono">{sent.perSecond}</b> a
          second
        </span>
      ) : (
        <span>Nothing is sent of it: nothing is patched there, or it is off.</span>
      )}
      {others.map((o) => (
        <p key={o.words} className="text-[13px] font-semibold text-ochre">
          ▲ {o.words}
        </p>
      ))}
    </div>
  );
}
