/** Which words do what at the bench; all others do nothing. */
import { expect, it } from 'vitest';
import { heard } from './voice';

it('the last word said counts, however it is written; what is not meant does nothing', () => {
  expect(['done', 'Done.', 'so that is done', ' next!'].map(heard)).toEqual(['next', 'next', 'next', 'next']);
  expect(['back', 'go back', 'pause', 'Stop'].map(heard)).toEqual(['back', 'back', 'pause', 'pause']);
  expect(['', 'done it', 'nextdoor', 'the pause is over', '…'].map(heard)).toEqual([null, null, null, null, null]);
});
