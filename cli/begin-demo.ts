/**
 * Writes the log of the half-done demo: a made-up maker works the pine marten over some days, a quarter slower than planned, with what goes
 * wrong, is measured, weighed and put right on the way. Planned anew before every sitting, as the desk does.
 *   npx tsx cli/begin-demo.ts
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { madeBy } from '../src/core/decision';
import { widthOf } from '../src/core/build/flat-parts';
import { Memo } from '../src/core/memo';
import type { Span } from '../src/core/method/span';
import { defaultHand, type Hand } from '../src/core/piece/hand';
import type { LogEntry } from '../src/core/piece/log-entry';
import type { Piece } from '../src/core/piece/schema';
import { makePlan, type Plan } from '../src/core/plan';
import { normal, seeded } from '../src/core/random';
import { FLAT_FELT } from '../src/core/rates/shrunk';
import type { Operation } from '../src/core/stage';
import type { Work } from '../src/core/time/elements';
import { minutesOf, together } from '../src/core/time/work-time';
import { planOptions } from '../src/desk/settings';
import { readCupboard, readPiece } from '../src/core/piece/read';

// Not by the list of demos, of which the file it writes is one.
const file = (name: string): unknown => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8'));
const [marten, box] = [readPiece(file('pine-marten')), readCupboard(file('cupboard'))];
if (!marten.ok || !box.ok) throw new Error('the demo is not sound');
const pineMarten = marten.value;
const cupboard = box.value;

const HAND: Hand = { ...defaultHand, id: 'demo-hand', name: 'Hand of the demo' };
/** Evenings and two weekend days; minutes at the bench. */
const DAYS = [
  ['2026-10-03T09:10:00Z', 150],
  ['2026-10-05T17:30:00Z', 75],
  ['2026-10-08T17:40:00Z', 70],
  ['2026-10-10T08:50:00Z', 220],
  ['2026-10-13T17:20:00Z', 80],
  ['2026-10-17T08:30:00Z', 230],
  ['2026-10-18T10:00:00Z', 90],
] as const;
const SLOWER = 1.25;
const MORE_WOOL = 1.12;

const rnd = seeded(26);
const tenth = (x: number) => Math.round(x * 10) / 10;
const span = ({ low, likely, high }: Span, to: number): Span => {
  const round = (x: number) => Math.round(x * to) / to;
  return { low: round(low), likely: round(likely), high: round(high) };
};
let n = 0;
const log: LogEntry[] = [];
const piece = (): Piece => ({ ...pineMarten, log: [...log] });
const memo = new Memo();
const planNow = (): Plan => makePlan(piece(), cupboard, HAND, memo, planOptions({ shape: 'fine' }));

type Some = Record<string, unknown> & { readonly kind: LogEntry['kind']; readonly areaId: string };
const put = (e: Some, at: number): LogEntry => {
  const entry = { id: `b${n++}`, at: new Date(at).toISOString(), by: HAND.id, was: [], ...e } as unknown as LogEntry;
  log.push(entry);
  return entry;
};
/** What some work takes this maker, whatever the plan has learned meanwhile. */
const takes = (work: Work) => tenth(Math.max(0.3, minutesOf(HAND, work) * SLOWER * Math.exp(0.18 * normal(rnd))));

/** What happens beside the work, once each, where its turn comes. */
const toTell = new Set(['wrong', 'right', 'spacing', 'loft', 'shrink', 'photo-core', 'photo-rows', 'photo-end']);
const once = (what: string): boolean => toTell.delete(what);

/** Areas that are laid: a step cut into several stints comes up again. */
const laidOut = new Set<string>();

function lay(plan: Plan, o: Operation, at: number, until: number): number {
  if (laidOut.has(o.about.id)) return at;
  const rows = plan.coat.areas.find((a) => a.id === o.about.id)!.fur!.rows;
  const made = madeBy(pineMarten, o);
  const done = new Set(plan.log.areas.find((a) => a.areaId === o.about.id)?.rowsDone ?? []);
  let laid = done.size;
  for (const r of rows.rows) {
    if (done.has(r.number)) continue;
    if (at >= until) return at;
    const share = r.lengthMm / rows.totalMm;
    const row = (more: object = {}) => {
      const work = together([{ work: o.work, share }]);
      const minutes = takes(work);
      at += minutes * 60_000;
      return put(
        {
          kind: 'row',
          areaId: o.about.id,
          row: r.number,
          up: r.up,
          minutes,
          timed: true,
          planned: Math.round(o.minutes * share * 1000) / 1000,
          work,
          made,
          ...more,
        },
        at,
      );
    };
    const e = row();
    laid++;
    if (laid === 4 && e.kind === 'row' && once('right')) {
      const said = { minutes: tenth(e.minutes * 4) };
      log[log.length - 1] = { ...e, was: [{ at: new Date(at + 20 * 60_000).toISOString(), said }] };
    }
    if (laid === 6 && once('wrong')) {
      put(
        {
          kind: 'wrong',
          areaId: o.about.id,
          operation: o.id,
          row: r.number,
          up: r.up,
          off: true,
          why: 'uneven',
          wool: 'used again',
          words: 'The fold ran off to one side.',
        },
        at + 30_000,
      );
      row();
    }
    if (laid === 10 && once('spacing')) {
      const spec = pineMarten.areas.find((a) => a.id === o.about.id)!.coat;
      const plannedMm = 'spacingMm' in spec ? spec.spacingMm : 3;
      put(
        {
          kind: 'measured',
          areaId: o.about.id,
          what: 'spacing',
          plannedMm,
          actualMm: tenth(plannedMm * 1.06),
          way: spec.method,
          rows: 10,
          up: null,
          anew: false,
        },
        at,
      );
    }
    if (laid === 12 && once('photo-rows'))
      put(
        {
          kind: 'photo',
          areaId: o.about.id,
          operation: o.id,
          seen: { yawDeg: 90, pitchDeg: 8 },
          words: 'From the left, the first rows.',
        },
        at,
      );
  }
  laidOut.add(o.about.id);
  const area = plan.coat.areas.find((a) => a.id === o.about.id)!.fur!;
  const drawn = area.draws.reduce((s, d) => s + (d.lotId === area.lotId && d.for === 'coat' ? d.massG : 0), 0);
  const taught = plan.hand.laying[area.method]?.wool?.times ?? 1;
  const grams = Math.round((drawn / taught) * MORE_WOOL * Math.exp(0.05 * normal(rnd)) * 100) / 100;
  put(
    {
      kind: 'wool',
      areaId: o.about.id,
      lotId: area.lotId,
      grams,
      askedG: Math.round((drawn / taught) * 1000) / 1000,
      way: area.method,
      operation: o.id,
      takenG: grams,
    },
    at + 40_000,
  );
  if (once('loft')) {
    const plannedMm = tenth(area.figures.loft.value);
    put(
      {
        kind: 'measured',
        areaId: o.about.id,
        what: 'loft',
        plannedMm,
        actualMm: tenth(plannedMm * 1.08),
        way: area.method,
        rows: null,
        up: null,
        anew: false,
      },
      at + 60_000,
    );
  }
  return at;
}

