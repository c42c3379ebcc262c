/** Short sounds for whoever does not look at the screen: made here, nothing is loaded. */
import type { Sound } from '@/desk/bench-settings';

/** Tones one after another: hertz and seconds. */
const TONES: Readonly<Record<Sound, readonly (readonly [hz: number, s: number])[]>> = {
  done: [[660, 0.1]],
  pause: [
    [440, 0.12],
    [330, 0.18],
  ],
  end: [
    [523, 0.18],
    [659, 0.18],
    [784, 0.36],
  ],
};
const LOUD = 0.15;

let context: AudioContext | null = null;

/** @returns whether it could be played: a browser without sound goes on silently */
export function play(sound: Sound): boolean {
  if (typeof AudioContext === 'undefined') return false;
  try {
    context ??= new AudioContext();
    void context.resume();
    let at = context.currentTime;
    for (const [hz, s] of TONES[sound]) {
      const tone = context.createOscillator();
      const loud = context.createGain();
      tone.frequency.value = hz;
      // Swelling and fading, or it would click.
      loud.gain.setValueAtTime(0, at);
      loud.gain.linearRampToValueAtTime(LOUD, at + 0.02);
      loud.gain.linearRampToValueAtTime(0, at + s);
      tone.connect(loud).connect(context.destination);
      tone.start(at);
      tone.stop(at + s);
      at += s;
    }
    return true;
  } catch {
    return false;
  }
}
