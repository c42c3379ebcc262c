/** Spoken lines, where the machine has a voice of its own: nothing goes out of it. */
import { useEffect, useSyncExternalStore } from 'react';

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
