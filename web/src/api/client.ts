import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type ShowView = Schemas['ShowView'];
export type PatchView = Schemas['PatchView'];
export type FixtureView = Schemas['FixtureView'];
export type ClashView = Schemas['ClashView'];
export type DeskView = Schemas['DeskView'];
export type ValueRow = Schemas['ValueRow'];
export type PlayView = Schemas['PlayView'];
export type RunView = Schemas['RunView'];
export type LooksView = Schemas['LooksView'];
export type CueListView = Schemas['ListView'];
export type CueView = Schemas['CueView'];
export type KeptView = Schemas['KeptView'];
export type LookRow = Schemas['ContentRow'];
export type EffectView = Schemas['EffectView'];
export type MovementView = Schemas['MovementView'];
export type StarterEffectView = Schemas['StarterEffectView'];
export type GroupView = Schemas['GroupView'];
export type StarterView = Schemas['StarterView'];
export type MarkView = Schemas['MarkView'];
export type PaletteView = Schemas['PaletteView'];
export type LineResponse = Schemas['EditResult'];
export type ProblemView = Schemas['ProblemView'];
export type HookupView = Schemas['HookupView'];
export type UniverseView = Schemas['UniverseView'];
export type SceneView = Schemas['SceneView'];
export type SceneryView = Schemas['SceneryView'];
export type ComparisonView = Schemas['ComparisonView'];
export type DifferenceView = Schemas['DifferenceView'];
export type AloudView = Schemas['AloudView'];
export type ProfileDraft = Schemas['ProfileDraft'];
export type DraftMode = Schemas['DraftMode'];
export type DraftChannel = Schemas['DraftChannel'];
export type DraftRange = Schemas['DraftRange'];
export type StripView = Schemas['StripView'];
export type FileResult = Schemas['FileResult'];
export type ListedShow = Schemas['ListedShow'];
export type CheckView = Schemas['CheckView'];
/** What there may be nothing of is null. */
export type CheckRow = Omit<Schemas['CheckRow'], 'spot' | 'aside' | 'changed'> & {
  spot: Schemas['FoundAt'] | null;
  aside: Schemas['AsideView'] | null;
  changed: Schemas['AsideView'] | null;
};
export type SignedView = Schemas['SignedView'];
export type StorageView = Schemas['StorageView'];
export type PracticeView = Schemas['PracticeView'];
export type DevicesView = Schemas['DevicesView'];
export type DeviceRowView = Omit<Schemas['DeviceRowView'], 'device'> & { device?: Schemas['DeviceView'] };

export const client = createClient<paths>({ baseUrl: '/' });

/** A refusal as the server words it. */
export class RefusedError extends Error {
  readonly problems: ProblemView[];
  constructor(message: string, problems: ProblemView[]) {
    super(message);
    this.problems = problems;
  }
}

interface ProblemBody {
  detail?: string;
  problems?: ProblemView[];
}

/** What would happen; what would be refused is thrown as if it had been. */
export function foreseen<T extends { problems: ProblemView[] }>(result: {
  data?: T;
  error?: unknown;
  response: Response;
}): T {
  const outcome = answered(result);
  const refusal = outcome.problems.find((p) => p.severity === 'refusal');
  if (refusal) throw new RefusedError(refusal.words, outcome.problems);
  return outcome;
}

/** The answer's data, or the refusal as an error. */
export function answered<T>(result: { data?: T; error?: unknown; response: Response }): T {
  if (result.response.ok && result.data !== undefined) return result.data;
  const body = (result.error ?? {}) as ProblemBody;
  throw new RefusedError(body.detail ?? 'The application does not answer.', body.problems ?? []);
}
