'use client';
/** The photograph in hand beside the animal: its pins, its proportions, and the picture itself where this browser has it. */
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { makeBody } from '@/core/form/body';
import { comparePicture, landmarks, seenFlat, type Compared, type Flat, type Landmark } from '@/core/form/compare';
import type { Outline } from '@/core/geometry/outline';
import type { Reference } from '@/core/piece/schema';
import { outlineFrom } from '@/desk/planner';
import { useDesk } from '@/desk/store';
import { usePicture } from '@/ui/parts/usePicture';

export function useReference(): Reference | null {
  const piece = useDesk((s) => s.piece);
  const id = useDesk((s) => s.view.referenceId);
  return piece?.references.find((r) => r.id === id) ?? piece?.references[0] ?? null;
}

interface ComparedView {
  readonly reference: Reference;
  readonly compared: Compared;
  readonly outline: Outline | null;
  readonly places: readonly { readonly landmark: Landmark; readonly at: Flat }[];
  /** Address of the picture; null when it is not in this browser, undefined while it is being looked for. */
  readonly picture: string | null | undefined;
}

const Shared = createContext<ComparedView | null>(null);

/** The comparison under way; null without a photograph. */
export const useCompared = (): ComparedView | null => useContext(Shared);

/** Works the comparison out once for the picture and the docket beside it. */
export function ComparedProvider({ children }: { children: ReactNode }) {
  return <Shared value={useComparison()}>{children}</Shared>;
}

function useComparison(): ComparedView | null {
  const reference = useReference();
  const form = useDesk((s) => s.piece?.form);
  const plan = useDesk((s) => s.plan);
  const [outline, setOutline] = useState<Outline | null>(null);
  const side = reference?.side;
  const picture = usePicture(reference?.id ?? null);
  useEffect(() => {
    if (!side || !plan) return;
    let gone = false;
    void outlineFrom(side).then((o) => !gone && setOutline(o));
    return () => {
      gone = true;
    };
  }, [side, plan]);
  const body = useMemo(() => form && makeBody(form), [form]);
  const scale = plan?.form.scale.value;
  return useMemo(() => {
    if (!reference || !body || !scale) return null;
    const middle: Flat = outline
      ? [(outline.min[0] + outline.max[0]) / 2, (outline.min[1] + outline.max[1]) / 2]
      : [0, 0];
    return {
      reference,
      outline,
      picture,
      compared: comparePicture(body, reference, scale, middle),
      places: landmarks(body).map((landmark) => ({ landmark, at: seenFlat(landmark.at, reference.side) })),
    };
  }, [reference, body, scale, outline, picture]);
}
