import { isOnlyFiled } from './isOnlyFiled';

const done = (...acts: [action: string, at: number][]) => acts.map(([action, at]) => ({ action, at }));

describe('a record to which nothing was done but filing', () => {
  it.each([
    ['filed', done(['filed', 1]), true],
    ['filed by itself', done(['filedByItself', 1]), true],
    ['filed with a consent', done(['consentGiven', 1], ['filed', 1]), true],
    ['given a consent later', done(['consentGiven', 2], ['filed', 1]), false],
    ['corrected', done(['edited', 2], ['filed', 1]), false],
    ['filed from two cards', done(['filed', 2], ['filed', 1]), false],
    ['merged', done(['merged', 3], ['filed', 1]), false],
    ['never filed', done(['edited', 1]), false],
    ['unknown', [], false],
  ])('is told when it was %s', (_, history, only) => expect(isOnlyFiled(history)).toBe(only));
});
