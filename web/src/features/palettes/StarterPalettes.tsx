import { useMemo, useState } from 'react';
import type { Schemas } from '../../api/client';
import { usePaletteStarters } from '../../api/queries';
import { useOnce } from '../../doing/once';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';

type Starter = Schemas['StarterPaletteView'];

/** Everything that is obvious from what is patched, to be ticked; what is there already gets what it lacks. */
export function StarterPalettes({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal open={open} wide title="Starter palettes" onClose={onClose}>
      <Choosing onDone={onClose} />
    </Modal>
  );
}

const usual = (s: Starter) => s.family !== 'Guarded';

function Choosing({ onDone }: { onDone: () => void }) {
  const starters = usePaletteStarters(true).data;
  const [turned, setTurned] = useState<Set<string>>(new Set());
  const all = useMemo(() => starters ?? [], [starters]);
  const families = useMemo(() => {
    const found = new Map<string, Starter[]>();
    for (const s of all) found.set(s.family, [...(found.get(s.family) ?? []), s]);
    return [...found.entries()];
  }, [all]);
  const ticked = (s: Starter) => s.adds > 0 && usual(s) !== turned.has(s.key);
  const turn = (some: Starter[]) => {
    const free = some.filter((s) => s.adds > 0);
    const on = !free.every(ticked);
    setTurned((before) => {
      const after = new Set(before);
      for (const s of free) if (ticked(s) !== on) if (!after.delete(s.key)) after.add(s.key);
      return after;
    });
  };
  const names = all.filter(ticked).map((s) => s.key);
  const record = useOnce(async () => {
    if (await runEdit({ type: 'starter-palettes', names })) onDone();
  });
  if (all.length === 0)
    return (
      <p className="text-ink-2">
        {starters ? 'Patch fixtures first; palettes are made for what they can do.' : 'Looking at the patch…'}
      </p>
    );
  return (
    <div className="flex gap-4">
      <div className="min-w-0 flex-1 space-y-3">
        {families.map(([family, of]) => (
          <fieldset key={family}>
            <legend className="flex items-center gap-2 pb-1">
              <label className="flex min-h-7 items-center gap-1.5 font-semibold">
                <input
                  type="checkbox"
                  disabled={of.every((s) => s.adds === 0)}
                  checked={of.some(ticked)}
                  onChange={() => turn(of)}
                />
                {family}
              </label>
              <span className="text-[12px] text-ink-2">
                {of.filter(ticked).length} of {of.length}
                {family === 'Guarded' && ' · lamp, reset and the like: held down to apply'}
              </span>
            </legend>
            <div className="flex flex-wrap gap-1">
              {of.map((s) => (
                <label
                  key={s.key}
                  title={
                    s.there
                      ? `${s.there} is there already${s.adds > 0 ? `; ${s.adds} values are new` : ''}`
                      : s.types.length > 0
                        ? `for ${s.types.join(', ')}`
                        : 'worked out for every type'
                  }
                  className={`flex min-h-7 items-center gap-1.5 rounded-full border px-2 text-[12px] ${ticked(s) ? 'border-petrol bg-petrol-soft' : 'border-line-strong'} ${s.adds === 0 ? 'text-ink-label line-through' : ''}`}
                >
                  <input
                    type="checkbox"
                    className="sr-only"
                    disabled={s.adds === 0}
                    checked={ticked(s)}
                    onChange={() => turn([s])}
                  />
                  {s.swatch && (
                    <span
                      className="h-3.5 w-3.5 rounded-full border border-line-strong"
                      style={{ background: s.swatch }}
                    />
                  )}
                  {s.name}
                  {s.there && s.adds > 0 && <span className="mono font-bold text-moss">+{s.adds}</span>}
                </label>
              ))}
            </div>
          </fieldset>
        ))}
      </div>
      <div className="w-44 shrink-0 space-y-2">
        <Button kind="main" first disabled={names.length === 0} onClick={() => void record()}>
          Record {names.length} {names.length === 1 ? 'palette' : 'palettes'}
        </Button>
        <p className="text-[12px] text-ink-2">
          One step, undone as one. After a re-patch this adds only what is new; what is there is struck out.
        </p>
      </div>
    </div>
  );
}
