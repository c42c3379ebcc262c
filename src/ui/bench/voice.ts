/**
 * Spoken lines and a few spoken words, where the browser does both by itself: nothing the maker says or hears goes out of this machine.
 * Listening on the machine itself: Web Speech API, processLocally (W3C community draft).
 */
import { useEffect, useRef, useSyncExternalStore } from 'react';

const LANGUAGE = 'en';

/** A voice this machine has itself; null where it has none, or the browser cannot speak. */
function ownVoice(): SpeechSynthesisVoice | null {
  if (typeof speechSynthesis === 'undefined') return null;
  return speechSynthesis.getVoices().find((v) => v.localService && v.lang.toLowerCase().startsWith(LANGUAGE)) ?? null;
}

/** Voices may come later than the page. */
const whenVoicesCome = (changed: () => void) => {
  if (typeof speechSynthesis === 'undefined') return () => undefined;
  speechSynthesis.addEventListener('voiceschanged', changed);
  return () => speechSynthesis.removeEventListener('voiceschanged', changed);
};

export const useCanSpeak = (): boolean =>
  useSyncExternalStore(
    whenVoicesCome,
    () => ownVoice() !== null,
    () => false,
  );

/** Reads words out as they change; null says nothing. */
export function useSpoken(words: string | null): void {
  useEffect(() => {
    const voice = words === null ? null : ownVoice();
    if (words === null || voice === null) return;
    speechSynthesis.cancel();
    const line = new SpeechSynthesisUtterance(words);
    line.voice = voice;
    line.lang = voice.lang;
    speechSynthesis.speak(line);
    return () => speechSynthesis.cancel();
  }, [words]);
}

/** As much of the draft as is used here. */
interface Recognition extends EventTarget {
  lang: string;
  continuous: boolean;
  processLocally: boolean;
  start(): void;
  abort(): void;
  onresult:
    | ((e: {
        readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }>>;
        readonly resultIndex: number;
      }) => void)
    | null;
  onerror: (() => void) | null;
  onend: (() => void) | null;
}
interface RecognitionMaker {
  new (): Recognition;
  available?(asked: { readonly langs: readonly string[]; readonly processLocally: boolean }): Promise<string>;
}
const LISTENS_IN = 'en-GB';

const maker = (): RecognitionMaker | null =>
  (globalThis as { SpeechRecognition?: RecognitionMaker }).SpeechRecognition ?? null;

/** Whether the browser understands words without asking anyone else. */
export async function canListen(): Promise<boolean> {
  try {
    return (await maker()?.available?.({ langs: [LISTENS_IN], processLocally: true })) === 'available';
  } catch {
    return false;
  }
}

export interface Heard {
  readonly next: () => void;
  readonly back: () => void;
  readonly pause: () => void;
}

/** What a word does. @returns null where it is none of those listened for */
export function heard(words: string): keyof Heard | null {
  const last = words
    .toLowerCase()
    .replace(/[^a-z ]/g, '')
    .trim()
    .split(/ +/)
    .pop();
  if (last === 'done' || last === 'next') return 'next';
  if (last === 'back') return 'back';
  if (last === 'pause' || last === 'stop') return 'pause';
  return null;
}

/** Listens while it is asked to. */
export function useListening(on: boolean, does: Heard): void {
  const latest = useRef(does);
  useEffect(() => {
    latest.current = does;
  });
  useEffect(() => {
    if (!on) return;
    const Ear = maker();
    if (!Ear) return;
    let gone = false;
    const ear = new Ear();
    ear.lang = LISTENS_IN;
    ear.continuous = true;
    // Where it cannot, nothing is heard: no one else is asked.
    ear.processLocally = true;
    ear.onresult = (e) => {
      const what = heard(e.results[e.resultIndex]?.[0]?.transcript ?? '');
      if (what) latest.current[what]();
    };
    ear.onerror = () => {
      gone = true;
    };
    // It ends by itself after a silence.
    ear.onend = () => {
      if (!gone) ear.start();
    };
    ear.start();
    return () => {
      gone = true;
      ear.abort();
    };
  }, [on]);
}
