/** The order of the demo pieces: what must hold under every combination of schools (common practice), moves, starting over. */
import { massOf, takenBy, woolIn } from '@/core/materials';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { change, plan } from '../../../demo/plain-marten';
import { plainEntry } from '../../../demo/plain-entry';
import { plainStep } from '../../../demo/plain-step';
import type { Draft } from 'immer';
import type { Piece } from '@/core/piece/schema';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Operation } from '@/core/stage';
import { say } from '@/core/text';
import { madeBy } from '@/core/decision';
import { planWork } from './order';
import { startOver } from './start-over';

const SCHOOLS: readonly ((d: Draft<Piece>, other: boolean) => void)[] = [
  (d, o) => void (d.core.school = o ? 'full-size' : 'under-built'),
  (d, o) => void (d.work.trim = o ? 'at the end' : 'as you go'),
  (d, o) => void (d.work.needles = o ? 'one fine needle' : 'coarse to fine'),
  (d, o) => void (d.face && (d.face.ears.when = o ? 'after the coat' : 'before the coat')),
  (d, o) => void (d.face && (d.face.nose.beforeJoin = o)),
];

/** Facts of the order (practice 9): what comes before what, by what the steps are. */
function factsHold(p: Piece, label: string): void {
  const { work } = plan(p);
  const ops = work.steps.map((s) => s.operation);
  const at = new Map(ops.map((o, i) => [o.id, i]));
  const before = (a: (o: Operation) => boolean, b: (o: Operation) => boolean, fact: string) => {
    const last = Math.max(-1, ...ops.flatMap((o, i) => (a(o) ? [i] : [])));
    const first = Math.min(Infinity, ...ops.flatMap((o, i) => (b(o) ? [i] : [])));
    expect(last, `${label}: ${fact}`).toBeLessThan(first);
  };
  const pair = (a: string, b: string, fact: string) => {
    if (at.has(a) && at.has(b)) expect(at.get(a)!, `${label}: ${fact}: ${a}, ${b}`).toBeLessThan(at.get(b)!);
  };
  const lays = ops.filter((o) => o.kind === 'lay');
  before(
    (o) => o.id === 'form-photos',
    (o) => o.id === 'wire' || o.kind === 'core',
    'photographs before proportion',
  );
  before(
    (o) => o.id === 'core-join',
    (o) => o.kind === 'lay',
    'core before top coat',
  );
  before(
    (o) => o.id === 'wire',
    (o) => o.id.startsWith('core-'),
    'wire before core',
  );
  before(
    (o) => o.id.startsWith('core-') && o.id !== 'core-join',
    (o) => o.id === 'core-join',
    'fringe kept until joined',
  );
  for (const a of p.areas) {
    pair(`blend-${a.id}`, `lay-${a.id}`, 'blend before laying');
    pair(`cut-${a.id}`, `lay-${a.id}`, 'cut before laying');
    pair(`bag-${a.id}`, `trim-${a.id}`, 'bag before trim');
    pair(`lay-${a.id}`, `trim-${a.id}`, 'laid, teased, then trimmed');
    const layers = a.shade.layers;
    const coat = layers.findIndex((l) => l.kind === 'coat');
    layers.forEach((l, i) => {
      if (i < coat) pair(`shade-${a.id}-${l.id}`, `lay-${a.id}`, 'under-colour before the coat');
      if (i > coat) pair(`lay-${a.id}`, `shade-${a.id}-${l.id}`, 'coat before veil and reverse needle');
    });
  }
  for (const m of p.markings)
    for (const o of ops.filter((x) => x.id.startsWith(`mark-${m.id}-`)))
      for (const host of m.under
        ? p.areas.filter((a) =>
            work.steps.find((s) => s.operation.id === `lay-${a.id}`)?.because.some((b) => b.id === o.id),
          )
        : [])
        pair(o.id, `lay-${host.id}`, 'marking under pile before the pile');
  pair('face-nose', 'face-eyes-seat', 'nose before eyes');
  pair('face-eyes-seat', 'face-eyes-set', 'dry fit before glue');
  pair('face-eyes-set', 'face-lids', 'eyes before lids');
  pair('face-ears-tack', 'face-ears-fix', 'tack both before fixing either');
  if (
    p.face?.nose.beforeJoin &&
    work.steps.find((s) => s.operation.id === 'core-join')?.because.some((b) => b.id === 'face-nose')
  )
    pair('face-nose', 'core-join', 'nose before the muzzle is joined');
  if (p.work.trim === 'at the end')
    before(
      (o) => o.kind === 'lay',
      (o) => o.kind === 'trim',
      'all trimmed at the end',
    );
  const coatAndColour = (o: Operation) => (o.stage === 'coat' || o.stage === 'shade') && o.about.kind !== 'finish';
  before(coatAndColour, (o) => o.id === 'finish-fluff', 'fluffed again at the end');
  pair('finish-fluff', 'finish-scissors', 'scissors over the surface last');
  pair('finish-pass', 'finish-scissors', 'a light pass before the scissors');
  before(
    (o) => coatAndColour(o) || o.about.kind === 'finish',
    (o) => o.kind === 'thread',
    'whiskers last',
  );
  // The lower of two overlapping areas first, where no ring is left over: every tie of the plan holds.
  for (const t of work.ties)
    expect(at.get(t.before)!, `${label}: ${t.before} before ${t.after}`).toBeLessThan(at.get(t.after)!);
  expect(lays.length).toBeGreaterThan(2);
}

