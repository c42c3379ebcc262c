/** A picture of what stands on the turntable just now, from whichever scene is drawn last. */
let take: (() => string) | null = null;

/** A scene that can be pictured; returns what ends that. */
export function canBePictured(how: () => string): () => void {
  take = how;
  return () => {
    if (take === how) take = null;
  };
}

/** As a data address; null where nothing is drawn. */
export const snapshot = (): string | null => take?.() ?? null;
