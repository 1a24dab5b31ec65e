import type { UniverseView } from '../../api/client';
import { useOutput } from '../../api/queries';

/** What goes out of a universe, who takes it, and what another sender on it does to its light. */
export function OnTheNet({ universe: u }: { universe: UniverseView }) {
  const output = useOutput().data;
  const sent = output?.sent.find((s) => s.universe === u.universe);
  const others = output?.others.filter((o) => o.universe === u.universe || o.universe === 0) ?? [];
  return (
    <div className="text-[12px] text-ink-2">
      {sent && u.on ? (
        <span>
          <b className="mono">{sent.packets}</b> packets sent, <b className="mono">{sent.perSecond}</b> a
          second
          {u.route !== 'rig' && (
            <>
              {' '}
              · to “{u.targetName}” as {u.numberWords}
            </>
          )}
          {sent.takers.length > 0 && <> · taken by {sent.takers.join(', ')}</>}
        </span>
      ) : (
        <span>Nothing is sent of it: nothing is patched there, or it is off.</span>
      )}
      {sent && u.on && sent.wrong && <p className="text-[13px] font-semibold text-ochre">▲ {sent.wrong}</p>}
      {others.map((o) => (
        <p key={o.words} className="text-[13px] font-semibold text-ochre">
          ▲ {o.words}
        </p>
      ))}
    </div>
  );
}
