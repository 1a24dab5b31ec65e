/** The plan's symbol of what a profile is told to be: a head is a disc, a dimmer a triangle, light that mixes a square. */
export function FamilyMark({ family, cells }: { family: string; cells?: boolean }) {
  const shape = cells ? (
    <rect x="1" y="5" width="16" height="8" rx="1.5" />
  ) : family === 'moving heads' ? (
    <circle cx="9" cy="9" r="6" />
  ) : family === 'dimmers' ? (
    <path d="M9 3 L15 15 L3 15 Z" />
  ) : family === 'colour mixing' || family === 'wheels and scrollers' ? (
    <rect x="3.5" y="3.5" width="11" height="11" rx="2" />
  ) : (
    <path d="M9 2.5 L15.5 9 L9 15.5 L2.5 9 Z" />
  );
  return (
    <svg
      width="18"
      height="18"
      viewBox="0 0 18 18"
      className="shrink-0 text-petrol"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.6"
      aria-hidden="true"
    >
      {shape}
    </svg>
  );
}
