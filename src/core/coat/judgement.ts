/**
 * Judgement common to all ways of laying: wool that does not suit, staple too short, base that shows from above or
 * aslant, rows that gape or crowd, a lie that winds round, a lay too thick to root. Each says why and what mends it.
 */
import type { Finding, Remedy } from '@/core/stage';
import type { Laid } from '@/core/piece/coat';
import { degrees, mgCm, mgCm2, mm, say, share, type Text } from '@/core/text';
import { findWools } from '@/core/wool/find';
import { lockCover, rowCover, standingCover, stripCover, WELL } from '@/core/coat/cover/cover';
import { layeredCover } from '@/core/coat/cover/cover-layer';
import { edgeOf } from '@/core/coat/cover/enough';
import { furTightness, MOST_TIGHT, mostThatFits } from '@/core/coat/loft';
import type { Figure, Method } from '@/core/method/define';
import { unsureOf } from '@/core/method/doubt';
import { spanOfFigure } from '@/core/method/span';
import { areaRemedy, findingOf, remedyOf, woolRemedy } from './remedy';
import type { RowSet } from '@/core/coat/rows/rows';
import { withMeasure, type LayContext, type Look } from './way';
import { HANGS } from '@/core/coat/cover/stops';

/** Seen aslant a coat may hide a little less. Ours. */
const WELL_ASLANT = 0.9;
/** How much wool a mm of length may bring to a cm of row and still be caught: felt of 130 mg/cm3 in a line 1 mm wide. Ours. */
const ROOTABLE = 1.3;
/** Rows nearer than this press down the row just laid. Ours. */
export const CLOSEST_MM = 0.8;
/** A lie that departs so far from any rows winds round or swirls. */
const WINDS = 0.25;

/** Wools that do not suit the way they are laid, each of a blend. */
export function woolFindings(c: LayContext): Finding[] {
  const way = c.wayOf(c.spec.method);
  const bad = c.parts.map((p) => p.lot).find((l) => way.suits[l.form].suits === 'badly');
  if (!bad) return [];
  const better = findWools(c.cupboard.lots, {
    near: bad.colour,
    suits: (form) => (way.suits[form].suits === 'well' ? 'well' : 'badly'),
    except: c.parts.map((p) => p.lot.id),
  })[0];
  return [
    findingOf(
      c,
      'unsuited',
      'caution',
      say`${bad.name} is ${bad.form}, which suits ${way.title.toLowerCase()} badly.`,
      say`${way.suits[bad.form].why}`,
      better ? [woolRemedy(c, say`Use ${better.name}, ${better.form}`, bad, better)] : [],
    ),
  ];
}

/**
 * Fibre shorter than the cut it is needed for; of a blend, its shortest.
 * @param shorter remedies that shorten the fur to what the staple allows
 */
export function stapleFindings(c: LayContext, cutMm: number, why: Text, shorter: readonly Remedy[]): Finding[] {
  const short = c.parts.map((p) => p.lot).reduce((a, b) => (b.stapleMm < a.stapleMm ? b : a));
  if (cutMm <= short.stapleMm + 1e-9) return [];
  const way = c.wayOf(c.spec.method);
  // Another one that is too short as well would stay.
  const alone = c.parts.every((p) => p.lot === short || p.lot.stapleMm >= cutMm);
  const longer = findWools(c.cupboard.lots, {
    near: short.colour,
    suits: (form) => (way.suits[form].suits === 'well' ? 'well' : 'badly'),
    stapleMm: cutMm,
    except: c.parts.map((p) => p.lot.id),
  })[0];
  return [
    findingOf(
      c,
      'staple',
      'stop',
      say`${short.name} is too short: the cut is ${mm(cutMm)}, its staple ${mm(short.stapleMm)}.`,
      why,
      [
        ...shorter,
        ...(longer && alone
          ? [woolRemedy(c, say`Use ${longer.name}, staple ${mm(longer.stapleMm)}`, short, longer)]
          : []),
      ],
    ),
  ];
}

const percent = (x: number): number => Math.round(100 * x);
/** Whether more of the base shows than may, by as much as can be read: 97.6 % is told as 98. */
export const shows = (cover: number): boolean => percent(cover) < percent(WELL);

const COVERS: readonly Method[] = [rowCover, lockCover, standingCover, stripCover, layeredCover];

/** Hidden as it should be, and yet it may show: with a little less wool than meant, or wool that spreads less. */
function closeCover(c: LayContext, cover: Figure): Finding[] {
  const how = [...COVERS, ...c.wayOf(c.spec.method).methods].find((m) => m.id === cover.method);
  const span = how ? spanOfFigure(how, cover, c.known) : null;
  if (!span || !shows(span.low)) return [];
  return [
    findingOf(
      c,
      'may-show',
      'note',
      say`Close: ${share(cover.value)} of the base hidden, but it may be between ${share(span.low)} and ${share(span.high)}.`,
      say`${unsureOf(span.doubts[0]!.name)}`,
    ),
  ];
}

