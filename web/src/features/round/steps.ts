/** What the round looks at to see that a step was done. */
export interface Seen {
  fixtures: number;
  groups: number;
  /** Attributes of the selection that a palette gives. */
  fromPalette: number;
  palettes: number;
  cues: number;
  mended: number;
  versions: number;
}

export interface Step {
  chapter: string;
  to: string;
  words: string;
  /** It is done when there are more of these than when the step began. */
  more: keyof Seen;
}

/** Seven steps along the order of work; each is done with the real pages, by whatever way one likes. */
export const STEPS: Step[] = [
  {
    chapter: 'Patch',
    to: '/patch',
    words:
      'Add four fixtures: choose a profile in the form at the foot, say how many, see where they land, press Patch. Or type: patch 951 thru 954 as "Ember Par / 6-slot" at next gap.',
    more: 'fixtures',
  },
  {
    chapter: 'Groups',
    to: '/groups',
    words:
      'Make a group of them: type their numbers in the line, or draw a frame on the plan; then press R, type a name, Enter.',
    more: 'groups',
  },
  {
    chapter: 'Palettes',
    to: '/palettes',
    words: 'Give the selection a colour: press one in the shelf. Each type gets it as well as it can.',
    more: 'fromPalette',
  },
  {
    chapter: 'Palettes',
    to: '/palettes',
    words: 'Make a palette of your own: change the colour on the bench, press R, type a name, Enter.',
    more: 'palettes',
  },
  {
    chapter: 'Looks',
    to: '/looks',
    words: 'Record a cue: type at 60 for some light, then press R, type a name, Enter. Go plays it.',
    more: 'cues',
  },
  {
    chapter: 'Check',
    to: '/check',
    words: 'See what is still open, and mend one of it by its first button. Undo takes it back.',
    more: 'mended',
  },
  {
    chapter: 'Show',
    to: '/show',
    words:
      'Keep a version before you hand over: type a name beside Versions and press Enter. Paper and the parcel are under Hand over.',
    more: 'versions',
  },
];

export interface Progress {
  /** From 0; as many as there are steps when the round is done. */
  at: number;
  /** How many there were when the step began; null until that is known. */
  from: number | null;
}

/** The progress once this is seen: a step begins when it is first looked at, and the next one behind it when there is more. */
export function seen(progress: Progress, now: Seen): Progress {
  const step = STEPS[progress.at];
  if (!step) return progress;
  const count = now[step.more];
  if (progress.from === null || count < progress.from) return { ...progress, from: count };
  return count > progress.from ? { at: progress.at + 1, from: null } : progress;
}
