import { useRef, useState, type ReactNode } from 'react';

interface Props {
  /** a sign for what has no number yet */
  number: number | string;
  name: string;
  face: ReactNode;
  ring?: ReactNode;
  dimmed?: boolean;
  /** It is what is looked at. */
  active?: boolean;
  /** What it keeps is selected, or applied. */
  pressed?: boolean | 'mixed';
  follow: 'all' | 'some' | 'none';
  title: string;
  /** what it is marked with */
  tint?: string;
  onPress: (e: React.MouseEvent | React.KeyboardEvent) => void;
  /** Answers whether it was done; what was typed stays when not. */
  onRename: (name: string) => Promise<boolean>;
  onLook?: (looking: boolean, focus: boolean) => void;
  /** Enter or Space goes down: for what has to be held. */
  onHoldKey?: () => void;
  /** Keys of its own. @returns whether it was one */
  onKey?: (e: React.KeyboardEvent) => boolean;
  /** What is dragged or dropped here. */
  drag?: {
    ref: (element: HTMLElement | null) => void;
    handlers: React.DOMAttributes<HTMLElement>;
    over: boolean;
    dragged: boolean;
  };
}

/** A numbered place that keeps one thing: an arch on a ledge. */
export function Niche({
  number,
  name,
  face,
  ring,
  dimmed,
  active,
  pressed = false,
  follow,
  title,
  tint,
  onPress,
  onRename,
  onLook,
  onHoldKey,
  onKey,
  drag,
}: Props) {
  const [renaming, setRenaming] = useState(false);
  const busy = useRef(false);
  const arch = useRef<HTMLButtonElement>(null);
  /** By key: the keys go on where they were. */
  const back = () => window.requestAnimationFrame(() => arch.current?.focus());
  const rename = async (to: string) => {
    if (busy.current) return;
    busy.current = true;
    const done = to === name || (await onRename(to));
    busy.current = false;
    if (done) setRenaming(false);
  };
  return (
    <div
      ref={drag?.ref}
      className={`flex w-[84px] flex-col items-center ${drag?.dragged ? 'opacity-40' : ''} ${drag?.over ? 'bg-petrol-soft' : ''}`}
      onMouseEnter={() => onLook?.(true, false)}
      onMouseLeave={() => onLook?.(false, false)}
    >
      <button
        ref={arch}
        data-niche
        title={title}
        aria-label={`${number} ${name}. ${title}`}
        aria-pressed={pressed}
        aria-current={active || undefined}
        onClick={onPress}
        onFocus={() => onLook?.(true, true)}
        onBlur={() => onLook?.(false, true)}
        {...drag?.handlers}
        onKeyDown={(e) => {
          if (onKey?.(e)) return;
          // With these held no browser presses a button by itself.
          if (e.key === 'Enter' && (e.ctrlKey || e.metaKey || e.altKey)) {
            e.preventDefault();
            if (!e.repeat) onPress(e);
          } else if (e.key === 'F2') setRenaming(true);
          else if (onHoldKey && (e.key === 'Enter' || e.key === ' ')) {
            if (!e.repeat) onHoldKey();
            e.preventDefault();
          } else step(e);
        }}
        className={`relative h-[72px] w-[72px] overflow-hidden rounded-t-[36px] rounded-b-[4px] border border-line-strong bg-sheet ${active || pressed === true ? 'outline-2 outline-offset-3 outline-petrol' : ''}`}
      >
        <span className={dimmed ? 'opacity-45' : ''}>{face}</span>
        {ring && <span className="absolute top-2 left-1/2 -translate-x-1/2">{ring}</span>}
        <span
          className={`mono absolute bottom-1 left-1/2 -translate-x-1/2 rounded px-1 text-[11px] font-bold text-ink ${tint && tint !== 'none' ? `tint-${tint}` : 'bg-sheet'}`}
        >
          {number}
        </span>
      </button>
      {renaming ? (
        <input
          autoFocus
          aria-label={`Name of ${number}`}
          className="mt-0.5 h-5 w-full rounded border border-petrol bg-sheet px-1 text-[12px]"
          defaultValue={name}
          onBlur={(e) => void rename(e.currentTarget.value)}
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === 'Enter') void rename(e.currentTarget.value).then(back);
            else if (e.key === 'Escape') {
              setRenaming(false);
              back();
            }
          }}
        />
      ) : (
        <div
          onDoubleClick={() => setRenaming(true)}
          className="mt-0.5 h-5 w-full truncate text-center text-[12px]"
          title={`${name} — double-click or F2 to rename`}
        >
          {name}
        </div>
      )}
      <div className="ledge w-full" data-follow={follow} />
    </div>
  );
}

interface EmptyProps {
  number: number;
  /** Chooses it as the place to record into, or makes what is said. */
  onPress?: () => void;
  /** What stands in it; nothing but its number when absent. */
  label?: string;
  drag?: Pick<NonNullable<Props['drag']>, 'ref' | 'over'>;
}

/** An empty place that can be recorded into. */
export function EmptyNiche({ number, onPress, label, drag }: EmptyProps) {
  const shape =
    'relative h-[72px] w-[72px] rounded-t-[36px] rounded-b-[4px] border border-dashed border-line';
  const face = (
    <span className="mono absolute bottom-1 left-1/2 -translate-x-1/2 text-[11px] text-ink-label">
      {number}
    </span>
  );
  return (
    <div
      ref={drag?.ref}
      className={`flex w-[84px] flex-col items-center ${drag?.over ? 'bg-petrol-soft' : ''}`}
      aria-hidden={onPress ? undefined : true}
    >
      {onPress ? (
        <button
          data-niche
          title={label ? `${label} ${number}` : `Record into ${number}`}
          aria-label={label ? `${label} ${number}` : `${number}, empty: record into it`}
          className={`${shape} hover:border-petrol`}
          onClick={onPress}
          onKeyDown={step}
        >
          {label && (
            <span className="absolute inset-x-0 top-4 text-center font-serif text-[20px] leading-5 text-petrol">
              +
            </span>
          )}
          {face}
        </button>
      ) : (
        <div className={shape}>{face}</div>
      )}
      <div className="mt-0.5 h-5 text-[12px] text-ink-label">{label}</div>
      <div className="ledge w-full" />
    </div>
  );
}

/** Arrow keys move among the niches. */
function step(e: React.KeyboardEvent<HTMLButtonElement>) {
  const all = [...document.querySelectorAll<HTMLButtonElement>('[data-niche]')];
  const here = all.indexOf(e.currentTarget);
  const top = e.currentTarget.getBoundingClientRect().top;
  const row = all.filter((b) => Math.abs(b.getBoundingClientRect().top - top) < 4).length;
  const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: row, ArrowUp: -row }[e.key];
  if (by === undefined) return;
  e.preventDefault();
  all[here + by]?.focus();
}