/** Base that shows from above, else aslant. */
export function coverFindings(
  c: LayContext,
  { cover: seen, slant: aside }: { readonly cover: Figure; readonly slant: Figure },
  why: Text,
  remedies: readonly Remedy[],
  aslant: readonly Remedy[] = [],
): Finding[] {
  const [cover, slant] = [seen.value, aside.value];
  if (shows(cover)) {
    return [
      findingOf(
        c,
        'base-shows',
        cover < 0.9 ? 'stop' : 'caution',
        say`The base shows: ${share(cover)} hidden, ${share(WELL)} wanted.`,
        why,
        remedies,
      ),
    ];
  }
  const close = closeCover(c, seen);
  if (percent(slant) >= percent(WELL_ASLANT)) return close;
  return [
    ...close,
    findingOf(
      c,
      'base-aslant',
      'note',
      say`Seen aslant against the lie the base shows: ${share(slant)} hidden.`,
      say`From the side the tips point to one looks in between the fibres; gaps look worst from there.`,
      aslant,
    ),
  ];
}

/** Rows that gape or crowd, fur that turns away from them, a lie that winds round the body. */
export function rowFindings(
  c: LayContext,
  rows: RowSet,
  wantedMm: number,
  hiddenWhereWide: (gape: number) => number,
  closer: (spacingMm: number) => Remedy | null,
): Finding[] {
  const winds = c.shape.swirl > WINDS && rows.rows.some((r) => r.pieces.some((p) => p.closed));
  const first =
    winds && c.area.seam === 'none' ? [windsRound(c)] : unevenRows(c, rows, wantedMm, hiddenWhereWide, closer);
  return [...first, ...(winds ? [] : strayingFur(c, rows)), ...tooClose(c, rows)];
}

function windsRound(c: LayContext): Finding {
  const endAt = (where: 'under' | 'top', words: string) =>
    areaRemedy(c, say`End the rows at a seam ${words}`, say`rows follow the lie and stop at the seam`, 'seam', where);
  return findingOf(
    c,
    'winds',
    'caution',
    say`The fur winds round the body, so rows cannot stay square to it.`,
    say`A row that goes all the way round must meet itself; fur that slants round a tube would need a row that climbs like a thread. A seam lets every row end there.`,
    [endAt('under', 'underneath'), endAt('top', 'on top')],
  );
}

function unevenRows(
  c: LayContext,
  rows: RowSet,
  wantedMm: number,
  hiddenWhereWide: (gape: number) => number,
  closer: (spacingMm: number) => Remedy | null,
): Finding[] {
  const { p5, p95 } = rows.gape;
  if (rows.rows.length <= 1 || Math.max(p95 - 1, 1 - p5) <= 0.25) return [];
  const remedies: Remedy[] = [];
  if (!c.area.branching && (p95 > Math.SQRT2 || p5 < Math.SQRT1_2)) {
    remedies.push(
      areaRemedy(
        c,
        say`Put in half rows where they gape, leave out every second where they crowd`,
        say`no place is more than ${Math.SQRT2.toFixed(1)} times as wide as wanted`,
        'branching',
        true,
      ),
    );
  }
  const wide = p95 > 1.25;
  // Where rows gape the base may show; where they only crowd or still hide it, it is good to know and no more.
  const bare = wide && shows(hiddenWhereWide(p95));
  // Rows so much closer that even the widest places hide the base.
  const half = (x: number) => Math.floor(2 * x) / 2;
  let near = half(wantedMm / p95);
  while (near >= 0.5 && shows(hiddenWhereWide((p95 * near) / wantedMm))) near -= 0.5;
  const less = bare && near >= 0.5 ? closer(near) : null;
  if (less) remedies.push(less);
  if (c.area.evenness < 1) {
    remedies.push(
      areaRemedy(
        c,
        say`Let the rows keep their distance`,
        say`the fur stands less square to them, fan it by hand`,
        'evenness',
        1,
      ),
    );
  }
  return [
    findingOf(
      c,
      'uneven',
      bare ? 'caution' : 'note',
      say`Row spacing is uneven: from ${mm(rows.spacingMm.p5)} to ${mm(rows.spacingMm.p95)} where ${mm(wantedMm)} is wanted.`,
      wide
        ? say`The body widens faster than rows that follow the lie can; where they gape ${share(hiddenWhereWide(p95))} of the base is hidden.`
        : say`The body narrows and rows that follow the lie crowd together there: leave out part of a row where they touch.`,
      remedies,
    ),
  ];
}

const strayingFur = (c: LayContext, rows: RowSet): Finding[] =>
  rows.strayDeg.p95 > 40
    ? [
        findingOf(
          c,
          'stray',
          'note',
          say`In places the fur points up to ${degrees(rows.strayDeg.p95)} away from square to the row.`,
          c.area.evenness > 0
            ? say`Rows that keep their distance cannot follow the lie everywhere; fan the fibres by hand there.`
            : say`The lie turns faster than straight rows can follow; fan the fibres by hand there.`,
        ),
      ]
    : [];

