import type { UseQueryResult } from '@tanstack/react-query';
import { Component, Suspense, type ReactNode } from 'react';
import { useConnection } from '../api/live';
import { Button } from '../ui/Button';

interface Props {
  /** What the chapter draws from. */
  from: UseQueryResult<unknown>[];
  name: string;
  children: ReactNode;
}

/**
 * One chapter: drawn once everything it draws from is there; what failed says so and offers to try again; what goes
 * wrong in it stays in it.
 */
export function Chapter({ from, name, children }: Props) {
  const away = useConnection((s) => s.away);
  const failed = from.filter((q) => q.isError);
  const again = () => failed.forEach((q) => void q.refetch());
  const missing = from.some((q) => q.data === undefined);
  if (missing && failed.length === 0)
    return <p className="p-8 text-ink-2">{away ? 'The application is away.' : 'Opening…'}</p>;
  if (missing)
    return (
      <div role="alert" className="space-y-3 p-8">
        <h1 className="font-serif text-[22px] font-semibold">{name}</h1>
        <p className="text-madder">{words(failed[0]!.error)}</p>
        <Button kind="main" onClick={again}>
          Try again
        </Button>
      </div>
    );
  return (
    <Boundary key={name} name={name}>
      {failed.length > 0 && (
        <div role="alert" className="flex items-center gap-3 border-b border-madder bg-madder-soft px-3 py-1">
          <span className="min-w-0 flex-1">This is as it was last seen: {words(failed[0]!.error)}</span>
          <Button onClick={again}>Try again</Button>
        </div>
      )}
      <Suspense fallback={<p className="p-8 text-ink-2">Opening…</p>}>{children}</Suspense>
    </Boundary>
  );
}

const words = (error: unknown) =>
  error instanceof TypeError
    ? 'The application does not answer.'
    : error instanceof Error
      ? error.message
      : 'Something went wrong.';

interface BoundaryProps {
  name: string;
  children: ReactNode;
}

class Boundary extends Component<BoundaryProps, { error: Error | null }> {
  override state = { error: null as Error | null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override render() {
    if (this.state.error === null) return this.props.children;
    return (
      <div role="alert" className="space-y-3 p-8">
        <h1 className="font-serif text-[22px] font-semibold">{this.props.name}</h1>
        <p className="text-madder">This chapter cannot be drawn: {this.state.error.message}</p>
        <p className="text-ink-2">Nothing is lost; the other chapters work.</p>
        <Button kind="main" onClick={() => this.setState({ error: null })}>
          Try again
        </Button>{' '}
        <Button onClick={() => window.location.reload()}>Load the page anew</Button>
      </div>
    );
  }
}
