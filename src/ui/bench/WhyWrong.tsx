'use client';
/** Something gone wrong: one press for what was wrong writes it down; what becomes of it, and of its wool, is said before. */
import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';
import { PULLED, WRONGS } from '@/core/piece/log-entry';
import type { Wrong } from '@/desk/bench';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { EditButton } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';
import type { Step } from '@/core/order/order';

const WOOL = { 'used again': 'its wool is used again', waste: 'its wool is waste' } as const;

interface WhyWrongProps {
  readonly label: string;
  readonly title: string;
  /** What is done with what is taken off: laid anew, done again. */
  readonly again: string;
  /** A step that is begun and rests on it. */
  readonly waits: Step | null;
  readonly onWrong: (wrong: Wrong) => void;
  readonly onClose: () => void;
  readonly children?: ReactNode;
}

export function WhyWrong({ label, title, again, waits, onWrong, onClose, children }: WhyWrongProps) {
  const { t } = useUnits();
  const [off, setOff] = useState(true);
  const [wool, setWool] = useState<(typeof PULLED)[number]>('used again');
  return (
    <Ruled aria-label={label} title={title}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1 }}>
        {WRONGS.map((why) => (
          <EditButton
            key={why}
            sx={{ minHeight: 44 }}
            onClick={() => onWrong({ off, why, wool: off ? wool : null, words: '' })}
          >
            {why}
          </EditButton>
        ))}
      </Box>
      <Box sx={{ display: 'grid', gap: 1, mb: 1 }}>
        <ChoiceRow
          label="What becomes of it"
          options={[
            { value: 'off', says: `pulled off, ${again}` },
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
      {children}
      {waits && off && (
        <Box sx={{ fontSize: 13, color: 'warning.main', my: 0.5 }}>
          Rests on it and is begun: {t(waits.operation.does)}.
        </Box>
      )}
      <EditButton onClick={onClose}>Nothing is wrong</EditButton>
    </Ruled>
  );
}

/** The first step that rests on one and is begun. */
export function begunOn(
  plan: {
    readonly work: {
      readonly steps: readonly Step[];
      readonly progress: readonly { readonly id: string; readonly share: number }[];
    };
  } | null,
  id: string,
): Step | null {
  if (!plan) return null;
  const begun = new Set(plan.work.progress.filter((p) => p.share > 0).map((p) => p.id));
  return plan.work.steps.find((x) => begun.has(x.operation.id) && x.because.some((b) => b.id === id)) ?? null;
}
