'use client';
/** The screen of one stage, in a boundary of its own. */
import { BenchStage } from '@/ui/bench/BenchStage';
import { CoatStage } from '@/ui/coat/CoatStage';
import { FaceStage } from '@/ui/face/FaceStage';
import { FormStage } from '@/ui/form/FormStage';
import { LogStage } from '@/ui/log/LogStage';
import { ShadeStage } from '@/ui/shade/ShadeStage';
import { NeedlesStage } from '@/ui/needles/NeedlesStage';
import { OrderStage } from '@/ui/order/OrderStage';
import type { StagePath } from './stages';
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

export function StageScreen({ stage }: { stage: StagePath }) {
  const Screen = SCREENS[stage];
  return (
    <StageBoundary what="This stage" resetKey={stage}>
      <Screen />
    </StageBoundary>
  );
}
