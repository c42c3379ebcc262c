'use client';
/** The screen of one stage of a piece, on its desk, in a boundary of its own. */
import { BenchStage } from '@/ui/bench/BenchStage';
import { CoatStage } from '@/ui/coat/CoatStage';
import { FaceStage } from '@/ui/face/FaceStage';
import { FormStage } from '@/ui/form/FormStage';
import { LogStage } from '@/ui/log/LogStage';
import { ShadeStage } from '@/ui/shade/ShadeStage';
import { NeedlesStage } from '@/ui/needles/NeedlesStage';
import { OrderStage } from '@/ui/order/OrderStage';
import { Editable } from '@/ui/parts/Editable';
import type { StagePath } from './stages';
import { DeskFrame } from './DeskFrame';
import { StageBoundary } from './StageBoundary';

const SCREENS = {
  form: FormStage,
  coat: CoatStage,
  shade: ShadeStage,
  face: FaceStage,
  needles: NeedlesStage,
  order: OrderStage,
  bench: BenchStage,
  log: LogStage,
} as const;

export function StageScreen({ id, stage }: { id: string; stage: StagePath }) {
  const Screen = SCREENS[stage];
  return (
    <DeskFrame id={id}>
      <StageBoundary what="This stage" resetKey={stage}>
        <Editable>
          <Screen />
        </Editable>
      </StageBoundary>
    </DeskFrame>
  );
}
