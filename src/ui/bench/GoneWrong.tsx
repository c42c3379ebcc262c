'use client';
/** A row gone wrong: one press for what was wrong writes it down; pulled off it is laid anew, or it is left and noted. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import type { AreaLog } from '@/core/log/log';
import { PULLED, WRONGS } from '@/core/piece/log-entry';
import { rowWrong } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

const WOOL = { 'used again': 'its wool is used again', waste: 'its wool is waste' } as const;

export function GoneWrong({ log, one }: { log: AreaLog; one: string }) {
  const { t } = useUnits();
  const waits = useDesk((s) => {
    const plan = s.plan;
    if (!plan) return null;
    const lay = plan.work.steps.find((x) => x.operation.kind === 'lay' && x.operation.about.id === log.areaId);
    const begun = new Set(plan.work.progress.filter((p) => p.share > 0).map((p) => p.id));
    return (
      plan.work.steps.find((x) => begun.has(x.operation.id) && x.because.some((b) => b.id === lay?.operation.id)) ??
      null
    );
  });
  const [open, setOpen] = useState(false);
  const [off, setOff] = useState(true);
  const [wool, setWool] = useState<(typeof PULLED)[number]>('used again');
  const lying = log.rowsDone;
  const [row, setRow] = useState<number | null>(null);
  const last = lying[lying.length - 1];
  if (last === undefined) return null;
  const which = row !== null && lying.includes(row) ? row : last;
  if (!open) return <EditButton onClick={() => setOpen(true)}>A {one} has gone wrong</EditButton>;
  return (
    <Ruled aria-label={`A ${one} gone wrong`} title={`What is wrong with ${one} ${which}?`}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1 }}>
        {WRONGS.map((why) => (
          <EditButton
            key={why}
            sx={{ minHeight: 44 }}
            onClick={() => {
              rowWrong(log.areaId, which, { off, why, wool: off ? wool : null, words: '' });
              setOpen(false);
              setRow(null);
            }}
          >
            {why}
          </EditButton>
        ))}
      </Box>
      <Box sx={{ display: 'grid', gap: 1, mb: 1 }}>
        <ChoiceRow
          label="What becomes of it"
          options={[
            { value: 'off', says: 'pulled off, laid anew' },
            { value: 'left', says: 'left, and noted' },
          ]}
          value={off ? 'off' : 'left'}
          onChange={(v) => setOff(v === 'off')}
        />
        {off && (
          <ChoiceRow
            label="What becomes of its wool"
            options={PULLED.map((value) => ({ value, says: WOOL[value] }))}
            value={wool}
            onChange={setWool}
          />
        )}
      </Box>
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
      {waits && off && (
        <Box sx={{ fontSize: 13, color: 'warning.main', my: 0.5 }}>
          Rests on it and is begun: {t(waits.operation.does)}.
        </Box>
      )}
      <EditButton onClick={() => setOpen(false)}>Nothing is wrong</EditButton>
    </Ruled>
  );
}
