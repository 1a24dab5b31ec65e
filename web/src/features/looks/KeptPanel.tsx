import { useKeptLook } from '../../api/queries';
import { runLines } from '../../doing/run-lines';
import { Button } from '../../ui/Button';
import { LookRows } from './LookRows';
import { OnPlan } from './OnPlan';

interface KeptProps {
  kind: 'submaster' | 'look';
  number: number;
  onClose: () => void;
}

/** What a submaster or a look holds, and what can be done with it. */
export function KeptPanel({ kind, number, onClose }: KeptProps) {
  const rows = useKeptLook(kind, number).data;
  const named = `${kind} ${number}`;
  const gone = async (lines: string[]) => {
    if (await runLines(lines)) onClose();
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
        <h2 className="font-serif text-[16px] font-semibold">{named}</h2>
        <OnPlan key={named} of={[{ words: named, lit: { kind, which: number } }]} />
        <span className="ml-auto flex gap-1.5">
          <Button onClick={() => void runLines([`open ${named}`])}>Open</Button>
          <Button label="Takes what is touched into it" onClick={() => void runLines([`update ${named}`])}>
            Update
          </Button>
          {rows?.some((r) => r.plain) && (
            <Button onClick={() => void runLines([`tidy ${named}`])}>Tidy</Button>
          )}
          <Button
            label="A copy of it as a cue behind the last one"
            onClick={() => void runLines([`copy ${named} to cue`])}
          >
            Copy to a cue
          </Button>
          <Button kind="danger" onClick={() => void gone([`delete ${named}`])}>
            Delete
          </Button>
          <Button onClick={onClose}>Close</Button>
        </span>
      </div>
      {rows && <LookRows rows={rows} alone />}
    </>
  );
}
