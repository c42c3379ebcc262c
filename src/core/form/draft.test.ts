import { describe, expect, it } from 'vitest';
import { brownHare, kingfisher, pineMarten } from '../../../demo/load';
import { draftSkin } from './draft';
import { flatExtent } from '@/core/geometry/mesh';
import { workForm } from './form';

describe('the coarse skin shown while a part is dragged', () => {
  it.each([pineMarten, kingfisher, brownHare])('is the same animal with far fewer triangles: $name', (piece) => {
    const draft = draftSkin(piece.form);
    const fine = workForm(piece.form).skin;
    expect(draft.triangles.length).toBeLessThan(0.25 * fine.triangles.length);
    // Coarse triangles cut corners, so it is a little smaller.
    const share = flatExtent(draft).volumeMm3 / fine.extent.volumeMm3;
    expect(share).toBeGreaterThan(0.9);
    expect(share).toBeLessThan(1.01);
  });
});
