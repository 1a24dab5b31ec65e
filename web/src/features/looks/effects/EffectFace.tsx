import type { EffectView } from '../../../api/client';

/** What an effect's niche shows: its curve, its path, or the colours it goes through. */
export function EffectFace({ effect }: { effect: EffectView }) {
  const first = effect.movements[0];
  if (!first) return null;
  if (first.kind === 'run') return <Colours swatches={first.palettes.map((p) => p.swatch)} />;
  const points =
    first.kind === 'shape'
      ? first.path.map(([x, y]) => `${36 + x! * 17},${33 - y! * 17}`)
      : first.curve.map((v, i) => `${12 + (i / (first.curve.length - 1)) * 48},${33 - v * 15}`);
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      <polyline
        points={points.join(' ')}
        fill="none"
        stroke="var(--petrol)"
        strokeWidth="2"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** Colours as parts of a ring; what has none is drawn as paper. */
function Colours({ swatches }: { swatches: string[] }) {
  const n = Math.max(1, swatches.length);
  const at = (i: number) => [
    36 + Math.cos((i / n) * 2 * Math.PI - Math.PI / 2) * 17,
    32 + Math.sin((i / n) * 2 * Math.PI - Math.PI / 2) * 17,
  ];
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      {n === 1 ? (
        <circle cx="36" cy="32" r="17" fill={swatches[0] || 'var(--sunk)'} stroke="var(--line-strong)" />
      ) : (
        swatches.map((swatch, i) => (
          <path
            key={i}
            d={`M36,32 L${at(i).join(',')} A17,17 0 ${n < 2 ? 1 : 0} 1 ${at(i + 1).join(',')} Z`}
            fill={swatch || 'var(--sunk)'}
            stroke="var(--line-strong)"
            strokeWidth="0.5"
          />
        ))
      )}
    </svg>
  );
}
