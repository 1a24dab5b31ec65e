import { useEffect, useState } from 'react';
import type { LineResponse } from '../../api/client';
import { cueText, readPaper } from '../../api/commands';
import { useDimmers } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Modal } from '../../ui/Modal';

/** Takes cues, groups and submasters in from a text; all that would come and what is left out is said before. */
export function TakeInText({ onClose }: { onClose: () => void }) {
  const [file, setFile] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [dimmers, setDimmers] = useState(true);
  const [chosen, setChosen] = useState('');
  const [told, setTold] = useState<{ file: string; as: string | null; outcome: LineResponse } | null>(null);
  const fitting = useDimmers().data ?? [];
  const as = fitting.length === 1 ? fitting[0]! : chosen;
  const wanted = dimmers ? as : null;
  const asked = wanted === '';
  const foreseen = told && told.file === file && told.as === wanted && !asked ? told.outcome : null;
  useEffect(() => {
    let stale = false;
    if (!file || asked) return;
    void attempt(() => cueText(file, wanted, true)).then((outcome) => {
      if (!stale && outcome) setTold({ file, as: wanted, outcome });
    });
    return () => {
      stale = true;
    };
  }, [file, wanted, asked]);
  const choose = async (picked: File | undefined) => {
    if (!picked) return;
    const { file: octets } = await readPaper(picked);
    setName(picked.name);
    setFile(octets);
  };
  const take = async () => {
    if (file && (await attempt(() => cueText(file, wanted, false)))) onClose();
  };
  return (
    <Modal open title="Take cues in from a text" onClose={onClose}>
      <div className="space-y-3">
        <p className="text-ink-2">
          A file in the format USITT ASCII 3.0: cues, groups and submasters with the intensity of channels.
          The cues become a list of their own; nothing that is there changes.
        </p>
        <label className="inline-flex min-h-8 cursor-pointer items-center rounded-md border border-line-strong bg-paper px-3 font-semibold focus-within:outline-2 focus-within:outline-petrol">
          {name || 'Choose a file…'}
          <input
            type="file"
            className="sr-only"
            aria-label="Text of cues"
            onChange={(e) => void choose(e.target.files?.[0])}
          />
        </label>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={dimmers} onChange={(e) => setDimmers(e.target.checked)} />
          Channels that no fixture has come in as dimmers
        </label>
        {dimmers && fitting.length > 1 && (
          <div className="flex items-center gap-2">
            as
            <Choice
              label="Dimmer"
              value={chosen}
              options={fitting}
              onChange={setChosen}
              empty="choose one that is there"
            />
          </div>
        )}
        {foreseen && (
          <ul role="status" className="space-y-1">
            {foreseen.words.map((w) => (
              <li key={w}>{w}</li>
            ))}
            {foreseen.problems.map((p) => (
              <li key={p.words} className="text-ochre">
                ▲ {p.words}
              </li>
            ))}
          </ul>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button kind="main" disabled={!foreseen} onClick={() => void take()}>
            Import
          </Button>
        </div>
      </div>
    </Modal>
  );
}
