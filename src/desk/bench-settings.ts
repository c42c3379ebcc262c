/** What the maker chose about the bench: keys, sounds, spoken lines, a stretch now and then. */
import { z } from 'zod';

/** What a key of the bench does. */
export const BENCH_KEYS = ['next', 'back', 'pause', 'note'] as const;
export type BenchKey = (typeof BENCH_KEYS)[number];

export const BENCH_KEY_WORDS: Readonly<Record<BenchKey, string>> = {
  next: 'Done: the next thing',
  back: 'Take the last thing back',
  pause: 'Timer on or off',
  note: 'Write a note',
};

/** Keys the browser, the desk or the way between fields has already. */
const TAKEN = new Set([
  'Tab',
  'Escape',
  'Enter',
  'Shift',
  'Control',
  'Alt',
  'AltGraph',
  'Meta',
  'CapsLock',
  'F5',
  'F11',
]);
/** So many keys for one thing. */
const MOST = 4;

/** A key as it is kept: letters small, so that Shift or Caps Lock do not matter. */
export const keyOf = (key: string): string => (key.length === 1 ? key.toLowerCase() : key);

/** A key as it is read. */
export const keyWords = (key: string): string =>
  key === ' ' ? 'Space' : key.length === 1 ? key.toUpperCase() : key.replace(/([a-z])([A-Z])/g, '$1 $2');

const keys = (usual: string[]) => z.array(z.string().min(1).max(30)).min(1).max(MOST).catch(usual).default(usual);

export const USUAL_KEYS: Readonly<Record<BenchKey, readonly string[]>> = {
  next: [' ', 'PageDown'],
  back: ['Backspace', 'PageUp'],
  pause: ['t'],
  note: ['n'],
};

export const SOUNDS = ['done', 'pause', 'end'] as const;
export type Sound = (typeof SOUNDS)[number];
export const SOUND_WORDS: Readonly<Record<Sound, string>> = {
  done: 'a row or a step is done',
  pause: 'the timer stands still',
  end: 'the time for today is over',
};

/** Minutes at work until a stretch may be asked for; ours: hands that needle for longer without a break begin to hurt. */
export const STRETCH = { least: 5, usual: 25, most: 120 } as const;

const flag = (usual: boolean) => z.boolean().catch(usual).default(usual);

export const benchSettingsSchema = z.object({
  keys: z
    .object({
      next: keys([...USUAL_KEYS.next]),
      back: keys([...USUAL_KEYS.back]),
      pause: keys([...USUAL_KEYS.pause]),
      note: keys([...USUAL_KEYS.note]),
    })
    .prefault({}),
  sounds: z.object({ done: flag(false), pause: flag(false), end: flag(true) }).prefault({}),
  /** The next row or step is read out, by a voice this machine has itself. */
  speaks: flag(false),
  /** Minutes at work until a stretch is due; null where none is asked for. */
  stretchMinutes: z.number().int().min(STRETCH.least).max(STRETCH.most).nullable().catch(null).default(null),
  /** Full screen with a dim surround. */
  dim: flag(false),
});
export type BenchSettings = z.infer<typeof benchSettingsSchema>;

/**
 * A key given to one of the things the bench does.
 * @returns the keys as they are then, or why it cannot be, in words
 */
export function withKey(
  now: BenchSettings['keys'],
  of: BenchKey,
  pressed: string,
): { readonly ok: true; readonly keys: BenchSettings['keys'] } | { readonly ok: false; readonly says: string } {
  const key = keyOf(pressed);
  const no = (says: string) => ({ ok: false as const, says });
  if (TAKEN.has(key)) return no(`${keyWords(key)} is needed elsewhere: take another key.`);
  if (/^[1-8?]$/.test(key)) return no(`${keyWords(key)} goes to another stage or opens the keys: take another one.`);
  const other = BENCH_KEYS.find((k) => now[k].includes(key));
  if (other === of) return { ok: true, keys: now };
  if (other) return no(`${keyWords(key)} already does: ${BENCH_KEY_WORDS[other].toLowerCase()}.`);
  if (now[of].length >= MOST) return no(`${MOST} keys for one thing are enough: take one away first.`);
  return { ok: true, keys: { ...now, [of]: [...now[of], key] } };
}

/** A key taken away again; the last one of a thing stays, or it could not be done by key at all. */
export const withoutKey = (now: BenchSettings['keys'], of: BenchKey, key: string): BenchSettings['keys'] =>
  now[of].length > 1 ? { ...now, [of]: now[of].filter((k) => k !== key) } : now;
