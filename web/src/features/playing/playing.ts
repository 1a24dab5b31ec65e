import { create } from 'zustand';
import { answered, client, type PlayView, type RunView } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { inTurn, newestInTurn } from '../../api/turns';
import { attempt } from '../../doing/notices';

interface PlayingState {
  play: PlayView;
  /** When that was, in milliseconds of this page's clock: what moves is drawn on from there. */
  at: number;
}

const NOTHING: PlayView = { blind: false, master: 100, runs: [] };

/** What runs in the live show, as it was told last. */
export const usePlaying = create<PlayingState>(() => ({ play: NOTHING, at: 0 }));

const show = () => {
  const id = useCurrentShow.getState().id;
  if (id === null) throw new Error('No show is open.');
  return id;
};

const take = (play: PlayView) => usePlaying.setState({ play, at: performance.now() });

let asked = 0;

/** Looks at what runs; an answer that comes late does not take the place of a newer one. */
export async function lookAtPlaying() {
  const id = useCurrentShow.getState().id;
  const turn = ++asked;
  if (id === null) return take(NOTHING);
  const play = answered(await client.GET('/api/shows/{id}/play', { params: { path: { id } } }));
  if (turn === asked) take(play);
}

/** What can be pressed or moved; ids, levels in percent, rates in steps a minute. */
export interface Press {
  press:
    | 'go'
    | 'back'
    | 'pause'
    | 'jump'
    | 'release'
    | 'release-all'
    | 'level'
    | 'rate'
    | 'tap'
    | 'submaster'
    | 'flash'
    | 'group'
    | 'master'
    | 'blind';
  list?: number;
  cue?: number;
  submaster?: number;
  group?: number;
  value?: number;
  on?: boolean;
}

/** What is moved by it again and again; of what waits for its turn only the latest is sent. */
const moves = ({ press: kind, list, submaster, group }: Press) =>
  ['level', 'submaster', 'group', 'master', 'rate'].includes(kind)
    ? `${kind} ${list ?? submaster ?? group ?? ''}`
    : null;

const pressed = (what: Press) =>
  attempt(async () => {
    const turn = ++asked;
    const params = { path: { id: show() } };
    const play = answered(await client.POST('/api/shows/{id}/play', { params, body: what as never }));
    if (turn === asked) take(play);
  });

/**
 * Presses something, after what was asked for before it: what is recorded and then played is there. No edit: nothing of it
 * is kept or can be undone.
 */
export function press(what: Press): Promise<unknown> {
  const of = moves(what);
  return of === null ? inTurn(() => pressed(what)) : newestInTurn(`press ${of}`, what, pressed);
}

/** Seconds since a cue began, at this moment. */
export const secondsNow = (run: RunView, at: number) =>
  run.paused ? run.seconds : run.seconds + (performance.now() - at) / 1000;

/** How far the cue is, 0 to 1. */
export const shareNow = (run: RunView, at: number) =>
  run.length <= 0 ? 1 : Math.min(1, secondsNow(run, at) / run.length);

/** Steps of a chase since it began. */
export const positionNow = (run: RunView, at: number) =>
  run.paused ? run.position : run.position + ((performance.now() - at) / 60_000) * run.rate;