describe.each([
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
] as const)('the %s', (name, piece) => {
  it('keeps the facts of the trade under every combination of schools', { timeout: 240_000 }, () => {
    for (let k = 0; k < 1 << SCHOOLS.length; k++) {
      const p = change(piece, (d) => SCHOOLS.forEach((s, i) => s(d, ((k >> (SCHOOLS.length - 1 - i)) & 1) === 1)));
      factsHold(p, `${name} ${k.toString(2).padStart(SCHOOLS.length, '0')}`);
    }
  });
  it('fits into sittings that come to the hours left, done no sooner than can be', () => {
    const { work } = plan(piece);
    const sum = work.sittings.reduce((s, x) => s + x.minutes, 0);
    expect(sum).toBeCloseTo(work.minutesLeft, 6);
    expect(work.sittings[work.sittings.length - 1]!.day).toBeGreaterThanOrEqual(work.earliestDay);
    for (const s of work.sittings) if (!s.over) expect(s.minutes).toBeLessThanOrEqual(s.hasMinutes + 1e-6);
    // What is taken out over all sittings is what the work takes; lot by lot in plan-wool.test.
    expect(massOf(work.sittings.flatMap((s) => s.wool))).toBeCloseTo(
      massOf(work.steps.flatMap((s) => takenBy(s.operation))),
      9,
    );
  });
});

describe('moved by hand', () => {
  const order = (p: Piece) => plan(p).work.steps.map((s) => s.operation.id);
  const base = order(pineMarten);
  it('a step goes before another it may go before, with all it waits for, and comes back when the move is taken back', () => {
    const moved = change(
      pineMarten,
      (d) => void d.work.moves.push({ operation: 'lay-back', place: 'before', other: 'lay-belly' }),
    );
    const now = order(moved);
    expect(now.indexOf('lay-back')).toBeLessThan(now.indexOf('lay-belly'));
    expect(plan(moved).findings.filter((f) => f.id.startsWith('order-move'))).toHaveLength(
      now.indexOf('lay-back') < now.indexOf('lay-belly') ? 0 : 1,
    );
    expect(order(pineMarten)).toEqual(base);
  });
  it('a move the work forbids is let go and named, with what forbids it; the remedy takes it back', () => {
    const moved = change(
      pineMarten,
      (d) => void d.work.moves.push({ operation: 'lay-flanks', place: 'before', other: 'core-join' }),
    );
    expect(order(moved)).toEqual(base);
    const f = plan(moved).findings.find((x) => x.id === 'order-move-lay-flanks')!;
    expect(f.why.join('')).toContain('core is built and firm first');
    expect(f.remedies[0]!.changes[0]).toEqual({ path: ['work', 'moves'], value: [] });
  });
  it('every step knows how far it may be moved, and what holds it there', () => {
    for (const s of plan(pineMarten).work.steps) {
      expect(s.earliest.number).toBeLessThan(s.number);
      expect(s.latest.number).toBeGreaterThan(s.number);
      if (s.earliest.number > 0) expect(s.earliest.because).not.toBeNull();
    }
    const lay = plan(pineMarten).work.steps.find((s) => s.operation.id === 'lay-flanks')!;
    expect(lay.earliest.because!.id).toBe('cut-flanks');
  });
  it('anywhere within its bounds a step can really go', () => {
    const { steps } = plan(kingfisher).work;
    for (const s of steps.filter((x) => x.operation.kind !== 'wire')) {
      if (s.earliest.number + 1 >= s.number) continue;
      const other = steps[s.earliest.number]!.operation.id;
      const moved = change(
        kingfisher,
        (d) => void d.work.moves.push({ operation: s.operation.id, place: 'before', other }),
      );
      const now = order(moved);
      expect(now.indexOf(s.operation.id), s.operation.id).toBeLessThan(now.indexOf(other));
    }
  });
});

