import type { DraftChannel, DraftMode, DraftRange, ProfileDraft } from '../../api/client';

export const empty: ProfileDraft = {
  maker: '',
  name: '',
  weightKg: 0,
  watts: 0,
  beamDegrees: 0,
  lampKelvin: 0,
  modes: [],
};

export const slotsOf = (m: DraftMode) =>
  m.channels.reduce((n, c) => n + c.octets * (c.inCell ? Math.max(1, m.cells) : 1), 0);

/** First and last slot of each channel, cells counted once. */
export function slotSpans(m: DraftMode): string[] {
  let at = 1;
  return m.channels.map((c) => {
    const from = at;
    at += c.octets;
    return c.octets > 1 ? `${from}–${at - 1}` : `${from}`;
  });
}

/** Ranges as one line of text: 0-15 closed, 16-255 open #ffffff. */
export const rangesText = (ranges: DraftRange[]) =>
  ranges.map((r) => `${r.from}-${r.to} ${r.name}${r.colour ? ` ${r.colour}` : ''}`).join(', ');

/** The line of a chart that would give this channel, so that the server reads ranges by one rule. */
export const chartLine = (c: DraftChannel, ranges: string) =>
  `${c.attribute}${c.octets > 1 ? ` ${c.octets * 8}` : ''}: ${ranges}`;
