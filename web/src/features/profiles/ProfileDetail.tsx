import { useState } from 'react';
import { removeProfile, renewProfile } from '../../api/commands';
import { newerProfile, type NewerProfile } from '../../api/rig-move';
import { RefusedError, type Schemas } from '../../api/client';
import { queryClient, useProfile } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { Fates } from '../fates/Fates';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import type { Summary } from './profiles-model';

type Profile = Schemas['ProfileView'];
type Channel = Schemas['ChannelView'];

interface Props {
  id: string | null;
  summary?: Summary;
  onClone: (id: string) => void;
}

/** One profile whole: what is known of it, wheels with colours and pictures, the slot chart of each mode. */
export function ProfileDetail({ id, summary, onClone }: Props) {
  const profile = useProfile(id).data;
  const [modeName, setModeName] = useState('');
  if (!profile) return <div className="flex-1" />;
  const mode = profile.modes.find((m) => m.name === modeName) ?? profile.modes[0]!;
  const remove = async () => {
    const left = await attempt(() => removeProfile(profile.id));
    if (left) queryClient.setQueryData(['profiles'], left);
  };
  return (
    <article className="min-h-0 min-w-0 flex-1 space-y-3 overflow-auto rounded-lg border border-line-strong bg-sheet p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="min-w-0 truncate font-serif text-[20px] font-semibold" title={profile.name}>
          {profile.name}
        </h2>
        <span className="text-ink-2">{profile.maker}</span>
        <Segmented
          label="Mode"
          value={mode.name}
          onChange={setModeName}
          options={profile.modes.map((m) => ({ value: m.name, text: m.name, count: String(m.slots) }))}
        />
        <span className="flex-1" />
        <a
          className="inline-flex min-h-7 items-center rounded-md border border-line-strong px-2.5 font-semibold hover:bg-sunk"
          href={`/api/profiles/${profile.id}/file`}
          download
        >
          Save as file
        </a>
        <Button onClick={() => onClone(profile.id)}>Adapt a copy…</Button>
        {summary && summary.origin !== 'shipped' && summary.origin !== 'show' && (
          <Button kind="danger" onClick={() => void remove()}>
            Take out of the library
          </Button>
        )}
      </div>
      {summary && summary.differs.length > 0 && <Differs summary={summary} />}
      <p className="text-ink-2">
        {[
          profile.family,
          mode.beam,
          profile.weightKg > 0 ? `${profile.weightKg} kg` : '',
          profile.watts > 0 ? `${profile.watts} W` : '',
          mode.cells > 0 ? `${mode.cells} identical cells, each can be chosen on its own` : '',
          profile.description,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {profile.warnings.length > 0 && (
        <ul aria-label="Warnings" className="space-y-0.5 rounded-md bg-ochre-soft px-3 py-1.5">
          {profile.warnings.map((w) => (
            <li key={w} className="text-ochre">
              ▲ {w}
            </li>
          ))}
        </ul>
      )}
      <Colours profile={profile} />
      <Chart channels={mode.channels} relations={mode.relations} />
    </article>
  );
}

/** The show keeps its own copy; what the library has by now is offered, with what it would change first. */
function Differs({ summary }: { summary: Summary }) {
  const [foreseen, setForeseen] = useState<NewerProfile | null>(null);
  const [failed, setFailed] = useState('');
  const refused = foreseen?.problems.some((p) => p.severity === 'refusal') ?? false;
  const look = async () => {
    try {
      setForeseen(await newerProfile(summary.id));
      setFailed('');
    } catch (error) {
      if (error instanceof RefusedError) setFailed(error.problems.map((p) => p.words).join(' '));
    }
  };
  const take = async () => {
    const done = await attempt(() => renewProfile(summary.id));
    if (done) useLine.getState().set({ done: done.reading, problems: [] });
    setForeseen(null);
  };
  return (
    <div className="space-y-1 rounded-md border border-ochre bg-ochre-soft p-3">
      <p className="font-semibold text-ochre">
        ▲ The library has another one by now; this show keeps its own.
      </p>
      <ul className="list-disc pl-5 text-[12px]">
        {summary.differs.slice(0, 8).map((d) => (
          <li key={d}>{d}</li>
        ))}
      </ul>
      {foreseen?.words.map((w) => (
        <p key={w} className="font-semibold">
          {w}
        </p>
      ))}
      {foreseen?.problems.map((p) => (
        <p key={p.words} className="text-madder">
          {refused ? 'Not possible: ' : ''}
          {p.words}
        </p>
      ))}
      {foreseen?.said.map((w) => (
        <p key={w}>{w}</p>
      ))}
      {foreseen && !refused && (
        <div className="flex max-h-80 min-h-40 flex-col rounded-md bg-ground py-2">
          <Fates
            fates={foreseen.fates}
            title="What changes on stage"
            nothing="Nothing recorded has a fixture of this profile."
          />
        </div>
      )}
      {failed && <p className="text-madder">{failed}</p>}
      <div className="flex gap-2">
        {foreseen === null ? (
          <Button onClick={() => void look()}>See what taking it would do</Button>
        ) : (
          <>
            <Button kind="main" disabled={refused} onClick={() => void take()}>
              Take the library’s
            </Button>
            <Button onClick={() => setForeseen(null)}>Keep ours</Button>
          </>
        )}
      </div>
    </div>
  );
}

function Colours({ profile }: { profile: Profile }) {
  if (profile.emitters.length === 0 && profile.wheels.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-4">
      {profile.emitters.length > 0 && (
        <div>
          <div className="caps pb-1">Emitters</div>
          <div className="flex flex-wrap gap-2">
            {profile.emitters.map((e) => (
              <span
                key={e.label}
                title={e.colour}
                className="flex items-center gap-1.5 rounded-full border border-line px-2 py-0.5"
              >
                <span className="h-3 w-3 rounded-full" style={{ background: e.swatch }} /> {e.label}
              </span>
            ))}
          </div>
        </div>
      )}
      {profile.wheels.map((w) => (
        <div key={w.name}>
          <div className="caps pb-1">Wheel {w.name}</div>
          <div className="flex flex-wrap gap-1.5">
            {w.slots.map((s) => (
              <span
                key={s.number}
                className="flex items-center gap-1 rounded border border-line px-1.5 py-0.5 text-[12px]"
              >
                <span className="mono text-ink-label">{s.number}</span>
                {s.picture && (
                  <img
                    alt=""
                    className="h-6 w-6 rounded-full bg-stage object-contain"
                    src={`/api/profiles/${profile.id}/pictures/${encodeURIComponent(s.picture)}`}
                  />
                )}
                {s.swatch && (
                  <span
                    className="h-3 w-3 rounded-full border border-line"
                    style={{ background: s.swatch }}
                  />
                )}
                {s.name}
                {s.facets > 0 && <span className="text-ink-label">×{s.facets}</span>}
              </span>
            ))}
          </div>
        </div>
      ))}
    </div>
  );
}

function Chart({ channels, relations }: { channels: Channel[]; relations: string[] }) {
  return (
    <>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-line-strong">
            {['Slot', 'Cell', 'Attribute', 'Kind', 'Bits', 'Home', 'Highl.', 'Physical', 'Ranges'].map(
              (h) => (
                <th key={h} className="caps py-1 pr-3">
                  {h}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {channels.map((c, i) => (
            <tr key={i} className="border-b border-line align-top">
              <td className="mono py-1 pr-3 font-bold whitespace-nowrap">
                {c.slots ? (
                  `${c.breakNumber > 1 ? `break ${c.breakNumber}: ` : ''}${c.slots}`
                ) : (
                  <span className="font-normal text-plum">virtual</span>
                )}
              </td>
              <td className="mono pr-3">{c.cell || ''}</td>
              <td className="pr-3" title={c.attribute}>
                {c.label}
                {c.needs && <span className="block text-[12px] text-ochre">needs {c.needs}</span>}
              </td>
              <td className="pr-3 text-ink-2">{c.kind}</td>
              <td className="mono pr-3">{c.bits}</td>
              <td className="mono pr-3">{c.home}</td>
              <td className="mono pr-3">{c.highlight}</td>
              <td className="mono pr-3 whitespace-nowrap">{c.physical}</td>
              <td className="text-[12px] text-ink-2">{c.ranges.join(' · ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {relations.length > 0 && (
        <div>
          <div className="caps pb-1">Channels that act on others</div>
          {relations.map((r) => (
            <p key={r} className="mono text-[12px]">
              {r}
            </p>
          ))}
        </div>
      )}
    </>
  );
}
