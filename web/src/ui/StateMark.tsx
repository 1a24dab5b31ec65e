export type State = 'ready' | 'needs-an-eye' | 'wrong' | 'not-begun';

const WORDS: Record<State, string> = {
  ready: 'ready',
  'needs-an-eye': 'needs a look',
  wrong: 'wrong',
  'not-begun': 'not begun',
};

/** A state by shape as well as colour: disc, triangle, square, ring. */
export function StateMark({ state }: { state: State }) {
  return (
    <svg width="10" height="10" viewBox="0 0 10 10" role="img" aria-label={WORDS[state]} className="shrink-0">
      {state === 'ready' && <circle cx="5" cy="5" r="4.5" fill="var(--moss)" />}
      {state === 'needs-an-eye' && <path d="M5 0.5 9.8 9.5H0.2z" fill="var(--ochre)" />}
      {state === 'wrong' && <rect x="0.5" y="0.5" width="9" height="9" fill="var(--madder)" />}
      {state === 'not-begun' && (
        <circle cx="5" cy="5" r="3.8" fill="none" stroke="var(--line-strong)" strokeWidth="1.6" />
      )}
    </svg>
  );
}
