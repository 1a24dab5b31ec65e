import { describe, expect, it } from 'vitest';
import { effect, movement } from '../../../testing/views';
import {
  alongOf,
  called,
  curveAt,
  editLine,
  endsLine,
  nearestPhase,
  number,
  partWords,
  pathAt,
  phaseOf,
  reachOf,
  shiftLine,
  standingWords,
} from './effects-model';

type Along = ReturnType<typeof effect>['along'];
const along = (of: Partial<Along>) => effect({ along: { ...effect({}).along, ...of } });

it('a phase is what is left of whole rounds, forwards and backwards', () => {
  expect(phaseOf(2.25)).toBeCloseTo(0.25);
  expect(phaseOf(-0.25)).toBeCloseTo(0.75);
  expect(phaseOf(3)).toBe(0);
});

describe('a curve between its samples', () => {
  it('is a line', () => {
    expect(curveAt([0, 0.4, 0], 0.25)).toBeCloseTo(0.2);
    expect(curveAt([0, 0.4, 0], 1)).toBeCloseTo(0);
  });
  it('jumps where it jumps', () => expect(curveAt([0, 1], 0.9)).toBe(0));
  it('goes through all of its samples', () => {
    const samples = Array.from({ length: 33 }, (_, i) => Math.sin((i / 32) * 2 * Math.PI) / 4);
    samples.forEach((v, i) => expect(curveAt(samples, i / 32)).toBeCloseTo(v, 9));
  });
});

describe('a path', () => {
  const square = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
    [0, 0],
  ];
  it('is walked from corner to corner', () => {
    expect(pathAt(square, 0.125)).toEqual([0.5, 0]);
    expect(pathAt(square, 1)).toEqual([0, 0]);
  });
  it('is found again from a point beside it', () => {
    expect(nearestPhase(square, 1.2, 1.1)).toBe(0.5);
    expect(nearestPhase(square, 1.1, -0.2)).toBe(0.25);
  });
});

describe('offsets', () => {
  it.each([
    [{ way: 'alike' }, 'alike'],
    [{ way: 'round', times: 1 }, 'round'],
    [{ way: 'round', times: 2 }, 'twice'],
    [{ way: 'round', times: 3 }, ''],
    [{ way: 'round', stops: [0.25] }, ''],
    [{ way: 'stops', stops: [0, 0.5, 0] }, 'back'],
    [{ way: 'stops', stops: [0, 0.5] }, ''],
  ])('%j is %s', (of, key) => expect(alongOf(along(of as Partial<Along>))).toBe(key));

  it('further on stay round the circle, or go on where they do not close', () => {
    expect(shiftLine(along({ times: 2, stops: [0.9] }), 0.2)).toBe('offset round 2 from 10');
    expect(shiftLine(along({ way: 'stops', stops: [0, 0.5] }), 0.25)).toBe('offset 25 thru 75');
  });

  it('keep blocks and directions', () => {
    expect(shiftLine(along({ blocks: 2, mirrored: true, backwards: true }), 0)).toBe(
      'offset round 1 from 0 blocks of 2 mirror reverse',
    );
  });
});

describe('in words', () => {
  it('the line edits one by its number, or what is set', () => {
    expect(editLine(effect({ number: 3 }))).toBe('edit effect 3');
    expect(editLine(effect({ number: 0 }), 2)).toBe('edit effect part 2');
    expect(called(effect({ number: 3, name: 'Sway' }))).toBe('effect 3 Sway');
    expect(called(effect({ number: 0 }))).toBe('what is set and not recorded');
  });

  it('each thing it does has a name', () => {
    expect(partWords(movement({}))).toBe('sine dimmer');
    expect(partWords(movement({ kind: 'shape', form: 'circle' }))).toBe('circle');
    expect(partWords(movement({ kind: 'run', palettes: [1, 2] as never }))).toBe('2 palettes');
  });

  it('ends are written as the line takes them', () => {
    expect(number(20.004)).toBe('20');
    expect(endsLine(movement({}), 20, 80.5)).toBe('at 20 thru 80.5');
    expect(endsLine(movement({ unit: '°' }), -20, 20)).toBe('at -20 thru 20 deg');
  });

  it.each([
    [{ steps: [], held: 0 }, 'Nothing is selected.'],
    [{ steps: [], held: 3 }, 'Nothing selected has what it moves.'],
    [{ steps: [{}], allSteps: 1, allUnits: 1, used: true }, 'It moves 1 unit in 1 step.'],
    [
      { steps: [{}, {}], allSteps: 4, allUnits: 8, used: false, ownSteps: 1 },
      'It would move 8 units in 4 steps selected. 1 of the steps at a rate or size of their own. 2 of the steps are drawn.',
    ],
  ])('what its dots stand for: %j', (of, words) => expect(standingWords(effect(of as never))).toBe(words));
});

it('a step reaches as far as its own size says, where it has one', () => {
  expect(reachOf({ size: 30 } as never, movement({ size: 20 } as never))).toBe(1.5);
  expect(reachOf({ size: null } as never, movement({ size: 20 } as never))).toBe(1);
  expect(reachOf({ size: 30 } as never, movement({ size: 20, palettes: [1] } as never))).toBe(1);
});
