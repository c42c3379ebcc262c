/**
 * A remedy taken as it stands in the plan of the piece as it is now. What a remedy changes was found in the plan shown: pressed while a change
 * is still being worked out it waits for that, and is looked up again.
 */
import type { Remedy } from '@/core/stage';
import { applyRemedy, say, upToDate, useDesk } from './store';

/** What was pressed and is waited for; only the last one is. */
let waiting: (() => void) | null = null;

/** @param remedy one of the finding's, as it was shown */
export function takeRemedy(findingId: string, remedy: Remedy): void {
  waiting?.();
  const of = useDesk.getState().piece?.id;
  const shown = useDesk.getState().plan?.findings.find((f) => f.id === findingId);
  const place = shown?.remedies.indexOf(remedy) ?? -1;
  const count = shown?.remedies.length;
  const now = () => {
    const s = useDesk.getState();
    if (s.answered?.piece !== s.piece || s.answered?.cupboard !== s.cupboard)
      return say('This was found before the last change. Let it be worked out first.');
    const remedies = s.plan?.findings.find((f) => f.id === findingId)?.remedies ?? [];
    const says = JSON.stringify(remedy.label);
    const same =
      remedies.find((r) => JSON.stringify(r.label) === says) ??
      (remedies.length === count ? remedies[place] : undefined);
    if (same) applyRemedy(same);
    else say('What this was to mend has changed with the last change; look again.');
  };
  if (upToDate(useDesk.getState())) return now();
  const end = useDesk.subscribe((s) => {
    if (s.piece?.id !== of) return waiting?.();
    if (!upToDate(s)) return;
    waiting?.();
    now();
  });
  waiting = () => {
    end();
    waiting = null;
  };
}
