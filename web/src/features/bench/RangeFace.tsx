import type { ValueRow } from '../../api/client';

/** What a named range is: the picture of a gobo, the swatch of a colour; nothing for others. */
export function RangeFace({
  range,
  large,
}: {
  range: ValueRow['ranges'][number] | undefined;
  large?: boolean;
}) {
  const size = large ? 'h-8 w-8' : 'h-5 w-5';
  if (range?.picture)
    return (
      <img
        src={`/api/profiles/${range.profile}/pictures/${range.picture}`}
        alt=""
        className={`${size} shrink-0 rounded-full bg-white`}
      />
    );
  if (range?.swatch)
    return (
      <span
        className={`${size} shrink-0 rounded-full border border-line-strong`}
        style={{ background: range.swatch }}
      />
    );
  return null;
}
