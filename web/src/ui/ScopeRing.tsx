/** For whom a palette's values hold: a whole ring, three arcs, or dots. */
export function ScopeRing({ scope, mixed }: { scope: string; mixed: boolean }) {
  const dash = scope === 'global' ? undefined : scope === 'per_type' ? '8.5 3.1' : '1.6 2.8';
  return (
    <svg
      width="16"
      height="16"
      viewBox="0 0 16 16"
      role="img"
      aria-label={`${scope.replace('_', ' ')}${mixed ? ' and broader' : ''}`}
    >
      <circle cx="8" cy="8" r="6.8" fill="var(--sheet)" opacity="0.75" />
      <circle cx="8" cy="8" r="5.5" fill="none" stroke="var(--ink)" strokeWidth="2" strokeDasharray={dash} />
    </svg>
  );
}
