/** Plans kept from before are never taken for those of changed sources or demos. */
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../demo/load';
import { defaultHand } from '../../src/core/piece/hand';
import { planMark, planSources } from '../plan-mark.mjs';
import { COARSELY, planned } from './planned';
import { plansDir } from './plans-dir.mjs';

const changed = (which: string) => (file: string) => `${readFileSync(file, 'utf8')}${file === which ? ' ' : ''}`;
const same = (file: string) => readFileSync(file);

describe('the mark of what makes a plan', () => {
  it('is the same for the same bytes and another for one more space in any source or in the libraries', () => {
    expect(planMark()).toBe(planMark(same));
    const sources = planSources();
    expect(sources).toContain('src/core/plan.ts');
    expect(sources.some((f) => f.endsWith('.test.ts'))).toBe(false);
    for (const f of ['src/core/plan.ts', sources[0]!, sources[sources.length - 1]!, 'package-lock.json']) {
      expect(planMark(changed(f)), f).not.toBe(planMark());
    }
  });

  it('the folder of the shared plans changes with a demo too, the mark of the program does not', () => {
    expect(basename(plansDir(changed('demo/pine-marten.json')))).not.toBe(basename(plansDir()));
    expect(planMark(changed('demo/pine-marten.json'))).toBe(planMark());
  });
});

describe('a shared plan', () => {
  it('is of what was asked for: a changed piece or cupboard has its own', () => {
    const own = planned(pineMarten);
    expect(planned(pineMarten)).toBe(own);
    const other = { ...pineMarten, form: { ...pineMarten.form, finishedLengthMm: 200 } };
    expect(planned(other, cupboard, defaultHand, COARSELY).form.finishedMm).toBeCloseTo(200, 6);
    const box = { ...cupboard, lots: cupboard.lots.map((l) => ({ ...l, haveG: 0 })) };
    expect(planned(pineMarten, box, defaultHand, COARSELY).findings.length).toBeGreaterThan(own.findings.length);
  });
});
