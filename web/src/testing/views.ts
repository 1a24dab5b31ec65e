import type { CueView, EffectView, FixtureView, MovementView } from '../api/client';

/** A fixture as the server tells it, for tests. */
export const fixture = (of: Partial<FixtureView>): FixtureView => ({
  id: of.number ?? 1,
  number: 1,
  name: '',
  maker: '',
  profile: 'House Dimmer',
  profileId: 'dimmer',
  mode: '1-slot',
  slots: 1,
  cells: 0,
  address: '1.1',
  claims: [{ universe: 1, from: 1, to: 1, shared: false }],
  position: '',
  purpose: '',
  form: 'dimmer',
  placed: true,
  x: 0,
  y: 0,
  z: 0,
  clash: false,
  shared: false,
  notes: '',
  answer: 'not tried',
  answerNote: '',
  turns: false,
  panInverted: false,
  tiltInverted: false,
  gel: '',
  ...of,
});

/** A cue with its times, in seconds. */
export const cue = (of: Partial<CueView>): CueView =>
  ({
    id: 1,
    number: '1',
    name: '',
    waits: 0,
    rises: 3,
    falls: 3,
    others: 3,
    next: 'press',
    after: 0,
    ...of,
  }) as CueView;

/** An effect of one wave. */
export const effect = (of: Partial<EffectView>): EffectView =>
  ({
    number: 1,
    name: 'Swell',
    used: true,
    steps: [],
    allSteps: 0,
    allUnits: 0,
    held: 0,
    ownSteps: 0,
    along: { way: 'round', times: 1, stops: [0], blocks: 1, mirrored: false, backwards: false },
    ...of,
  }) as unknown as EffectView;

/** A movement of an effect. */
export const movement = (of: Partial<MovementView>): MovementView =>
  ({
    kind: 'wave',
    form: 'sine',
    what: 'dimmer',
    palettes: [],
    size: 20,
    unit: '%',
    ...of,
  }) as unknown as MovementView;