const counts = Object.fromEntries(cupboard.needles.filter((x) => x.count > 0).map((x) => [x.id, x.count]));
DAYS.forEach(([from, minutes], day) => {
  let at = Date.parse(from);
  const until = at + minutes * 60_000;
  const plan = planNow();
  put(
    {
      kind: 'sitting',
      areaId: 'piece',
      leftMinutes: span(plan.work.spanLeft, 10),
      woolG: span(plan.log.whole.woolG, 100),
      rows: span(plan.log.whole.rows, 10),
      doneOn: plan.work.finishDate,
    },
    at,
  );
  put({ kind: 'needles', areaId: 'piece', when: 'before', counts }, at + 20_000);
  at += 4 * 60_000;
  for (const id of plan.work.sittings.flatMap((s) => s.stints.map((x) => x.id))) {
    if (at >= until) break;
    const o = plan.work.steps.find((s) => s.operation.id === id)!.operation;
    if (o.kind === 'lay' && plan.coat.areas.find((a) => a.id === o.about.id)!.fur!.rows.rows.length > 1) {
      at = lay(plan, o, at, until);
      continue;
    }
    // What was begun in one sitting stands in several.
    if (log.some((e) => e.kind === 'step' && e.operation === o.id)) continue;
    const took = takes(o.work);
    at += took * 60_000;
    put(
      {
        kind: 'step',
        areaId: o.about.id,
        operation: o.id,
        minutes: took,
        timed: true,
        planned: Math.round(o.minutes * 1000) / 1000,
        work: together([{ work: o.work, share: 1 }]),
        made: madeBy(pineMarten, o),
        kept: false,
      },
      at,
    );
    const flat = plan.flatParts.find((f) => o.id === `flat-${f.id}`);
    if (flat && once('shrink')) {
      const patternMm = Math.round(widthOf(flat) * flat.pattern.value * 100) / 100;
      put(
        {
          kind: 'measured',
          areaId: flat.id,
          what: 'shrink',
          plannedMm: patternMm,
          actualMm: tenth(patternMm * 0.82),
          way: FLAT_FELT,
          rows: null,
          up: null,
          anew: false,
        },
        at + 30_000,
      );
    }
    if (o.id === 'core-join' && once('photo-core'))
      put(
        {
          kind: 'photo',
          areaId: 'core',
          operation: o.id,
          seen: { yawDeg: -62, pitchDeg: 12 },
          words: 'The core, before any fur.',
        },
        at + 60_000,
      );
  }
  if (day === 1)
    put({ kind: 'note', areaId: 'piece', words: 'Squeezed the trunk against the swatch: firm enough.' }, at);
  if (day === 3)
    put({ kind: 'note', areaId: 'piece', words: 'Damp day, the top sticks to the fingers: smaller pinches.' }, at);
  if (day === DAYS.length - 1 && once('photo-end'))
    put(
      {
        kind: 'photo',
        areaId: 'piece',
        operation: null,
        seen: { yawDeg: -45, pitchDeg: 20 },
        words: 'How it stands tonight.',
      },
      at,
    );
  put({ kind: 'needles', areaId: 'piece', when: 'after', counts }, at + 90_000);
});
// What is written down a moment after stands after.
log.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
const end = planNow();
writeFileSync('demo/pine-marten-log.json', `${JSON.stringify(log, null, 1)}\n`);
const of = end.work.steps.reduce((s, x) => s + x.operation.minutes, 0);
process.stdout.write(
  `${log.length} entries, ${Math.round((1 - end.work.minutesLeft / of) * 100)} % of the time done; told nothing of: ${[...toTell].join(', ')}; goes on at ${JSON.stringify(end.log.goOn)}\n`,
);
