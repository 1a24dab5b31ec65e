import { House } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { edit, type Edit } from '../../api/commands';
import type { DeskView, ValueRow } from '../../api/client';
import { useColourPlane } from '../../api/queries';
import { useGesture } from '../../doing/gesture';
import { runLine } from '../../doing/run-line';
import { quoted, runEdit } from '../../doing/run';
import { attempt } from '../../doing/notices';
import { Fader } from '../../ui/Fader';
import { Segmented } from '../../ui/Segmented';
import { AimPanel } from './AimPanel';
import { ColourPicker } from './ColourPicker';
import { Blades, hasBlades } from './Blades';
import { MatchByEye } from './MatchByEye';
import { PanTiltPad } from './PanTiltPad';
import { RangeFace } from './RangeFace';
import { SpreadHandles } from './SpreadHandles';
import { WhiteSliders } from './WhiteSliders';
import { Writing } from './Writing';
import { Choice } from '../../ui/Choice';
import { useOneStop } from '../../ui/useOneStop';

const KINDS = ['intensity', 'position', 'colour', 'beam', 'shape', 'control'] as const;
type Kind = (typeof KINDS)[number];
type Form = 'text' | 'physical' | 'dmx';

export function ValuesPanel({ desk }: { desk: DeskView }) {
  const [kind, setKind] = useState<Kind>('intensity');
  const [form, setForm] = useState<Form>('text');
  const [matching, setMatching] = useState(false);
  /** The attribute whose spread is open for dragging. */
  const [more, setMore] = useState('');
  const change = useGesture((what: Edit) => what);
  const gesture = (what: Edit) => void change(what, what.type === 'set' ? what.attribute : what.type);
  useColourPlane(); // there before it is asked for
  const counts = useMemo(() => new Set(desk.values.map((v) => v.kind)), [desk]);
  const rows = desk.values.filter((v) => v.kind === kind);
  const held = desk.steps.length > 0;
  return (
    <div data-part className="flex min-h-0 flex-col gap-1.5 overflow-hidden p-3">
      <div className="flex items-center gap-0.5">
        <Segmented
          tight
          label="Kind of value"
          value={kind}
          onChange={setKind}
          options={KINDS.filter((k) => counts.has(k) || k === kind || k === 'colour' || k === 'position').map(
            (k) => ({
              value: k,
              text: k.charAt(0).toUpperCase() + k.slice(1),
            }),
          )}
        />
        <button
          disabled={!held}
          aria-label={`Send ${kind} home`}
          title={`Send ${kind} home`}
          className="flex min-h-7 min-w-7 items-center justify-center text-petrol disabled:text-ink-label"
          onClick={() => void attempt(() => edit({ type: 'home', kind }))}
        >
          <House size={16} />
        </button>
        <button
          disabled={!held}
          aria-label="Send everything home"
          title="Send everything home: all values of the selection"
          className="min-h-7 px-1 text-[12px] text-petrol underline disabled:text-ink-label disabled:no-underline"
          onClick={() => void attempt(() => edit({ type: 'home' }))}
        >
          all
        </button>
        <span className="flex-1" />
        <Choice
          label="Numbers as"
          className="shrink-0"
          value={form}
          options={[
            { value: 'text', text: '%' },
            { value: 'physical', text: 'unit' },
            { value: 'dmx', text: 'DMX' },
          ]}
          onChange={setForm}
        />
      </div>
      <div className="flex min-h-0 flex-1 gap-3">
        {kind === 'colour' && !matching && (
          <ColourPicker
            disabled={!held}
            reach={desk.gamuts}
            onPick={(u, v) => gesture({ type: 'colour', u, v })}
          />
        )}
        {kind === 'position' && <PanTiltPad rows={rows} disabled={!held} />}
        {kind === 'shape' && hasBlades(rows) && <Blades rows={rows} onChange={gesture} />}
        <div className="min-h-0 flex-1 overflow-auto">
          {kind === 'intensity' && held && <LevelKeys />}
          {kind === 'position' && <AimPanel held={held} />}
          {kind === 'colour' &&
            (matching ? (
              <MatchByEye onClose={() => setMatching(false)} />
            ) : (
              <>
                <button
                  className="min-h-7 text-[12px] text-petrol underline"
                  title="A reference fixture, and the others shifted until they look alike"
                  onClick={() => setMatching(true)}
                >
                  Match by eye…
                </button>
                {held && rows.length > 0 && <WhiteSliders onChange={gesture} />}
              </>
            ))}
          {rows.map((row) => (
            <Row
              key={row.attribute}
              row={row}
              form={form}
              steps={desk.steps.length}
              more={more === row.attribute}
              onMore={() => setMore(more === row.attribute ? '' : row.attribute)}
              onChange={gesture}
            />
          ))}
          {!held && <p className="pt-2 text-ink-2">Values appear when something is selected.</p>}
          {held && rows.length === 0 && (
            <p className="pt-2 text-ink-2">Nothing selected has {kind} to set.</p>
          )}
        </div>
      </div>
    </div>
  );
}

