/** Every remedy of every demo is one change and can be taken back to the byte. A property of the product itself. */
import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { COARSELY, planned } from '../../cli/testing/planned';
import { defaultHand } from '@/core/piece/hand';
import { applyRemedy, forgetHistory, redo, undo, useDesk } from './store';
import { defaultView } from './view';

describe('remedies', () => {
  it.each([pineMarten, alpacaCria, kingfisher, brownHare])('of $name are taken back to the byte', (demo) => {
    // Twice as large, so that there is something to remedy: the cupboard holds too little.
    const piece = produce(demo, (d) => void (d.form.finishedLengthMm *= 2));
    const stored = () => JSON.stringify([useDesk.getState().piece, useDesk.getState().cupboard]);
    const remedies = planned(piece, cupboard, defaultHand, COARSELY).findings.flatMap((f) => f.remedies);
    expect(remedies.length).toBeGreaterThan(1);
    for (const r of remedies) {
      useDesk.setState({ piece, cupboard, view: defaultView, canEdit: true, message: null });
      forgetHistory();
      const before = stored();
      applyRemedy(r);
      const after = stored();
      expect(useDesk.getState().message).toBeNull();
      expect(after).not.toBe(before);
      expect(useDesk.getState().past).toHaveLength(1);
      undo();
      expect(stored()).toBe(before);
      redo();
      expect(stored()).toBe(after);
    }
  });
});
