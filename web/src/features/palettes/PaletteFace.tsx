import type { PaletteView } from '../../api/client';

type Face = PaletteView['face'];

/** Colours side by side, with hard edges: a split face says that types differ visibly. */
const split = (colours: string[]) =>
  colours.length < 2
    ? colours[0]
    : `linear-gradient(90deg, ${colours
        .map((c, i) => `${c} ${(100 * i) / colours.length}% ${(100 * (i + 1)) / colours.length}%`)
        .join(', ')})`;

/** What a palette's niche shows: its colours, a gobo's picture, where beams land, a cone, a level's height, or a word. */
export function PaletteFace({ face, kind }: { face: Face; kind: string }) {
  if (face.colours.length > 0 && kind !== 'position')
    return <span className="absolute inset-0" style={{ background: split(face.colours) }} />;
  if (face.picture)
    return (
      <span className="absolute inset-0 flex items-center justify-center bg-stage">
        <img src={face.picture} alt="" className="h-10 w-10 rounded-full bg-white" />
      </span>
    );
  if (kind === 'position' && face.word && face.spots.length === 1) return <Cairn />;
  if (face.spots.length > 0) return <Spots spots={face.spots} />;
  if (face.cone > 0) return <Cone degrees={face.cone} />;
  if (face.level >= 0)
    return (
      <span className="absolute inset-0">
        <span
          className="absolute bottom-0 left-0 w-full bg-ochre/50"
          style={{ height: `${face.level}%`, borderTop: '2px solid var(--ochre)' }}
        />
      </span>
    );
  return (
    <span className="absolute inset-0 flex items-center justify-center px-1 pt-3 text-center font-serif text-[12px] leading-3 text-ink-2">
      {face.word || (kind === 'position' ? '⌖' : '◇')}
    </span>
  );
}

/** It stands at a mark. */
function Cairn() {
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      <path d="M10 52 H62" stroke="var(--line-strong)" strokeWidth="1" />
      <g fill="var(--ochre)">
        <ellipse cx="36" cy="47" rx="12" ry="4.5" />
        <ellipse cx="36" cy="39" rx="8" ry="3.5" />
        <ellipse cx="36" cy="32.5" rx="5" ry="3" />
      </g>
    </svg>
  );
}

/** Where beams land, seen from above: the audience is below. */
function Spots({ spots }: { spots: Face['spots'] }) {
  const xs = spots.map((s) => s.x);
  const ys = spots.map((s) => s.y);
  const span = Math.max(4, Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const midX = (Math.max(...xs) + Math.min(...xs)) / 2;
  const midY = (Math.max(...ys) + Math.min(...ys)) / 2;
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      <path d="M10 56 H62" stroke="var(--line-strong)" strokeWidth="1" />
      {spots.map((s, i) => (
        <circle
          key={i}
          cx={36 + (40 * (s.x - midX)) / span}
          cy={36 - (30 * (s.y - midY)) / span}
          r="3"
          fill="none"
          stroke="var(--petrol)"
          strokeWidth="1.6"
        />
      ))}
    </svg>
  );
}

function Cone({ degrees }: { degrees: number }) {
  const half = Math.min(30, 44 * Math.tan((Math.min(degrees, 70) * Math.PI) / 360) + 1);
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      <path d={`M36 10 L${36 - half} 52 H${36 + half} Z`} fill="var(--ochre)" opacity="0.45" />
      <text x="36" y="34" textAnchor="middle" fontSize="11" fill="var(--ink)">
        {Math.round(degrees)}°
      </text>
    </svg>
  );
}
