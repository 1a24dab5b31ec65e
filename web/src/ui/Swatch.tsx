/** Colours side by side in a small disc; nothing where there are none. */
export function Swatch({ colours }: { colours: string[] }) {
  if (colours.length === 0) return null;
  const stops = colours.map(
    (c, i) => `${c} ${(100 * i) / colours.length}% ${(100 * (i + 1)) / colours.length}%`,
  );
  return (
    <span
      aria-hidden="true"
      className="h-4 w-4 shrink-0 rounded-full border border-line-strong"
      style={{
        background: colours.length === 1 ? colours[0] : `linear-gradient(90deg, ${stops.join(', ')})`,
      }}
    />
  );
}