const tooClose = (c: LayContext, rows: RowSet): Finding[] =>
  rows.rows.length > 1 && rows.spacingMm.p5 < CLOSEST_MM
    ? [
        findingOf(
          c,
          'too-close',
          'caution',
          say`In places rows lie only ${mm(rows.spacingMm.p5)} apart.`,
          say`Nearer than ${mm(CLOSEST_MM)} the needle flattens the row just finished.`,
          c.area.branching
            ? []
            : [
                areaRemedy(
                  c,
                  say`Leave out every second row where they crowd`,
                  say`at least twice as far apart there`,
                  'branching',
                  true,
                ),
              ],
        ),
      ]
    : [];

/** A lay so thick that the needle cannot catch the fibres in its middle. */
export function rootFindings(
  c: LayContext,
  layMgCm: number,
  lengthMm: number,
  thinner: (mg: number) => Remedy | null,
): Finding[] {
  const most = ROOTABLE * lengthMm;
  if (layMgCm <= most) return [];
  const remedy = thinner(Math.floor(most * 10) / 10);
  return [
    findingOf(
      c,
      'too-thick',
      'caution',
      say`The lay is too thick to root: ${mgCm(layMgCm)} of row, ${mgCm(most)} is about the most for fur ${mm(lengthMm)} long.`,
      say`Fibres in the middle of a thick lay are never caught by a barb and come out at the first tug. Lay thinner rows closer together.`,
      remedy ? [remedy] : [],
    ),
  ];
}

/** It fits as planned, and yet it may not: laid thicker than meant, or standing lower than worked out. */
function closeFit(c: LayContext, tightness: Figure): Finding[] {
  const span = spanOfFigure(furTightness, tightness, c.known);
  if (!span || span.high <= MOST_TIGHT) return [];
  return [
    findingOf(
      c,
      'may-stand-out',
      'note',
      say`Close: as much wool as so short a fur holds, or a little more.`,
      say`${unsureOf(span.doubts[0]!.name)}`,
    ),
  ];
}

/** More wool than fits under fur of its length: the nearest changes of one measure by which it does and still covers. */
export function crowdFindings(c: LayContext, l: Look): Finding[] {
  const { tightness, tightLoft: loft = l.loft } = l;
  if (!tightness) return [];
  if (tightness.value <= MOST_TIGHT) return closeFit(c, tightness);
  const way = c.wayOf(c.spec.method);
  const own = { lot: c.lot, hand: c.hand, habit: c.habit, rise: c.rise };
  const lookAt = (key: string, value: number) => {
    const spec = withMeasure(way, c.spec, key, value);
    return { ...way.look({ ...own, spec }), roots: way.rootsHidden?.(spec) ?? true };
  };
  const fits = (key: string) => (value: number) => lookAt(key, value).tightness!.value <= MOST_TIGHT;
  const remedies = way.margins.flatMap((r): Remedy[] => {
    const now = (c.spec as unknown as Record<string, number>)[r.key]!;
    const value = r.weight
      ? edgeOf(r.least, now, r.step, fits(r.key), 'largest')
      : r.want === 'largest'
        ? edgeOf(now, r.most, r.step, fits(r.key), 'smallest')
        : null;
    if (value === null) return [];
    const then = lookAt(r.key, value);
    if (then.cover.value < Math.min(WELL, l.cover.value) || !then.roots) return [];
    const was = c.spec as unknown as Record<string, unknown>;
    const set = Object.fromEntries(
      Object.entries(withMeasure(way, c.spec, r.key, value)).filter(([key, x]) => x !== was[key]),
    ) as Partial<Laid>;
    return [remedyOf(c, say`${r.what} ${{ kind: r.kind, value }}`, set)];
  });
  const room = mostThatFits(loft.inputs as Parameters<typeof mostThatFits>[0]);
  return [
    findingOf(
      c,
      'stands-out',
      'caution',
      say`More wool than so short a fur holds: ${mgCm2(tightness.inputs.areal!)}, and about ${mgCm2(room)} fit.`,
      say`Fur ${mm(loft.inputs.length!)} long at ${degrees(loft.inputs.lift!)} stands ${mm(loft.value)} high; what does not fit under that stands out from it. Felt it down lightly as you go, lay less, or take a finer wool, which hides with less.`,
      remedies,
    ),
  ];
}

/** Fur that reaches far beyond the area it grows on. */
export function reachFindings(c: LayContext, reachMm: number): Finding[] {
  if (reachMm <= HANGS * c.shape.heightMm + 1e-9) return [];
  return [
    findingOf(
      c,
      'long-for-body',
      'note',
      say`Fur reaching ${mm(reachMm)} hangs far over an area only ${mm(c.shape.heightMm)} high.`,
      say`It hides the area below it more than its own; shorter fur shows the shape of the animal better.`,
    ),
  ];
}
