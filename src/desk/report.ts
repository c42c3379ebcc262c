/**
 * What went wrong in this window, kept until it is closed, for the maker to save as a file and hand to whoever can mend it.
 * Nothing of it is sent anywhere, and nothing of the piece, the cupboard or the log is in it but how much of each there is.
 */
import { create } from 'zustand';
import { buildMark } from './offline';
import { useDesk } from './store';

interface Wrong {
  readonly at: string;
  /** What was being done or shown. */
  readonly where: string;
  readonly says: string;
  /** Where in the program. */
  readonly trace: string;
}

const MOST = 30;

export const useWrongs = create<{ readonly wrongs: readonly Wrong[] }>()(() => ({ wrongs: [] }));

/** Writes down that something went wrong. */
export function noteWrong(where: string, e: unknown): void {
  const { message, stack } = e instanceof Error ? e : { message: String(e), stack: '' };
  const wrong = {
    at: new Date().toISOString(),
    where,
    says: message.slice(0, 500),
    trace: (stack ?? '').slice(0, 4000),
  };
  useWrongs.setState((s) => ({ wrongs: [...s.wrongs, wrong].slice(-MOST) }));
}

/** Hears of whatever nobody else takes care of. Returns what ends it. */
export function hearWrongs(): () => void {
  const error = (e: ErrorEvent) => noteWrong('this page', e.error ?? e.message);
  const rejection = (e: PromiseRejectionEvent) => noteWrong('this page', e.reason);
  window.addEventListener('error', error);
  window.addEventListener('unhandledrejection', rejection);
  return () => {
    window.removeEventListener('error', error);
    window.removeEventListener('unhandledrejection', rejection);
  };
}

/** The report as it is saved. */
export function report(): object {
  const { piece, cupboard, settings, saveError, planError, unsaved } = useDesk.getState();
  return {
    kind: 'fond-badger/report',
    at: new Date().toISOString(),
    program: buildMark(),
    // The screen, without the name of the piece in it.
    screen: location.pathname.replace(/^\/piece\/[^/]+/, '/piece/…'),
    browser: navigator.userAgent,
    window: { width: innerWidth, height: innerHeight },
    settings,
    saving: saveError,
    planning: planError,
    unsaved,
    sizes: piece && {
      parts: piece.form.parts.length,
      areas: piece.areas.length,
      markings: piece.markings.length,
      log: piece.log.length,
      wools: cupboard.lots.length,
    },
    wrongs: useWrongs.getState().wrongs,
  };
}