function LevelKeys() {
  const row = useOneStop<HTMLDivElement>();
  const levels: [string, number[]][] = [
    ['out', [0]],
    ['10', [10]],
    ['25', [25]],
    ['50', [50]],
    ['75', [75]],
    ['full', [100]],
    ['20 thru 80', [20, 80]],
    ['30 thru 90 thru 30', [30, 90, 30]],
  ];
  return (
    <div ref={row} role="toolbar" aria-label="Levels" className="flex flex-wrap gap-1 pb-1">
      {levels.map(([l, points]) => (
        <button
          key={l}
          className="mono min-h-7 rounded-md border border-line-strong px-2 hover:bg-sunk"
          onClick={() => void runEdit({ type: 'set', attribute: 'Dimmer', points })}
        >
          {l}
        </button>
      ))}
    </div>
  );
}

const SOURCE_SHAPE: Record<string, string> = {
  home: 'text-ink-label',
  hand: 'font-bold border-l-3 border-petrol pl-1.5',
  palette: '',
  highlight: 'italic',
  mixed: '',
};

/** A palette said in place of a value. */
const KIND_AND_NAME = new RegExp(`^(${KINDS.join('|')}|combined)\\s`, 'i');

interface RowProps {
  row: ValueRow;
  form: Form;
  steps: number;
  more: boolean;
  onMore: () => void;
  onChange: (what: Edit) => void;
}

function Row(props: RowProps) {
  const { row, steps, more, onChange } = props;
  return (
    <>
      <Line {...props} />
      {more && (
        <div className="space-y-1 border-b border-line py-1 pl-2">
          {row.stops.length > 0 && (
            <div className="flex flex-wrap gap-1" role="group" aria-label={`${row.label} by name`}>
              {row.stops.map((name) => (
                <button
                  key={name}
                  className="min-h-7 rounded-md border border-line-strong px-2 hover:bg-sunk"
                  onClick={() => onChange({ type: 'set', attribute: row.attribute, name })}
                >
                  {name}
                </button>
              ))}
            </div>
          )}
          <SpreadHandles
            label={row.label}
            set={row.points}
            steps={steps}
            onChange={(points) => onChange({ type: 'set', attribute: row.attribute, points })}
          />
        </div>
      )}
    </>
  );
}

