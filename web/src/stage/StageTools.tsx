import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { CircleHelp, Focus, Maximize } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Side } from './view';

export type Tool = 'pick' | 'lasso' | 'place' | 'aim';

/** What a press does with a tool that does not pick. */
export const HINTS: Record<Tool, string> = {
  pick: '',
  lasso: '',
  place: 'Drag a fixture, or draw a line to space the selection along it.',
  aim: 'Press a point or a mark to aim the selection there; drag a mark to move it.',
};

const TOOLS: [Tool, string, string][] = [
  ['pick', 'Pick', 'A press or a frame selects'],
  ['lasso', 'Lasso', 'Draw round what is selected'],
  ['place', 'Place', HINTS.place],
  ['aim', 'Aim', HINTS.aim],
];

interface Props {
  side: Side;
  onSide: (side: Side) => void;
  tool: Tool;
  onTool: (tool: Tool) => void;
  path: boolean;
  onPath: () => void;
  /** Metres at which things are placed, as typed. */
  height: string;
  onHeight: (height: string) => void;
  /** Whether only a part of the stage is seen. */
  near: boolean;
  onWhole: () => void;
  /** Looks at the selection from near; absent when nothing placed is selected. */
  onSelection: (() => void) | undefined;
}

/** From where the stage is seen, what a press on it does, and what its signs mean. */
export function StageTools(props: Props) {
  const { side, tool } = props;
  return (
    <div className="flex min-h-8 shrink-0 flex-wrap items-center gap-x-2 px-3 text-[12px]">
      {(['plan', 'front'] as const).map((s) => (
        <Press
          key={s}
          on={side === s}
          bold
          title={`Seen from ${s === 'plan' ? 'above' : 'the audience'}`}
          onPress={() => props.onSide(s)}
        >
          {s === 'plan' ? 'Plan' : 'Front'}
        </Press>
      ))}
      <span aria-hidden="true" className="h-4 border-l border-stage-line" />
      {TOOLS.filter(([t]) => t !== 'place' || side === 'plan').map(([t, name, title]) => (
        <Press key={t} on={tool === t} title={title} onPress={() => props.onTool(t)}>
          {name}
        </Press>
      ))}
      <Press on={props.path} title="Draw the way through the selection, in its order" onPress={props.onPath}>
        Path
      </Press>
      {tool === 'place' && (
        <label className="flex items-center gap-1">
          height
          <input
            className="mono h-6 w-12 rounded border border-stage-line bg-stage px-1"
            value={props.height}
            onChange={(e) => props.onHeight(e.target.value)}
          />
          m
        </label>
      )}
      <span className="ml-auto flex items-center">
        {props.onSelection && (
          <Icon label="Zoom to the selection" onPress={props.onSelection}>
            <Focus size={14} />
          </Icon>
        )}
        {props.near && (
          <Icon label="Whole stage" onPress={props.onWhole}>
            <Maximize size={14} />
          </Icon>
        )}
        <Popover className="flex">
          <PopoverButton
            aria-label="What the signs on the plan mean"
            title="What the signs on the plan mean"
            className="flex min-h-7 min-w-7 items-center justify-center opacity-80 hover:opacity-100"
          >
            <CircleHelp size={14} />
          </PopoverButton>
          <PopoverPanel
            anchor={{ to: 'bottom end', padding: 8 }}
            className="z-30 w-72 space-y-2 rounded-md border border-line-strong bg-sheet p-3 text-[13px] text-ink shadow-lg"
          >
            <Legend />
          </PopoverPanel>
        </Popover>
      </span>
    </div>
  );
}

const sign = (shape: ReactNode) => (
  <svg
    width="20"
    height="16"
    viewBox="0 0 20 16"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.5"
    aria-hidden="true"
    className="shrink-0 text-ink-2"
  >
    {shape}
  </svg>
);

const SIGNS: [ReactNode, string][] = [
  [<circle key="s" cx="10" cy="8" r="5" />, 'moving head'],
  [<rect key="s" x="5" y="3" width="10" height="10" rx="2" />, 'light that mixes or changes its colour'],
  [<rect key="s" x="1" y="5" width="18" height="6" rx="1" />, 'fixture with cells'],
  [<path key="s" d="M10 3 L15 13 L5 13 Z" />, 'dimmer'],
  [<path key="s" d="M10 2 L16 8 L10 14 L4 8 Z" />, 'other'],
  [
    <g key="s" stroke="none" fill="var(--petrol)">
      <circle cx="10" cy="8" r="5" />
    </g>,
    'selected, with its place in the order',
  ],
  [
    <g key="s" stroke="none" fill="var(--madder)">
      <rect x="7" y="5" width="6" height="6" />
    </g>,
    'clash, or dead at bring-up',
  ],
  [
    <path
      key="s"
      d="M4 5 V2 H7 M13 2 H16 V5 M16 11 V14 H13 M7 14 H4 V11"
      stroke="var(--ochre)"
      strokeWidth="2"
      fill="none"
    />,
    'its device identifies itself',
  ],
  [
    <g key="s" stroke="none" fill="var(--ochre)">
      <ellipse cx="10" cy="12" rx="6" ry="2" />
      <ellipse cx="10" cy="8" rx="4" ry="2" />
      <ellipse cx="10" cy="5" rx="2.5" ry="1.5" />
    </g>,
    'mark, with its height in metres',
  ],
];

function Legend() {
  return (
    <>
      <ul className="space-y-1">
        {SIGNS.map(([shape, words]) => (
          <li key={words} className="flex items-center gap-2">
            {sign(shape)} {words}
          </li>
        ))}
      </ul>
      <p className="border-t border-line pt-2 text-[12px] text-ink-2">
        Point at anything for its name. A press or a frame selects; Shift adds, Alt takes out, Ctrl means a
        cell. The wheel zooms. Arrows go from one fixture to the next, Enter selects it.
      </p>
    </>
  );
}

interface PressProps {
  on: boolean;
  bold?: boolean;
  title: string;
  onPress: () => void;
  children: string;
}

function Press({ on, bold, title, onPress, children }: PressProps) {
  return (
    <button
      aria-pressed={on}
      title={title}
      className={`min-h-7 ${on ? `font-bold ${bold ? '' : 'underline'}` : 'opacity-80'}`}
      onClick={onPress}
    >
      {children}
    </button>
  );
}

function Icon({ label, onPress, children }: { label: string; onPress: () => void; children: ReactNode }) {
  return (
    <button
      aria-label={label}
      title={label}
      className="flex min-h-7 min-w-7 items-center justify-center opacity-80 hover:opacity-100"
      onClick={onPress}
    >
      {children}
    </button>
  );
}
