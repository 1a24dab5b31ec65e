import { useOutput, useStorage } from '../../api/queries';
import { size, when } from './when';

const box = 'grid min-w-0 flex-1 grid-cols-[auto_minmax(0,1fr)] content-start gap-x-4 gap-y-1';

/** Where everything goes out to, where it is kept, and the copies of it. */
export function Keeping() {
  return (
    <div className="flex flex-wrap gap-6 border-t border-line pt-3 text-[13px]">
      <Output />
      <Kept />
    </div>
  );
}

function Kept() {
  const storage = useStorage().data;
  if (!storage) return null;
  return (
    <dl className={box}>
      <dt className="caps">Kept</dt>
      <dd>
        {storage.trouble ? (
          <span className="text-madder">{storage.trouble}</span>
        ) : (
          'Every edit is on the disk before it is answered. Undo goes back through the last 1,000, also after a restart.'
        )}
      </dd>
      <dt className="caps">Where</dt>
      <dd className="min-w-0">
        <span className="mono block truncate" title={storage.folder}>
          {storage.folder}
        </span>
        {size(storage.octets)}, {size(storage.freeOctets)} free
      </dd>
      <dt className="caps">Copies</dt>
      <dd>
        {storage.copies.length === 0
          ? 'None yet; one is made at the next start, and daily.'
          : storage.copies.map((c) => (
              <span
                key={c.name}
                className="mono mr-3 inline-block whitespace-nowrap"
                title={`${c.name}, ${size(c.octets)}`}
              >
                {when(c.madeAt)}
              </span>
            ))}
        {storage.copies.length > 0 && (
          <span className="block text-[12px] text-ink-2">
            <span className="mono break-all">./loculus restore --data {storage.folder}</span> takes the newest
            back.
          </span>
        )}
      </dd>
    </dl>
  );
}

/** More other senders are counted. */
const MOST_TOLD = 4;

function Output() {
  const output = useOutput().data;
  if (!output) return null;
  return (
    <dl className={box}>
      <dt className="caps">Output</dt>
      <dd>
        {output.universes} {output.universes === 1 ? 'universe' : 'universes'} as E1.31 to {output.receivers}{' '}
        {output.receivers === 1 ? 'receiver' : 'receivers'}, <span className="mono">{output.packets}</span>{' '}
        packets so far
      </dd>
      <dt className="caps">Virtual rig</dt>
      <dd>
        listens on <span className="mono">127.0.0.1:{output.rigPort}</span>
        {output.rigOnOtherPort && (
          <span className="text-ochre"> — the port it was asked for is taken by another program</span>
        )}
        , for Art-Net on <span className="mono">127.0.0.1:{output.artNetPort}</span>
      </dd>
      {output.others.length > 0 && (
        <>
          <dt className="caps">Others</dt>
          <dd className="text-ochre">
            {output.others.slice(0, MOST_TOLD).map((o) => (
              <p key={o.words}>{o.words}</p>
            ))}
            {output.others.length > MOST_TOLD && <p>and {output.others.length - MOST_TOLD} more</p>}
          </dd>
        </>
      )}
      {output.trouble && (
        <>
          <dt className="caps">Wrong</dt>
          <dd className="text-madder">{output.trouble}</dd>
        </>
      )}
    </dl>
  );
}
