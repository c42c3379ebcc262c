/** Which wools are long enough for an area. */
import { describe, expect, it } from 'vitest';
import { cupboard, kingfisher } from '../../../demo/load';
import { planned } from '../../../cli/testing/planned';
import { defaultHand as hand } from '@/core/piece/hand';
import { stapleNeeded } from './staple-needed';

describe('the staple an area needs', () => {
  const plan = planned(kingfisher, cupboard, hand);
  const of = (id: string) => plan.coat.areas.find((a) => a.id === id)!;
  it('is the length fibres are cut to', () => {
    expect(stapleNeeded(of('crown'))).toBe(of('crown').fur!.figures.cutLength!.value);
  });
  // Common practice: a batt of short fibres felts as well as one of long ones.
  it('is none for feathers, however long they are, nor for what is not cut', () => {
    expect(of('primaries').fur!.figures.cutLength!.value).toBeGreaterThan(19);
    expect(stapleNeeded(of('primaries'))).toBe(0);
    expect(stapleNeeded(of('breast'))).toBe(0);
    expect(stapleNeeded({ fur: null })).toBe(0);
  });
});
