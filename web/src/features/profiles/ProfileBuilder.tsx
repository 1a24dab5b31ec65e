import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { checkDraft, cloneProfile, readChart } from '../../api/commands';
import { RefusedError, type DraftMode, type ProfileDraft } from '../../api/client';
import { queryClient } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { useKept } from '../../doing/kept';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { DraftChannels } from './DraftChannels';
import { TestStrip } from './TestStrip';
import { empty, slotsOf } from './draft-model';

interface Props {
  /** Id of the profile to adapt; empty to begin with nothing. */
  from: string;
  onClose: (saved?: string) => void;
}

const EXAMPLE = `Dimmer
Pan 16 540 deg
Tilt 16 270 deg
Colour wheel: open, Rose #e06080, Sea #2080c0
Gobo wheel: open, Ripple, Slats
Shutter: 0-15 closed, 16-31 open, 32-255 strobe
Zoom 8-42 deg`;

/** A profile from its slot chart: type or paste it, mend what was not understood, try it on one address, save it. */
export function ProfileBuilder({ from, onClose }: Props) {
  const [begun, setBegun] = useKept<ProfileDraft | null>(`profile draft ${from}`, null, false);
  const [chart, setChart] = useKept(`profile chart ${from}`, '', false);
  const [odd, setOdd] = useKept<string[]>(`profile remarks ${from}`, [], false);
  const [modeName, setModeName] = useState('');
  const draft = begun ?? empty;
  const setDraft = (next: ProfileDraft) => setBegun(next);
  const mode = draft.modes.find((m) => m.name === modeName) ?? draft.modes[0];
  const set = (part: Partial<ProfileDraft>) => setDraft({ ...draft, ...part });
  const setMode = (changed: DraftMode) => {
    set({ modes: draft.modes.map((m) => (m === mode ? changed : m)) });
    setModeName(changed.name);
  };

  useEffect(() => {
    if (!from || begun) return;
    void attempt(() => cloneProfile(from)).then((clone) => {
      if (!clone) return;
      setBegun({ ...clone.draft, name: `${clone.draft.name} copy` });
      setOdd(clone.losses);
    });
    // What was begun is gone on with.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [from, begun === null]);

  const read = async (text: string) => {
    setChart(text);
    const understood = await attempt(() => readChart(text));
    if (!understood) return;
    setBegun((d) => ({ ...(d ?? empty), modes: understood.modes }));
    setOdd(understood.problems);
  };
  const ready = draft.maker.trim() !== '' && draft.name.trim() !== '' && draft.modes.length > 0;
  const check = useQuery({
    queryKey: ['draft', draft],
    queryFn: () => checkDraft(draft, false),
    enabled: ready,
    retry: false,
    placeholderData: (b) => b,
  });
  const problems = ready ? (check.data?.problems ?? []) : [];
  const refused = ready && check.error instanceof RefusedError ? check.error.problems : [];
  const forget = () => {
    setBegun(null);
    setChart('');
    setOdd([]);
  };
  const save = useOnce(async () => {
    const done = await attempt(() => checkDraft(draft, true));
    if (!done) return;
    await queryClient.invalidateQueries({ queryKey: ['profiles'] });
    useLine.getState().set({ done: `${draft.name} is in the library`, problems: [] });
    onClose(done.saved);
    forget();
  });
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 p-3">
      <div className="flex flex-wrap items-end gap-2">
        <h1 className="pr-2 font-serif text-[22px] font-semibold">Build a profile</h1>
        <Field label="Maker">
          <input
            autoFocus
            className={`${inputShape} !w-36 !font-sans`}
            value={draft.maker}
            onChange={(e) => set({ maker: e.target.value })}
          />
        </Field>
        <Field label="Model">
          <input
            className={`${inputShape} !w-44 !font-sans`}
            value={draft.name}
            onChange={(e) => set({ name: e.target.value })}
          />
        </Field>
        <Amount label="Beam °" value={draft.beamDegrees} onChange={(v) => set({ beamDegrees: v })} />
        <Amount label="Lamp K" value={draft.lampKelvin} onChange={(v) => set({ lampKelvin: v })} />
        <Amount label="Power W" value={draft.watts} onChange={(v) => set({ watts: v })} />
        <Amount label="Weight kg" value={draft.weightKg} onChange={(v) => set({ weightKg: v })} />
        <span className="flex-1" />
        <Button
          label="Begin anew; what is here is forgotten"
          disabled={begun === null}
          onClick={() => {
            forget();
            onClose();
          }}
        >
          Discard draft
        </Button>
        <Button label="What was begun stays here" onClick={() => onClose()}>
          Leave
        </Button>
        <Button kind="main" disabled={!ready || refused.length > 0} onClick={() => void save()}>
          Save to the library
        </Button>
      </div>
      <div className="flex min-h-0 flex-1 gap-3">
        <section aria-label="Slot chart" className="flex min-h-0 w-64 shrink-0 flex-col gap-2">
          <label className="flex min-h-0 flex-1 flex-col gap-1 text-[12px] text-ink-2">
            Slot chart, one line per slot
            <textarea
              aria-label="Slot chart, one line per slot"
              spellCheck={false}
              placeholder={EXAMPLE}
              className="mono min-h-32 w-full flex-1 resize-none rounded-md border border-line-strong bg-paper p-2 text-[13px] text-ink"
              value={chart}
              onChange={(e) => void read(e.target.value)}
            />
          </label>
          <p className="text-[12px] text-ink-label">
            “Pan 16” takes two slots · names after a colon are ranges or wheel slots · “Mode wide” begins a
            mode · “4 x:” … “end” repeats for cells
          </p>
          <ul aria-label="Problems" className="max-h-40 space-y-0.5 overflow-auto text-[12px]">
            {[
              ...new Set([
                ...odd,
                ...refused.map((p) => p.words),
                ...problems.map((p) => `${p.subject}: ${p.words}`),
              ]),
            ].map((w) => (
              <li key={w} className="text-ochre">
                ▲ {w}
              </li>
            ))}
            {ready && refused.length + problems.length + odd.length === 0 && (
              <li className="text-moss">● Nothing is wrong with it.</li>
            )}
            {!ready && draft.modes.length > 0 && (
              <li className="text-ink-2">Give it a maker and a model to have it checked.</li>
            )}
          </ul>
        </section>
        <section aria-label="What was understood" className="flex min-h-0 min-w-0 flex-1 flex-col gap-2">
          {mode ? (
            <>
              <div className="flex flex-wrap items-center gap-2">
                <Segmented
                  label="Mode"
                  value={mode.name}
                  onChange={setModeName}
                  options={draft.modes.map((m) => ({
                    value: m.name,
                    text: m.name,
                    count: String(slotsOf(m)),
                  }))}
                />
                <label className="flex items-center gap-1 text-[12px] text-ink-2">
                  called
                  <input
                    aria-label="Name of the mode"
                    className={`${inputShape} !h-7 !w-28 !font-sans`}
                    value={mode.name}
                    onChange={(e) => e.target.value && setMode({ ...mode, name: e.target.value })}
                  />
                </label>
                {mode.channels.some((c) => c.inCell) && (
                  <label className="flex items-center gap-1 text-[12px] text-ink-2">
                    cells
                    <input
                      aria-label="How many cells"
                      className={`${inputShape} !h-7 !w-14`}
                      inputMode="numeric"
                      value={mode.cells}
                      onChange={(e) => setMode({ ...mode, cells: Number(e.target.value) || 1 })}
                    />
                  </label>
                )}
              </div>
              <DraftChannels mode={mode} onChange={setMode} />
              {ready && refused.length === 0 && <TestStrip draft={draft} mode={mode} />}
            </>
          ) : (
            <div className="rounded-lg border border-line-strong bg-sheet p-6">
              <p className="font-serif text-[18px]">Paste or type the slot chart from the manual.</p>
              <p className="pt-1 text-ink-2">
                Each line becomes a channel here, with its attribute, home and ranges to mend.
              </p>
              <div className="pt-3">
                <Button onClick={() => void read(EXAMPLE)}>Try it with an example</Button>
              </div>
            </div>
          )}
        </section>
      </div>
    </div>
  );
}

interface AmountProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
}

function Amount({ label, value, onChange }: AmountProps) {
  return (
    <Field label={label}>
      <input
        className={`${inputShape} !w-16`}
        inputMode="decimal"
        placeholder="?"
        defaultValue={value || ''}
        key={value === 0 ? 'empty' : 'set'}
        onBlur={(e) => onChange(Number.parseFloat(e.target.value) || 0)}
      />
    </Field>
  );
}