describe('a ring of choices', () => {
  const choice = (school: string) => ({
    school: say`${school}`,
    instead: { label: say`not ${school}`, effect: say``, changes: [{ path: ['x'], value: school }] },
  });
  it('names the choices on its shortest way and offers each to change; the order is still whole', () => {
    const ops = [
      plainStep('a', [{ id: 'c', why: say`c first`, strength: Infinity, choice: choice('c early') }]),
      plainStep('b', [{ id: 'a', why: say`a first`, strength: Infinity }]),
      plainStep('c', [
        { id: 'b', why: say`b first`, strength: Infinity, choice: choice('c late') },
        // A longer way round that says nothing new.
        { id: 'd', why: say`d first`, strength: Infinity },
      ]),
      plainStep('d', [{ id: 'b', why: say`b before d`, strength: Infinity }]),
    ];
    const { result, findings } = planWork(ops);
    expect(result.steps).toHaveLength(4);
    const stops = findings.filter((f) => f.severity === 'stop');
    expect(stops.length).toBeGreaterThan(0);
    const why = stops[0]!.why.join('');
    expect(why).not.toContain('b before d');
    expect(stops[0]!.remedies.map((r) => r.changes[0]!.value).sort()).toEqual(['c early', 'c late']);
  });
});

describe('done, changed, done again', () => {
  const entry: typeof plainEntry = (e, i) => plainEntry({ areaId: 'x', ...e }, i);
  const opOf = (p: Piece, id: string) => plan(p).work.steps.find((s) => s.operation.id === id)!.operation;
  const done = (p: Piece, ...ids: string[]): Piece =>
    change(p, (d) => {
      for (const id of ids)
        d.log.push(
          entry(
            { kind: 'step', operation: id, minutes: 5, made: madeBy(p, opOf(p, id)), kept: false },
            d.log.length,
          ) as Draft<LogEntry>,
        );
    });
  const progress = (p: Piece, id: string) => plan(p).work.progress.find((x) => x.id === id)!;

  it('a step marked done leaves the sittings, and what it rests on is taken as done', () => {
    const p = done(pineMarten, 'core-join');
    expect(progress(p, 'core-join')).toMatchObject({ share: 1, implied: false });
    expect(progress(p, 'core-trunk')).toMatchObject({ share: 1, implied: true });
    const left = plan(p).work.sittings.flatMap((s) => s.stints.map((x) => x.id));
    expect(left).not.toContain('core-trunk');
    expect(left).toContain('face-eyes-set');
    expect(plan(p).work.minutesLeft).toBeLessThan(plan(pineMarten).work.minutes);
  });
  it('an eye moved after it was set is seen, by what has changed; a changed coat is not its matter', () => {
    const p = done(pineMarten, 'face-eyes-set');
    expect(plan(p).work.changed).toEqual([]);
    const moved = change(p, (d) => void (d.face!.eyes.at.up += 0.1));
    expect(plan(moved).work.changed).toEqual([{ id: 'face-eyes-set', what: ['the place of the eyes'] }]);
    expect(plan(moved).findings.map((f) => f.id)).toContain('order-changed-face-eyes-set');
    const coat = change(p, (d) => {
      const c = d.areas.find((a) => a.id === 'flanks')!.coat;
      if ('lengthMm' in c) c.lengthMm += 2;
    });
    expect(plan(coat).work.changed).toEqual([]);
  });
  it('an area made longer after it was laid is seen from its rows', () => {
    const lay = opOf(pineMarten, 'lay-bib');
    const rows = plan(pineMarten).coat.areas.find((a) => a.id === 'bib')!.fur!.rows.rows;
    const p = change(pineMarten, (d) => {
      rows.forEach((r, i) =>
        d.log.push(
          entry(
            { kind: 'row', areaId: 'bib', row: r.number, minutes: 1, made: madeBy(pineMarten, lay) },
            i,
          ) as Draft<LogEntry>,
        ),
      );
    });
    expect(progress(p, 'lay-bib').share).toBe(1);
    const longer = change(p, (d) => {
      const c = d.areas.find((a) => a.id === 'bib')!.coat;
      if ('lengthMm' in c) c.lengthMm += 4;
    });
    expect(plan(longer).work.changed[0]).toMatchObject({ id: 'lay-bib', what: ['the way it is laid'] });
  });
  it('starting over undoes what rests on a step and what was cut for it, not what only came later', () => {
    const p = done(
      pineMarten,
      'cut-bib',
      'lay-bib',
      'shade-bib-veil',
      'trim-bib',
      'face-eyes-set',
      'cut-belly',
      'lay-belly',
    );
    const { steps, ties, progress: all } = plan(p).work;
    const over = startOver(
      ['lay-bib'],
      steps.map((s) => s.operation),
      ties,
      new Map(all.map((x) => [x.id, x])),
    );
    const ids = over.undone.map((u) => u.id);
    expect(ids).toEqual(expect.arrayContaining(['cut-bib', 'lay-bib', 'shade-bib-veil', 'trim-bib']));
    expect(ids).not.toContain('lay-belly');
    expect(ids).not.toContain('face-eyes-set');
    // Flanks hang over the bib: they want a look, if they were done.
    expect(over.minutes).toBeGreaterThan(opOf(p, 'lay-bib').minutes);
    const bib = opOf(p, 'lay-bib');
    for (const w of woolIn(bib))
      expect(over.wool.find((x) => x.lotId === w.lotId)!.massG).toBeGreaterThanOrEqual(w.massG - 1e-9);
    // Nothing done, nothing to undo.
    expect(
      startOver(
        ['lay-tail'],
        steps.map((s) => s.operation),
        ties,
        new Map(all.map((x) => [x.id, x])),
      ).undone,
    ).toEqual([]);
  });
  it('once started over, a step is to do again; done again, it is done', () => {
    const p = done(pineMarten, 'face-nose', 'face-eyes-set');
    const again = change(
      p,
      (d) =>
        void d.log.push(entry({ kind: 'start-over', operations: ['face-eyes-set'], words: '' }, 9) as Draft<LogEntry>),
    );
    expect(progress(again, 'face-eyes-set').share).toBe(0);
    expect(progress(again, 'face-nose').share).toBe(1);
    expect(progress(done(again, 'face-eyes-set'), 'face-eyes-set').share).toBe(1);
  });
  it('what is laid again after starting over was cut again too', () => {
    const row = (p: Piece, i: number): Piece =>
      change(
        p,
        (d) =>
          void d.log.push(entry({ kind: 'row', areaId: 'bib', row: 1, minutes: 1, made: {} }, i) as Draft<LogEntry>),
      );
    const over = change(
      row(pineMarten, 0),
      (d) =>
        void d.log.push(
          entry({ kind: 'start-over', operations: ['cut-bib', 'lay-bib'], words: '' }, 1) as Draft<LogEntry>,
        ),
    );
    expect(progress(row(pineMarten, 0), 'cut-bib').implied).toBe(true);
    expect(progress(over, 'cut-bib').share).toBe(0);
    expect(progress(row(over, 2), 'cut-bib')).toMatchObject({ share: 1, implied: true });
    expect(progress(row(over, 2), 'core-join').implied).toBe(true);
  });
  it('an area half laid and kept as it is stays half laid', () => {
    const lay = opOf(pineMarten, 'lay-bib');
    const begun = change(pineMarten, (d) => {
      d.log.push(
        entry({ kind: 'row', areaId: 'bib', row: 1, minutes: 1, made: madeBy(pineMarten, lay) }, 0) as Draft<LogEntry>,
      );
      const c = d.areas.find((a) => a.id === 'bib')!.coat;
      if ('liftDeg' in c) c.liftDeg += 3;
    });
    expect(plan(begun).work.changed.map((c) => c.id)).toEqual(['lay-bib']);
    const kept = change(
      begun,
      (d) =>
        void d.log.push(
          entry(
            { kind: 'step', operation: 'lay-bib', minutes: 0, made: madeBy(begun, opOf(begun, 'lay-bib')), kept: true },
            1,
          ) as Draft<LogEntry>,
        ),
    );
    expect(plan(kept).work.changed).toEqual([]);
    expect(progress(kept, 'lay-bib').share).toBeLessThan(0.5);
  });
  it('rows of an area started over no longer count', () => {
    const p = change(pineMarten, (d) => {
      d.log.push(entry({ kind: 'row', areaId: 'bib', row: 1, minutes: 3, made: {} }, 0) as Draft<LogEntry>);
      d.log.push(entry({ kind: 'start-over', operations: ['lay-bib'], words: 'too thin' }, 1) as Draft<LogEntry>);
    });
    expect(plan(p).log.areas.find((a) => a.areaId === 'bib')).toMatchObject({
      rowsDone: [],
      nextRow: 1,
      actualMinutes: 3,
    });
  });
});

it('needles needed are said with every sitting, and only owned ones', () => {
  const owned = new Set(cupboard.needles.map((n) => n.id));
  for (const s of plan(kingfisher).work.sittings) for (const id of s.needles) expect(owned.has(id)).toBe(true);
});
