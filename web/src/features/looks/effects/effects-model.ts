import type { EffectView, MovementView, Schemas } from '../../../api/client';

type StepView = Schemas['StepView'];

/** What is set first on the selected, or done besides. */
export const BEGINNINGS = [
  { text: 'Level', what: 'sine of dimmer at 20 thru 80', turning: 'rate 30 offset round' },
  { text: 'Circle', what: 'circle of position size 20', turning: 'rate 12 offset round' },
  { text: 'Zoom', what: 'sine of zoom at 20 thru 80', turning: 'rate 10' },
];

/**
 * How the line changes an effect: by its number, or what moves the selected when it has none.
 *
 * @param part which of what it does at once is meant, from 1; 0 for whatever has what is changed
 */
export const editLine = (effect: EffectView, part = 0) =>
  `edit effect${effect.number > 0 ? ` ${effect.number}` : ''}${part > 0 ? ` part ${part}` : ''}`;

/** Why an effect cannot be changed that only looks use and that has no number, and what to do. */
export const OUT_OF_REACH =
  'It has no number: to change it, select those that it moves, or open the look that uses it.';

/** One of the things it does, in a word or two. */
export const partWords = (m: MovementView) =>
  m.kind === 'run'
    ? `${m.palettes.length} palettes`
    : m.kind === 'shape'
      ? m.form
      : `${m.form} ${m.what}`.trim();

/** What an effect is called, recorded or not. */
export const called = (effect: EffectView) =>
  effect.number > 0 ? `effect ${effect.number} ${effect.name}` : 'what is set and not recorded';

/** Rounds that a step has turned now, with its offset. @param at when it was told, by the clock of the day in milliseconds */
export const turnsNow = (step: StepView, at: number) =>
  step.turns + step.offset + ((Date.now() - at) / 60_000) * step.rate;

/** How far a step goes, as a share of the movement's own size: where it is used it may have another one. */
export const reachOf = (step: StepView, m: MovementView) =>
  step.size != null && m.size != null && m.size > 0 && m.palettes.length === 0 ? step.size / m.size : 1;

/** Where a step of a random wave is in its round, −1 to 1; null when it has turned further than was told. */
export function chanceAt(step: StepView, values: number[] | undefined, at: number): number | null {
  const rounds = Math.floor(turnsNow(step, at)) - Math.floor(step.turns + step.offset);
  return values?.[rounds] ?? null;
}

/** The part of a round, 0 to 1. */
export const phaseOf = (turns: number) => turns - Math.floor(turns);

/** The curve at a phase, between the samples that were told; a jump stays one. */
export function curveAt(curve: number[], phase: number) {
  const last = curve.length - 1;
  const along = phase * last;
  const left = Math.min(Math.floor(along), last - 1);
  const [a, b] = [curve[left]!, curve[left + 1]!];
  return Math.abs(b - a) > 0.5 ? a : a + (along - left) * (b - a);
}

/** The path at a phase. */
export function pathAt(path: number[][], phase: number): [number, number] {
  const last = path.length - 1;
  const along = phase * last;
  const left = Math.min(Math.floor(along), last - 1);
  const [a, b] = [path[left]!, path[left + 1]!];
  const share = along - left;
  return [a[0]! + share * (b[0]! - a[0]!), a[1]! + share * (b[1]! - a[1]!)];
}

/** Numbers as the line takes them. */
export const number = (value: number) => String(Number(value.toFixed(2)));

/** The ends of a wave as the line writes them. */
export const endsLine = (m: MovementView, low: number, high: number) =>
  `at ${number(low)} thru ${number(high)}${m.unit === '°' ? ' deg' : ''}`;

/** What the dots of an effect stand for, and what is wrong with it. */
export function standingWords(effect: EffectView) {
  if (effect.steps.length === 0)
    return effect.held === 0 ? 'Nothing is selected.' : 'Nothing selected has what it moves.';
  const { allUnits: units, allSteps: steps } = effect;
  const who = `${units} ${units === 1 ? 'unit' : 'units'} in ${steps} ${steps === 1 ? 'step' : 'steps'}`;
  const thinned = steps > effect.steps.length ? ` ${effect.steps.length} of the steps are drawn.` : '';
  return (
    (effect.used ? `It moves ${who}.` : `It would move ${who} selected.`) +
    (effect.ownSteps > 0 ? ` ${effect.ownSteps} of the steps at a rate or size of their own.` : '') +
    thinned
  );
}

/** The offsets in words that are pressed. */
export const ALONG = [
  { key: 'alike', text: 'in step', line: 'offset 0' },
  { key: 'round', text: 'spread over one cycle', line: 'offset round' },
  { key: 'twice', text: 'over two cycles', line: 'offset round 2' },
  { key: 'back', text: 'out and back', line: 'offset 0 thru 50 thru 0' },
] as const;

/** Which of them an effect has; empty for others. */
export function alongOf({ along }: EffectView) {
  const stops = along.stops.join(' ');
  if (along.way === 'alike') return 'alike';
  if (along.way === 'round')
    return stops !== '0' ? '' : along.times === 1 ? 'round' : along.times === 2 ? 'twice' : '';
  return stops === '0 0.5 0' ? 'back' : '';
}

/** All offsets further on by a share of a round, as the line writes them. */
export function shiftLine({ along }: EffectView, by: number) {
  const round = along.way === 'round';
  // Round the circle, a whole round further is where it was.
  const stops = along.stops.map((s) => number((round ? phaseOf(s + by) : s + by) * 100));
  const how = round ? `round ${along.times} from ${stops[0]}` : stops.join(' thru ');
  return [
    'offset',
    how,
    along.blocks > 1 && `blocks of ${along.blocks}`,
    along.mirrored && 'mirror',
    along.backwards && 'reverse',
  ]
    .filter(Boolean)
    .join(' ');
}

/** Where on a path a point lies the nearest, as a share of the round. */
export function nearestPhase(path: number[][], x: number, y: number) {
  const far = path.map(([px, py]) => Math.hypot(px! - x, py! - y));
  return far.indexOf(Math.min(...far)) / (path.length - 1);
}
