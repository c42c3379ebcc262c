'use client';
/** The finished animal through a lens, fibre by fibre, as a picture to show: a rough one first, then the finished one. */
import { useEffect, useState } from 'react';
import type { Lens } from '@/core/picture/lens';
import type { LIGHTINGS } from '@/core/picture/lighting';
import { refine } from '@/desk/refining';
import { upToDate, useDesk } from '@/desk/store';

export interface Through {
  /** Address of the picture; null until there is one. */
  readonly url: string | null;
  readonly finished: boolean;
}

const NONE: Through = { url: null, finished: false };

/** @param lens the same object as long as it is the same lens; null where none is wanted */
export function useThrough(lens: Lens | null, light: keyof typeof LIGHTINGS): Through {
  const plan = useDesk((s) => s.plan);
  const ready = useDesk((s) => upToDate(s) && s.draft === null && s.answered?.piece === s.piece);
  const [made, setMade] = useState(NONE);
  useEffect(() => {
    if (!lens || !ready || !plan) return;
    let over = false;
    let shown: string | null = null;
    const stop = refine(
      lens,
      ({ picture, finished }) => {
        const canvas = document.createElement('canvas');
        canvas.width = picture.width;
        canvas.height = picture.height;
        canvas.getContext('2d')?.drawImage(picture, 0, 0);
        picture.close();
        canvas.toBlob((blob) => {
          if (!blob || over) return;
          const before = shown;
          shown = URL.createObjectURL(blob);
          setMade({ url: shown, finished });
          if (before) URL.revokeObjectURL(before);
        });
      },
      { how: { lighting: light, trimStep: null } },
    );
    return () => {
      over = true;
      stop();
      setMade(NONE);
      if (shown) URL.revokeObjectURL(shown);
    };
  }, [lens, ready, plan, light]);
  return made;
}
