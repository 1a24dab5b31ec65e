import { useState } from 'react';
import type { LineResponse } from '../../api/client';
import { cueText, readPaper } from '../../api/commands';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';

/** Takes cues, groups and submasters in from a text; all that would come and what is left out is said before. */
export function TakeInText({ onClose }: { onClose: () => void }) {
  const [file, setFile] = useState<string | null>(null);
  const [name, setName] = useState('');
  const [dimmers, setDimmers] = useState(true);
  const [foreseen, setForeseen] = useState<LineResponse | null>(null);
  const foresee = async (octets: string, patch: boolean) =>
    setForeseen((await attempt(() => cueText(octets, patch, true))) ?? null);
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    const { file: octets } = await readPaper(chosen);
    setName(chosen.name);
    setFile(octets);
    if (octets) await foresee(octets, dimmers);
  };
  const take = async () => {
    if (file && (await attempt(() => cueText(file, dimmers, false)))) onClose();
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
          <input
            type="checkbox"
            checked={dimmers}
            onChange={(e) => {
              setDimmers(e.target.checked);
              if (file) void foresee(file, e.target.checked);
            }}
          />
          Channels that no fixture has come in as dimmers
        </label>
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
            Take in
          </Button>
        </div>
      </div>
    </Modal>
  );
}
