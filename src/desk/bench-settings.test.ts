/** Keys of the bench as the maker sets them: no key does two things, and everything keeps a key. */
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { BENCH_KEYS, benchSettingsSchema, withKey, withoutKey, type BenchKey } from './bench-settings';
import { settingsSchema } from './settings';

const usual = benchSettingsSchema.parse({});

describe('keys of the bench', () => {
  it('begin as the bench always had them; sounds are off but for the end of the sitting', () => {
    expect(usual.keys).toEqual({ next: [' ', 'PageDown'], back: ['Backspace', 'PageUp'], pause: ['t'], note: ['n'] });
    expect(usual.sounds).toEqual({ done: false, pause: false, end: true });
    expect([usual.speaks, usual.stretchMinutes, usual.dim]).toEqual([false, null, false]);
  });
  it('are what a pedal types, told apart whatever Caps Lock does', () => {
    const r = withKey(usual.keys, 'next', 'F9');
    expect(r.ok && r.keys.next).toEqual([' ', 'PageDown', 'F9']);
    const x = withKey(usual.keys, 'next', 'D');
    expect(x.ok && x.keys.next).toContain('d');
    expect(withKey(usual.keys, 'next', 'T')).toMatchObject({ ok: false, says: /already does: timer/ });
  });
  it('that are needed elsewhere are refused in words', () => {
    for (const key of ['Tab', 'Escape', 'Enter', '3', '?']) expect(withKey(usual.keys, 'back', key).ok).toBe(false);
  });
  it('stay apart, and no thing is left without one, whatever is pressed', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.boolean(),
            fc.constantFrom(...BENCH_KEYS),
            fc.constantFrom(' ', 'PageDown', 'PageUp', 'Backspace', 'T', 't', 'n', 'x', 'F9', 'b', 'Tab', '1'),
          ),
          { maxLength: 40 },
        ),
        (presses) => {
          let keys = usual.keys;
          for (const [add, of, key] of presses) {
            if (!add) keys = withoutKey(keys, of, key);
            else {
              const r = withKey(keys, of, key);
              if (r.ok) keys = r.keys;
            }
          }
          const all = BENCH_KEYS.flatMap((k: BenchKey) => keys[k]);
          expect(new Set(all).size).toBe(all.length);
          for (const k of BENCH_KEYS) {
            expect(keys[k].length).toBeGreaterThan(0);
            expect(keys[k].length).toBeLessThanOrEqual(4);
          }
          // What is kept is read back the same.
          expect(settingsSchema.parse({ bench: { ...usual, keys } }).bench.keys).toEqual(keys);
        },
      ),
    );
  });
});