function Line({ row, form, more, onMore, onChange }: RowProps) {
  // Lamp, reset and the like: what a control channel does is held down to be done.
  const [writing, setWriting] = useState(false);
  const guarded =
    row.kind === 'control' && (row.attribute.startsWith('Control') || row.ranges.some((r) => r.command));
  return (
    <div className="flex min-h-8 flex-wrap items-center gap-x-1.5 border-b border-line">
      <span className="w-20 shrink-0 truncate" title={row.attribute}>
        {row.label}
      </span>
      {row.ranges.length > 1 ? (
        <Slots row={row} guarded={guarded} onChange={onChange} />
      ) : (
        <Fader
          label={row.label}
          low={row.low}
          high={row.high}
          onChange={(p) => onChange({ type: 'set', attribute: row.attribute, points: [p] })}
        />
      )}
      {!guarded && row.ranges.length <= 1 && (
        <button
          aria-label={`Spread ${row.label}`}
          aria-expanded={more}
          title={`Spread over the steps selected by handles${row.stops.length > 0 ? `; ${row.stops.join(', ')}` : ''}`}
          className={`min-h-7 min-w-6 rounded ${more ? 'bg-petrol-soft font-bold text-petrol' : 'text-petrol'}`}
          onClick={onMore}
        >
          ⋰
        </button>
      )}
      {writing ? (
        <span className="w-16 shrink-0">
          <Writing
            label={`${row.label} exactly`}
            start=""
            onDone={(text) => {
              setWriting(false);
              if (text) void runLine(KIND_AND_NAME.test(text) ? text : `${row.attribute} at ${text}`);
            }}
          />
        </span>
      ) : (
        <button
          aria-label={`${row.label}: ${row[form] || row.text}`}
          className={`mono min-h-7 min-w-16 shrink-0 text-left whitespace-nowrap ${SOURCE_SHAPE[row.source] ?? ''}`}
          title={`${row.source} · ${row.physical} · DMX ${row.dmx}\nPress to type: 50 · home · 20 thru 80 · 12 deg · 200 dmx · 51200 dmx16 · 0xC8 · “name” · colour 3`}
          disabled={guarded}
          onClick={() => setWriting(true)}
        >
          {row[form] || row.text}
        </button>
      )}
      <span className="max-w-28 min-w-12 shrink-0 truncate text-[12px]" title={row.palette || row.source}>
        {row.palette ? (
          <span className="rounded-full bg-plum-soft px-2 py-0.5 text-plum">{row.palette}</span>
        ) : (
          <span className="text-ink-label">{row.source === 'hand' ? 'by hand' : row.source}</span>
        )}
      </span>
      <button
        aria-label={`Release ${row.label}`}
        title="Releases it: left to what lies below"
        disabled={row.source === 'home' || row.source === 'highlight'}
        className="min-h-7 min-w-5 text-ink-2 hover:text-madder disabled:invisible"
        onClick={() => void runLine(`release ${row.attribute}`)}
      >
        ×
      </button>
    </div>
  );
}

const HOLD_MS = 900;

/** Named ranges: to the one before or behind, or chosen from the list; gobos and colours show what they are. */
function Slots({
  row,
  guarded,
  onChange,
}: {
  row: ValueRow;
  guarded: boolean;
  onChange: (what: Edit) => void;
}) {
  const [chosen, setChosen] = useState('');
  const timer = useRef(0);
  const at = row.ranges.findIndex((r) => r.name === row.text);
  const set = (name: string) => onChange({ type: 'set', attribute: row.attribute, name });
  // Each fixture goes on from where it is when its turn comes, so that quick presses all count.
  const step = (back: boolean) =>
    void attempt(() => edit({ type: 'step-slot', attribute: row.attribute, back }));
  const hold = () => {
    const command = row.ranges.some((r) => r.name === chosen && r.command);
    timer.current = window.setTimeout(
      () => (command ? void runLine(`send ${quoted(chosen)} now`) : set(chosen)),
      HOLD_MS,
    );
  };
  const release = () => window.clearTimeout(timer.current);
  return (
    <span className="flex min-w-[120px] flex-1 items-center gap-0.5">
      {!guarded && (
        <button
          aria-label={`Previous ${row.label}`}
          className="min-h-7 min-w-5 text-petrol"
          onClick={() => step(true)}
        >
          ‹
        </button>
      )}
      <Choice
        label={row.label}
        shape="cell"
        className="h-6! min-w-8 flex-1"
        value={guarded ? chosen : at >= 0 ? row.text : ''}
        empty={row.text}
        options={row.ranges.map((r) => ({ value: r.name, text: r.name, face: <RangeFace range={r} /> }))}
        onChange={(name) => (guarded ? setChosen(name) : set(name))}
      />
      {guarded ? (
        <button
          disabled={!chosen}
          title="Press and hold to send it"
          className="min-h-7 rounded border border-madder px-1.5 text-[12px] text-madder disabled:opacity-40"
          onPointerDown={hold}
          onPointerUp={release}
          onPointerLeave={release}
          onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && !e.repeat && hold()}
          onKeyUp={release}
        >
          press and hold
        </button>
      ) : (
        <button
          aria-label={`Next ${row.label}`}
          className="min-h-7 min-w-5 text-petrol"
          onClick={() => step(false)}
        >
          ›
        </button>
      )}
    </span>
  );
}
