/** Taking back and doing again, each naming what it was. */
import { changeWords } from './change-words';
import { redo, say, undo, useDesk, type Made } from './store';

const ways = {
  back: { go: undo, from: 'past', done: 'Taken back' },
  again: { go: redo, from: 'future', done: 'Done again' },
} as const;
type Way = keyof typeof ways;

/** The last of what could be taken back or done again, in words; null when there is nothing. */
export function lastInWords(list: readonly Made[]): string | null {
  const entry = list.at(-1);
  return entry ? changeWords(entry) : null;
}

function go(way: Way): void {
  const before = useDesk.getState();
  const words = lastInWords(before[ways[way].from]);
  ways[way].go();
  const now = useDesk.getState();
  // What could not be taken back has said so itself.
  const done = way === 'back' ? now.future.length > before.future.length : now.past.length > before.past.length;
  if (words !== null && done) say(`${ways[way].done}: ${words}.`);
}

export const takeBack = (): void => go('back');
export const doAgain = (): void => go('again');
