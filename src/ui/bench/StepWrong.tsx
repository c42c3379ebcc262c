'use client';
/** A whole step gone wrong: taken off it is open again, or it is left and noted. The one in hand where it is done, else the one done last. */
import { useState } from 'react';
import type { Step } from '@/core/order/order';
import { stepWrong } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { useUnits } from '@/ui/parts/useUnits';
import { begunOn, WhyWrong } from './WhyWrong';

export function StepWrong({ step }: { step: Step }) {
  const { t } = useUnits();
  const plan = useDesk((s) => s.plan);
  const log = useDesk((s) => s.piece!.log);
  const [open, setOpen] = useState(false);
  const share = (id: string) => plan?.work.progress.find((p) => p.id === id)?.share ?? 0;
  const lastDone = log.findLast((e) => e.kind === 'step' && !e.kept && share(e.operation) >= 1);
  const id = share(step.operation.id) >= 1 ? step.operation.id : lastDone?.kind === 'step' ? lastDone.operation : null;
  const which = plan?.work.steps.find((s) => s.operation.id === id);
  if (!which) return null;
  if (!open)
    return (
      <EditButton sx={{ mt: 1 }} onClick={() => setOpen(true)}>
        A step has gone wrong
      </EditButton>
    );
  return (
    <WhyWrong
      label="A step gone wrong"
      title={`What is wrong? ${t(which.operation.does)}`}
      again="done again"
      waits={begunOn(plan, which.operation.id)}
      onWrong={(wrong) => {
        stepWrong(which.operation.id, wrong);
        setOpen(false);
      }}
      onClose={() => setOpen(false)}
    />
  );
}
