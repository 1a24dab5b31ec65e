/** What the pointer rests on, in words, and where in the window. */
export interface Under {
  x: number;
  y: number;
  words: string;
}

interface Props {
  under: Under | null;
  /** What a press would do, or is doing; empty when it picks. */
  words: string;
  /** What is drawn in place of what the lights do. */
  instead: string | undefined;
  /** Of the window, in pixels. */
  width: number;
}

/** All that the plan says over its picture: at the pointer, above, below. */
export function StageWords({ under, words, instead, width }: Props) {
  return (
    <>
      {under && (
        <span
          aria-hidden="true"
          className="pointer-events-none absolute z-10 max-w-64 truncate rounded bg-stage/90 px-1.5 text-[12px] whitespace-nowrap outline outline-stage-line"
          style={{
            top: Math.max(0, under.y - 26),
            ...(under.x < width / 2 ? { left: under.x + 8 } : { right: width - under.x + 8 }),
          }}
        >
          {under.words}
        </span>
      )}
      {words && (
        <p
          role="status"
          className="pointer-events-none absolute inset-x-0 top-0 bg-stage/85 px-3 py-1 text-[12px]"
        >
          {words}
        </p>
      )}
      {instead && (
        <p
          role="status"
          className="pointer-events-none absolute inset-x-0 bottom-0 bg-stage/85 px-3 py-1 text-[13px]"
        >
          <strong>{instead}</strong> as it would be by itself — not what the lights do now
        </p>
      )}
    </>
  );
}
