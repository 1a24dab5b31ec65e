import type { MarkView, SceneryView } from '../api/client';
import type { RigPart } from '../api/rig-parts';
import type { Side, Spot, View } from './view';

/** What the stage is drawn in. */
export interface Colours {
  stage: string;
  line: string;
  ink: string;
  held: string;
  wrong: string;
  ready: string;
  eye: string;
}

export function colours(element: HTMLElement): Colours {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return {
    stage: of('--stage'),
    line: of('--stage-line'),
    ink: of('--stage-ink'),
    held: of('--stage-held'),
    wrong: of('--stage-wrong'),
    ready: of('--stage-ready'),
    eye: of('--stage-eye'),
  };
}

export interface Scene {
  width: number;
  height: number;
  view: View;
  spots: Spot[];
  parts: Map<string, RigPart>;
  /** order of each held unit, from 1 */
  order: Map<string, number>;
  marks: MarkView[];
  /** what stands around, as drawings have it */
  scenery: SceneryView[];
  waiting: number;
  side: Side;
  /** whether the way through the selection is drawn */
  path: boolean;
  /** numbers of fixtures that would be chosen */
  foreseen: Set<string> | null;
  /** number of the fixture that is being brought up */
  pointed?: number;
}
