/** Several makers on one computer: the hand at work is the one document of its name, the others are set aside beside it by theirs. */
import { defaultHand, type Hand } from '@/core/piece/hand';
import { readHand, type Read } from '@/core/piece/read';
import { freshId } from './files';
import { learnFromOthers } from './learn-from-others';
import { loadThing, loadThings, saveThing } from './storage';
import { editHand, useDesk } from './store';

const ASIDE = 'hand:';

/** Hands set aside that can be read, by name. */
export async function otherHands(): Promise<Hand[]> {
  const here = useDesk.getState().hand.id;
  const all = (await loadThings(ASIDE)).flatMap((raw) => {
    const read = readHand(raw);
    return read.ok && read.value.id !== here ? [read.value] : [];
  });
  return all.sort((a, b) => (a.name < b.name ? -1 : 1));
}

/** Keeps a hand beside the one at work, unless one of its name is there. */
export async function setAside(hand: Hand): Promise<void> {
  if ((await loadThing(`${ASIDE}${hand.id}`)) === undefined) await saveThing(`${ASIDE}${hand.id}`, hand);
}

/** Sets the hand at work aside and takes another one; undone like any change. */
async function take(hand: Hand): Promise<void> {
  const now = useDesk.getState().hand;
  await saveThing(`${ASIDE}${now.id}`, now);
  editHand(() => hand);
  await learnFromOthers();
}

export async function workAs(id: string): Promise<void> {
  const read = readHand(await loadThing(`${ASIDE}${id}`));
  if (read.ok) await take(read.value);
}

/** A hand for another maker, with first values. */
export const newHand = (name: string): Promise<void> => take({ ...defaultHand, id: freshId('hand'), name });

/** Takes a hand from a file; one of the same maker takes the place of what is here. */
export async function openHandFile(text: string): Promise<Read<Hand>> {
  let raw: unknown = null;
  try {
    raw = JSON.parse(text);
  } catch {
    return {
      ok: false,
      problems: [{ where: 'the whole file', says: 'The file is damaged or is not a hand file: it cannot be read.' }],
    };
  }
  const read = readHand(raw);
  if (read.ok) await take(read.value);
  return read;
}
