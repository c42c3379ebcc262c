/** A remedy pressed while a change is still worked out: taken as the new plan has it, never by places of the old one. */
import { produce } from 'immer';
import { beforeEach, describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { cupboard, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { SmallPart } from '@/core/piece/shade';
import { editPiece, forgetHistory, useDesk } from './store';
import { takeRemedy } from './take-remedy';
import { defaultView } from './view';

const part = (id: string, on: string, lotId: string): SmallPart => ({
  id,
  name: id,
  kind: id === 'nose' ? 'nose' : 'pads',
  on,
  recipe: [{ lotId, parts: 1 }],
  even: 1,
});
const begun = produce(pineMarten, (d) => {
  d.smallParts = [part('nose', 'muzzle', 'rust-top'), part('pads', 'foreleg', 'kingfisher-blue-top')];
});
const CLASH = 'shade-clash-nose-pads';

const answer = () => {
  const { piece, hand, settings } = useDesk.getState();
  const plan = planned(piece!, cupboard, defaultHand, COARSELY);
  useDesk.setState({ plan, answered: { piece: piece!, cupboard, hand, shape: settings.shape } });
};
const press = () => {
  const f = useDesk.getState().plan!.findings.find((x) => x.id === CLASH)!;
  takeRemedy(CLASH, f.remedies[0]!);
};
const pads = () => useDesk.getState().piece!.smallParts.find((p) => p.id === 'pads')!.recipe[0]!.lotId;
const nose = (d: Piece) => d.smallParts.find((p) => p.id === 'nose')!;

describe('a remedy', () => {
  beforeEach(() => {
    useDesk.setState({ piece: begun, cupboard, view: defaultView, canEdit: true, message: null, stopped: false });
    forgetHistory();
    answer();
  });

  it('of what is shown is taken at once, as one change', () => {
    press();
    expect(pads()).toBe('rust-top');
    expect(useDesk.getState().past).toHaveLength(1);
  });

  it('pressed before a change is worked out does what it says after it', () => {
    editPiece((d) => void (nose(d).recipe[0]!.lotId = 'fawn-top'));
    press();
    expect(pads()).toBe('kingfisher-blue-top');
    answer();
    expect(pads()).toBe('fawn-top');
  });

  it('finds its place where a part before it was taken away or added meanwhile', () => {
    editPiece((d) => void d.smallParts.unshift({ ...part('lips', 'muzzle', 'rust-top'), kind: 'other' }));
    press();
    answer();
    expect(useDesk.getState().piece!.smallParts.map((p) => p.recipe[0]!.lotId)).toEqual([
      'rust-top',
      'rust-top',
      'rust-top',
    ]);
    expect(pads()).toBe('rust-top');
  });

  it('of what is no longer found changes nothing and says so', () => {
    editPiece((d) => void (d.smallParts = d.smallParts.filter((p) => p.id === 'nose')));
    press();
    answer();
    expect(useDesk.getState().past).toHaveLength(1);
    expect(useDesk.getState().message).toMatch(/has changed with the last change/);
  });

  it('pressed twice is done once; of another piece not at all', () => {
    editPiece((d) => void (nose(d).recipe[0]!.lotId = 'fawn-top'));
    press();
    press();
    answer();
    expect(useDesk.getState().past).toHaveLength(2);
    editPiece((d) => void (d.smallParts[1]!.recipe[0]!.lotId = 'kingfisher-blue-top'));
    useDesk.setState((s) => ({ plan: planned(s.piece!, cupboard, defaultHand, COARSELY) }));
    press();
    useDesk.setState({ piece: { ...begun, id: 'another' } });
    answer();
    expect(pads()).toBe('kingfisher-blue-top');
  });

  it('is not taken from a plan that was stopped before the last change', () => {
    editPiece((d) => void (nose(d).recipe[0]!.lotId = 'fawn-top'));
    useDesk.setState({ stopped: true });
    press();
    expect(pads()).toBe('kingfisher-blue-top');
    expect(useDesk.getState().message).toMatch(/before the last change/);
  });
});
