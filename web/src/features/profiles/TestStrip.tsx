import { useEffect, useState } from 'react';
import { driveStrip, endStrip } from '../../api/commands';
import { RefusedError, type DraftMode, type ProfileDraft, type StripView } from '../../api/client';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';

const PAUSE_MS = 60;

/** Drives one address with the draft, slot by slot, and shows what the virtual fixture makes of it. */
export function TestStrip({ draft, mode }: { draft: ProfileDraft; mode: DraftMode }) {
  const [address, setAddress] = useState('60.1');
  const [values, setValues] = useState<Record<string, number>>({});
  const [seen, setSeen] = useState<StripView | null>(null);
  const [wrong, setWrong] = useState('');
  const name = mode.name;
  useEffect(() => {
    let stale = false;
    const timer = window.setTimeout(async () => {
      try {
        const view = await driveStrip(draft, name, address, values);
        if (!stale) {
          setSeen(view);
          setWrong('');
        }
      } catch (error) {
        if (!stale) setWrong(error instanceof RefusedError ? error.message : String(error));
      }
    }, PAUSE_MS);
    return () => {
      stale = true;
      window.clearTimeout(timer);
    };
  }, [draft, name, address, values]);
  useEffect(() => () => void endStrip(), []);
  return (
    <section
      aria-label="Test strip"
      className="max-h-52 shrink-0 overflow-auto rounded-lg bg-stage p-3 text-stage-ink"
    >
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-bold">Test strip</span>
        <label className="flex items-center gap-1 text-[12px]">
          drives
          <input
            aria-label="Address the test strip drives"
            className={`${inputShape} !h-7 !w-20`}
            value={address}
            onChange={(e) => setAddress(e.target.value)}
          />
        </label>
        <Button onClick={() => setValues({})}>All to home</Button>
        {wrong ? (
          <span className="text-[color:var(--madder)]">{wrong}</span>
        ) : (
          seen && <Virtual seen={seen} />
        )}
      </div>
      <div className="flex flex-wrap gap-x-3 gap-y-1 pt-2">
        {seen?.slots.map((s) => (
          <label key={s.slot} className="flex w-44 items-center gap-1.5 text-[12px]">
            <span className="mono w-6 text-right font-bold">{s.slot}</span>
            <span className="w-16 truncate" title={s.attribute}>
              {s.attribute}
            </span>
            <input
              type="range"
              min={0}
              max={255}
              aria-label={`Slot ${s.slot}, ${s.attribute}`}
              className="w-14 flex-1"
              value={values[s.slot] ?? s.value}
              onChange={(e) => setValues({ ...values, [s.slot]: Number(e.target.value) })}
            />
            <span className="mono w-7 text-right">{values[s.slot] ?? s.value}</span>
          </label>
        ))}
      </div>
    </section>
  );
}

/** What the simulated fixture does with what it has received. */
function Virtual({ seen }: { seen: StripView }) {
  const words = [
    `${Math.round(seen.intensity * 100)} %`,
    seen.pan !== 0 || seen.tilt !== 0 ? `pan ${seen.pan.toFixed(1)}° tilt ${seen.tilt.toFixed(1)}°` : '',
    seen.beam > 0 ? `beam ${seen.beam.toFixed(1)}°` : '',
    seen.gobo ? `gobo ${seen.gobo}` : '',
  ].filter(Boolean);
  return (
    <span className="flex items-center gap-2" data-testid="virtual-fixture">
      <span
        className="inline-block h-8 w-8 rounded-full border border-stage-line"
        style={{ background: seen.srgb, opacity: 0.12 + 0.88 * seen.intensity }}
      />
      {seen.cells.map((c, i) => (
        <span
          key={i}
          className="inline-block h-5 w-5 rounded-sm border border-stage-line"
          style={{ background: c }}
        />
      ))}
      <span className="mono text-[12px]">{words.join(' · ')}</span>
    </span>
  );
}
