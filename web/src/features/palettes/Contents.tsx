import { useState } from 'react';
import type { PaletteView, Schemas } from '../../api/client';
import { useContents, usePalettes } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { useLineReading } from '../../doing/useLineReading';
import { lineOf } from './kinds';
import { PaletteChanges } from './PaletteChanges';
import { Choice } from '../../ui/Choice';

type EntryView = Schemas['EntryView'];

/** What a palette holds, for whom, and who uses it. */
export function Contents({ palette, onClose }: { palette: PaletteView; onClose: () => void }) {
  return (
    <Modal open wide title={`${lineOf(palette)} “${palette.name}”`} onClose={onClose}>
      <Inside palette={palette} />
    </Modal>
  );
}

const SCOPES = ['global', 'type', 'mode', 'unit'];
const key = (e: EntryView) => `${e.scope} ${e.of} ${e.mode} ${e.attribute}`;

function Inside({ palette }: { palette: PaletteView }) {
  const contents = useContents(palette.kind, palette.number).data;
  const others = (usePalettes().data ?? []).filter(
    (p) => p.kind === palette.kind && p.number !== palette.number,
  );
  const [beside, setBeside] = useState('');
  const [asked, setAsked] = useState('');
  const reading = useLineReading(asked);
  if (!contents) return <p className="text-ink-2">Opening it…</p>;
  const here = lineOf(palette);
  const ask = (line: string) => setAsked((now) => (now === line ? '' : line));
  const actions: [string, string][] = [
    ['Tidy', `tidy ${here}`],
    ['Narrow to types', `narrow ${here} per type`],
    ['Narrow to fixtures', `narrow ${here} per fixture`],
  ];
  const other = others.find((p) => String(p.number) === beside);
  return (
    <div className="space-y-3">
      <p className="text-[12px] text-ink-2">
        {contents.intent && <>Stands for {contents.intent}. </>}
        {contents.units.length > 0
          ? `Followed by ${contents.units.length} ${contents.units.length === 1 ? 'unit' : 'units'}: ${contents.units.slice(0, 24).join(' ')}${contents.units.length > 24 ? ' …' : ''}. `
          : 'Nothing follows it now. '}
        {contents.usedBy.length > 0 && `Used by ${contents.usedBy.join(', ')}.`}
      </p>
      <div className="flex flex-wrap items-center gap-1.5">
        {actions.map(([words, line]) => (
          <Button
            key={line}
            pressed={asked === line}
            label={`Says first what it would do: ${line}`}
            onClick={() => ask(line)}
          >
            {words}
          </Button>
        ))}
        <Choice
          label="Beside another palette"
          value={beside}
          empty="beside…"
          options={[
            { value: '', text: 'nothing beside' },
            ...others.map((p) => ({ value: String(p.number), text: `${p.number} ${p.name}` })),
          ]}
          onChange={setBeside}
        />
        {other && (
          <Button
            pressed={asked === `take ${lineOf(other)} into ${here}`}
            onClick={() => ask(`take ${lineOf(other)} into ${here}`)}
          >
            Take it into this one
          </Button>
        )}
      </div>
      {asked && (
        <div className="space-y-1 rounded-md border border-petrol p-2" role="status">
          <p className={reading.problems.length ? 'text-madder' : ''}>
            {reading.problems[0]?.words ?? reading.outcome?.words[0] ?? 'Looking what it would do…'}
          </p>
          {reading.outcome && <PaletteChanges changes={reading.outcome.palettes} />}
          {reading.outcome?.changes && (
            <Button
              kind="main"
              onClick={() => {
                setAsked('');
                void runLine(asked);
              }}
            >
              Do it
            </Button>
          )}
        </div>
      )}
      {contents.entries.length === 0 ? (
        <p className="text-ink-2">
          It holds no values: those of each fixture are worked out from the colour it stands for.
        </p>
      ) : (
        <table className="w-full text-[12px]">
          <thead>
            <tr className="text-left">
              <th className="caps">For</th>
              <th className="caps">Attribute</th>
              <th className="caps">Value</th>
              {other && <th className="caps">In {other.name}</th>}
              <th>
                <span className="sr-only">What can be done with it</span>
              </th>
            </tr>
          </thead>
          {SCOPES.map((scope) => (
            <tbody key={scope}>
              {contents.entries
                .filter((e) => e.scope === scope)
                .map((e) => (
                  <EntryRow key={key(e)} palette={palette} entry={e} beside={other} />
                ))}
            </tbody>
          ))}
        </table>
      )}
    </div>
  );
}

/** The form a value is in, so that a changed one stays in it. */
const formOf = (value: string) =>
  value.startsWith('“') ? 'name' : value.endsWith('%') ? 'percent' : value.includes('dmx') ? 'dmx' : 'unit';
const bare = (value: string) => value.replace(/[“”%]|dmx.*/g, '').trim();

function EntryRow({
  palette,
  entry: e,
  beside,
}: {
  palette: PaletteView;
  entry: EntryView;
  beside: PaletteView | undefined;
}) {
  const [writing, setWriting] = useState(false);
  const change = async (value?: string) => {
    setWriting(false);
    if (value !== undefined && value.trim() === bare(e.value)) return;
    await runEdit({
      type: 'edit-entry',
      kind: palette.kind,
      number: palette.number,
      scope: e.scope,
      of: e.of,
      mode: e.mode,
      attribute: e.attribute,
      value,
      form: formOf(e.value),
    });
  };
  return (
    <tr className="border-b border-line">
      <td className="pr-2">{e.owner}</td>
      <td className="pr-2">
        {e.label}{' '}
        {e.companion && (
          <span className="text-ink-label" title="came along: without it the others do not work">
            · along
          </span>
        )}
      </td>
      <td className="mono">
        {writing ? (
          <input
            autoFocus
            aria-label={`${e.label} of ${e.owner}`}
            className="h-7 w-28 rounded border border-petrol bg-paper px-1"
            defaultValue={bare(e.value)}
            onBlur={(x) => void change(x.currentTarget.value)}
            onKeyDown={(x) => {
              x.stopPropagation();
              if (x.key === 'Enter') x.currentTarget.blur();
              if (x.key === 'Escape') setWriting(false);
            }}
          />
        ) : (
          <button
            className="min-h-7 px-1 text-left hover:bg-sunk"
            title="Press to change it"
            onClick={() => setWriting(true)}
          >
            {e.value}
          </button>
        )}
      </td>
      {beside && <Beside palette={beside} entry={e} />}
      <td className="text-right">
        <button
          aria-label={`Take ${e.label} of ${e.owner} out`}
          className="min-h-7 min-w-7 text-ink-2 hover:text-madder"
          onClick={() => void change()}
        >
          ×
        </button>
      </td>
    </tr>
  );
}

function Beside({ palette, entry }: { palette: PaletteView; entry: EntryView }) {
  const theirs = useContents(palette.kind, palette.number).data?.entries.find((e) => key(e) === key(entry));
  return (
    <td className={`mono ${theirs?.value === entry.value ? 'text-ink-label' : 'font-bold'}`}>
      {theirs ? theirs.value : '—'}
    </td>
  );
}
