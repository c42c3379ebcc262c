/** A picture kept in this browser, as an address to show it by. */
import { useEffect, useState } from 'react';
import { loadPicture } from '@/desk/storage';
import { useDesk } from '@/desk/store';

/** Address of a kept picture; null when it is not in this browser, undefined while it is being looked for. */
export function usePicture(id: string | null): string | null | undefined {
  const pieceId = useDesk((s) => s.piece?.id);
  const [picture, setPicture] = useState<string | null | undefined>(undefined);
  useEffect(() => {
    if (!id || !pieceId) return;
    let gone = false;
    let url: string | null = null;
    void loadPicture(pieceId, id).then((blob) => {
      if (gone) return;
      url = blob && URL.createObjectURL(blob);
      setPicture(url);
    });
    return () => {
      gone = true;
      if (url) URL.revokeObjectURL(url);
      setPicture(undefined);
    };
  }, [id, pieceId]);
  return picture;
}
