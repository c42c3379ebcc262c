'use client';
/** A row gone wrong: pulled off it is laid anew, or it is left and noted. The last one laid, unless another is named. */
import { useState } from 'react';
import type { AreaLog } from '@/core/log/log';
import { rowWrong } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { begunOn, WhyWrong } from './WhyWrong';

export function GoneWrong({ log, one }: { log: AreaLog; one: string }) {
  const waits = useDesk((s) => begunOn(s.plan, `lay-${log.areaId}`));
  const [open, setOpen] = useState(false);
  const lying = log.rowsDone;
  const [row, setRow] = useState<number | null>(null);
  const last = lying[lying.length - 1];
  if (last === undefined) return null;
  const which = row !== null && lying.includes(row) ? row : last;
  if (!open) return <EditButton onClick={() => setOpen(true)}>A {one} has gone wrong</EditButton>;
  return (
    <WhyWrong
      label={`A ${one} gone wrong`}
      title={`What is wrong with ${one} ${which}?`}
      again="laid anew"
      waits={waits}
      onWrong={(wrong) => {
        rowWrong(log.areaId, which, wrong);
        setOpen(false);
        setRow(null);
      }}
      onClose={() => setOpen(false)}
    >
      {lying.length > 1 && (
        <MeasureField
          label={`Which ${one}`}
          kind="count"
          value={which}
          min={lying[0]!}
          max={last}
          onChange={(v) => setRow(Math.round(v))}
        />
      )}
    </WhyWrong>
  );
}
