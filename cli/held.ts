/**
 * What holds every formula of the plan: the test that puts it against something outside the project (a published value, a closed
 * form, a simulation of its own, a fact of the trade), or that nothing outside is known.
 */

export interface Held {
  /** A test file and words of the test's title in it. */
  readonly test: readonly [file: string, title: string];
  readonly against: string;
}
/** Nothing outside is known: it carries a doubt that says what sharpens it. */
const OPEN = 'open';

const held = (file: string, title: string, against: string): Held => ({ test: [`src/core/${file}`, title], against });

export const HELD: Readonly<Record<string, Held | typeof OPEN>> = {
  'scale-of-life': held('plan.test.ts', 'an animal k times as long', 'similar figures'),
  'picture-scale': held('form/compare.test.ts', 'is brought to the scale of the piece', 'similar figures'),
  'proportion-deviation': held('form/compare.test.ts', 'a leg 20 % too short', 'a body changed by a known share'),
  'pattern-scale': held('build/flat-parts.test.ts', 'its pattern is as much larger', 'similar figures'),
  'felt-mass': held(
    'build/flat-parts.test.ts',
    'weighs its area times thickness',
    'area, thickness and density by hand',
  ),
  'band-length': held(
    'build/things/things.test.ts',
    'is as long as a thread, its own thickness',
    'a circle and an ellipse by their formulas; a worked example by hand',
  ),
  'scarf-length': held(
    'build/things/things.test.ts',
    'is as long as a thread, its own thickness',
    'a worked example by hand',
  ),
  'loop-length': held(
    'build/things/things.test.ts',
    'is as long as a thread, its own thickness',
    'a worked example by hand',
  ),
  'knot-length': held(
    'build/things/things.test.ts',
    'is as long as a thread, its own thickness',
    'a worked example by hand',
  ),
  'wall-width': held(
    'build/things/things.test.ts',
    'a basket is a frustum of felt',
    'a right-angled triangle of 5, 12 and 13; area of a frustum',
  ),
  'wood-mass': held('build/things/things.test.ts', 'weighs its volume', 'a worked example by hand'),
  'frame-bar': held('build/things/things.test.ts', 'the bars of a frame go round', 'a worked example by hand'),
  'shows-through': held(
    'build/flat-parts.test.ts',
    'a lining under too little felt',
    'Poisson cover, solved for the thickness',
  ),
  'core-mass': held(
    'build/build.test.ts',
    'a ball 4 cm across',
    'a ball by its formula; a bird of about 3 g, common practice',
  ),
  'loose-volume': OPEN,
  'work-time': held(
    'time/work-time.test.ts',
    'holds what eight in ten of many makers take',
    'a simulation of many makers; days and tens of minutes, common practice',
  ),
  'wrap-mass': held('build/under-fur.test.ts', 'wrapped: a step wraps the wire', 'a tube by its formula'),
  'foot-gives': held(
    'build/ground-contact.test.ts',
    'is a ball on the flat by Hertz',
    'a ball on the flat by Hertz’s formula; the firmness of felt is corrected by nothing yet',
  ),
  'limb-length': held('build/build.test.ts', 'goes into the body from its root end', 'an arc by its formula'),
  'fringe-length': OPEN,
  'collar-mass': OPEN,
  'wire-length': held(
    'build/build.test.ts',
    'longer by the helix',
    'a helix by its formula; 0.9 to 1.1 m for a hand-sized quadruped, common practice',
  ),
  'wire-room': held(
    'build/build.test.ts',
    'too little and too thick are said',
    'a remedy that leaves the wool it says',
  ),
  'tipping-angle': held('build/stands.test.ts', 'a body alike fore and aft', 'a symmetric body on a symmetric foot'),
  'weight-low': held('build/stands.test.ts', 'the weight said to put low', 'tipping with the weight put in'),
  'row-count': held(
    'coat/rows/rows.test.ts',
    'cylinder r 10, L 80',
    'rings of a cylinder, cone and ball by their formulas',
  ),
  'row-total': held(
    'coat/rows/rows.test.ts',
    'V bib on a plane',
    'chevrons, rings and developed cones by their formulas',
  ),
  'layer-mass': held('coat/cover/cover.test.ts', '%i µm', 'a table of masses for a given cover'),
  'fibres-per-mm': held(
    'coat/cover/cover.test.ts',
    'needs the masses a simulation needed',
    'a simulation of single fibres',
  ),
  'areal-mass': held('coat/ways.test.ts', 'begins with a sound spec that covers', 'wool taken, spread over the area'),
  'fur-loft': held(
    'coat/loft.test.ts',
    'is what fibres laid one by one come to',
    'a simulation of fibres laid one by one',
  ),
  'fur-tightness': held('coat/loft.test.ts', 'is how tightly it lies', 'mass over volume by hand'),
  'cut-folded': held(
    'coat/techniques/fold-over/fold-over.test.ts',
    'cuts twice the length',
    'twice the finished length and a little, common practice',
  ),
  'over-length': held('coat/techniques/fold-over/fold-over.test.ts', 'leaves a fifth for trimming', 'values by hand'),
  'longest-for-staple': held(
    'coat/techniques/fold-over/fold-over.test.ts',
    'the longest fur for a staple',
    'the cut length turned round',
  ),
  'pinch-count': held('coat/techniques/fold-over/fold-over.test.ts', 'are counted row by row', 'counting'),
  'lay-mass': held(
    'coat/ways.test.ts',
    'begins with a sound spec that covers',
    'what stays on the area and what is lost',
  ),
  'trim-waste': held('coat/techniques/fold-over/fold-over.test.ts', 'time and waste', 'values by hand'),
  overlap: held('coat/cover/cover.test.ts', 'spacings seen to work', 'spacings seen to work, common practice'),
  'row-cover': held(
    'coat/cover/leaning.test.ts',
    'within 0.03 of random fibres',
    'a simulation of random fibres from three sides',
  ),
  'cut-standing': held(
    'coat/ways.test.ts',
    'begins with a sound spec that covers',
    'both halves as long as the pile and what is trimmed',
  ),
  'band-wool': held('coat/techniques/standing/sandwich.test.ts', 'is as large as its share', 'mass by its share'),
  'ground-wool': OPEN,
  'standing-cover': held(
    'coat/cover/leaning.test.ts',
    'within 0.03 of random fibres',
    'a simulation of random fibres from three sides',
  ),
  'plush-waste': OPEN,
  'stripe-width': held(
    'coat/techniques/standing/sandwich.test.ts',
    'comes out as wide as its share',
    'a fan by its formula',
  ),
  'spot-diameter': held(
    'coat/techniques/standing/sandwich.test.ts',
    'is as large as its share',
    'a disc by its formula',
  ),
  'lock-count': held('coat/techniques/fold-over/fold-over.test.ts', 'are counted row by row', 'counting'),
  'lock-length': held(
    'coat/ways.test.ts',
    'courses 13 mm apart of 100 mm locks',
    'locks of 100 mm folded to 50, common practice',
  ),
  'lock-mass': held('coat/ways.test.ts', 'begins with a sound spec that covers', 'locks counted and weighed'),
  'tip-waste': held('coat/ways.test.ts', 'tips cut off weigh their share', 'a lock by its length'),
  'lock-cover': held(
    'coat/cover/leaning.test.ts',
    'within 0.03 of random fibres',
    'a simulation of random fibres from three sides',
  ),
  'feather-count': held('coat/techniques/feathers/feathers.test.ts', 'are counted row by row and weighed', 'counting'),
  'feather-length': held(
    'coat/techniques/feathers/feathers.test.ts',
    'are counted row by row and weighed',
    'what shows and what is needled in',
  ),
  'feather-sheet': held(
    'coat/techniques/feathers/feathers.test.ts',
    'are counted row by row and weighed',
    'sums by hand',
  ),
  'feather-wool': held(
    'coat/techniques/feathers/feathers.test.ts',
    'are counted row by row and weighed',
    'sums by hand',
  ),
  'feather-waste': held(
    'coat/techniques/feathers/feathers.test.ts',
    'are counted row by row and weighed',
    'an oblong and half a disc',
  ),
  'feather-areal': held(
    'coat/techniques/feathers/feathers.test.ts',
    'lie as thick as they overlap',
    'an oblong and half a disc over its place',
  ),
  'feather-loft': held(
    'coat/techniques/feathers/feathers.test.ts',
    'lie as thick as they overlap',
    'sheets on each other and a slope by hand',
  ),
  'feather-cover': held(
    'coat/cover/feather-shape.test.ts',
    'lets through once for each that lies over a place',
    'oblongs edge to edge, one layer by its area, independent layers',
  ),
  'bow-mass': held(
    'coat/ways.test.ts',
    'begins with a sound spec that covers',
    'what stays on the area and what is lost',
  ),
  'fan-step': OPEN,
  'strip-mass': held('coat/ways.test.ts', 'has clumps whose lengths follow the profile', 'clumps by their cut lengths'),
  'strip-waste': OPEN,
  'strip-cover': held('coat/cover/cover.test.ts', 'of a strip is that of the one layer', 'Poisson cover of one layer'),
  'anchor-mass': OPEN,
  'layer-wool': held('coat/ways.test.ts', 'begins with a sound spec that covers', 'mass on the area and what is lost'),
  'layer-waste': OPEN,
  'layer-count': held('coat/techniques/fold-over/fold-over.test.ts', 'are counted row by row', 'counting'),
  'layer-areal': OPEN,
  'layer-loft': OPEN,
  'layer-cover': held(
    'coat/cover/cover-ways.test.ts',
    'hides what rods lying every way hide',
    'a simulation of random rods',
  ),
  'sheet-across': held(
    'coat/ways.test.ts',
    'round a cylinder is girth by length',
    'girth and 25 mm at each end, common practice; a cylinder and a cone',
  ),
  'sheet-along': held(
    'coat/ways.test.ts',
    'round a cylinder is girth by length',
    'length and 25 mm at each end, common practice; a cylinder',
  ),
  'blend-part': held('shade/layers/area-shade.test.ts', 'grams of a blend are shared by parts', 'shares by hand'),
  'blend-stearns': held('shade/layers/blend.test.ts', 'has the worked values', 'worked values of the published model'),
  'blend-friele': held('shade/layers/blend.test.ts', 'has the worked values', 'worked values of the published model'),
  'veil-layers': held('shade/layers/amount.test.ts', 'a word turned into mg', 'turned round'),
  'veil-seen': held(
    'shade/layers/blend.test.ts',
    'dark over pale goes nearly by cover alone',
    'limits and worked values',
  ),
  'shade-mass': held(
    'shade/layers/area-shade.test.ts',
    'weighs its area times its amount',
    'area times amount by hand',
  ),
  'eye-factor': held(
    'face/face.test.ts',
    'the factor is 1 where the eye is life size',
    'an eye at the scale of the piece',
  ),
  'eye-from-picture': held('face/level/photo-fit.test.ts', 'is as large on the piece as its share', 'similar figures'),
  'seen-disc': held('face/face.test.ts', 'a bead sunk past its middle', 'a chord by its formula'),
  'stands-out': held('face/face.test.ts', 'a bead sunk past its middle', 'a ball less its depth'),
  'line-wool': OPEN,
  'stem-gap': held('face/stems/stems.test.ts', 'the closed form is the distance', 'lines in space by their formula'),
  'stems-touch': held('face/stems/stems.test.ts', 'far apart they never touch', 'worked angles'),
  'eye-wool': held('face/face.test.ts', 'a loose ball has as much wool', 'a ball by its formula'),
  'disc-wool': OPEN,
  'before-felting': held('face/face.test.ts', 'a loose ball has as much wool', 'the same wool at two densities'),
  'thread-need': held(
    'face/face.test.ts',
    'have as much thread as their free ends',
    'free ends, ways through and what is cut off',
  ),
  'face-tolerance': OPEN,
  'stroke-depth': held('needle/depth-window.test.ts', 'a sphere: the chord at an angle', 'a right triangle'),
  'safe-stroke': held('needle/depth-window.test.ts', 'as the cube of the blade', 'a bar bent at one end'),
  'needle-marks': held(
    'needle/blade.test.ts',
    'grow with the blade and shrink with the layer',
    'how marks are known to change, common practice',
  ),
  'stab-time': held('needle/needle.test.ts', 'its stabs come to its time', 'stabs over their rate'),
  'lot-cost': held(
    'coat/techniques/fold-over/fold-over.test.ts',
    'needs of every lot what core and areas take',
    'grams by the price of a hundred',
  ),
};
