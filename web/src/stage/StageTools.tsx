import type { Side } from './view';

export type Tool = 'pick' | 'lasso' | 'place' | 'aim';

const WORDS: Record<Tool, string> = {
  pick: 'shift adds · alt takes out · ctrl cells · wheel',
  lasso: 'shift adds · alt takes out · ctrl cells · wheel',
  place: 'drag a fixture · or a line to space what is in hand',
  aim: 'press a point, or a mark · drag a mark to move it',
};

const TOOLS: [Tool, string, string?][] = [
  ['pick', 'Pick'],
  ['lasso', 'Lasso', 'Draw round what is picked'],
  ['place', 'Place'],
  ['aim', 'Aim', 'A press points what is in hand there; marks can be carried'],
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
  /** What is going on, in place of what can be done. */
  words: string;
}

/** From where the stage is seen, and what a press on it does. */
export function StageTools(props: Props) {
  const { side, tool } = props;
  return (
    <div className="flex h-8 shrink-0 items-center gap-3 px-3 text-[12px]">
      {(['plan', 'front'] as const).map((s) => (
        <button
          key={s}
          aria-pressed={side === s}
          className={`min-h-7 ${side === s ? 'font-bold' : 'opacity-70'}`}
          onClick={() => props.onSide(s)}
        >
          {s === 'plan' ? 'Plan' : 'Front'}
        </button>
      ))}
      <span aria-hidden="true" className="h-4 border-l border-stage-line" />
      {TOOLS.filter(([t]) => t !== 'place' || side === 'plan').map(([t, name, title]) => (
        <Tool key={t} on={tool === t} title={title} onPress={() => props.onTool(t)}>
          {name}
        </Tool>
      ))}
      <Tool on={props.path} title="Draw the way through what is in hand" onPress={props.onPath}>
        Path
      </Tool>
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
      {props.near && (
        <button className="min-h-7 underline" onClick={props.onWhole}>
          Whole stage
        </button>
      )}
      <span className="ml-auto truncate opacity-80">{props.words || WORDS[tool]}</span>
    </div>
  );
}

interface ToolProps {
  on: boolean;
  title: string | undefined;
  onPress: () => void;
  children: string;
}

function Tool({ on, title, onPress, children }: ToolProps) {
  return (
    <button
      aria-pressed={on}
      title={title}
      className={`min-h-7 ${on ? 'font-bold underline' : 'opacity-70'}`}
      onClick={onPress}
    >
      {children}
    </button>
  );
}
