/** Kinds of eyes: what each is good for, what it costs, and its steps in the maker's words. Common practice. */
import type { EyeKind } from '@/core/piece/face';
import { degrees, fine, say, type Text } from '@/core/text';

interface EyeNumbers {
  readonly sizeMm: number;
  /** Diameter of the loose ball before it is felted; null where nothing is rolled. */
  readonly beforeMm: number | null;
  readonly socketMm: number;
  readonly stemMm: number;
  readonly inDeg: number;
  readonly downDeg: number;
  readonly slantDeg: number;
  /** A pair; a relief has one. */
  readonly two: boolean;
}

interface EyeKindSpec {
  readonly title: string;
  readonly goodFor: string;
  readonly costs: string;
  /** Wool it is felted from, a part that is bought, or a line only. */
  readonly made: 'wool' | 'bought' | 'line';
  /** Stands out as a ball, lies nearly flat, or is a line. */
  readonly dome: 'ball' | 'flat' | 'line';
  /** Making one and setting a pair, each against the usual work of it. Ours. */
  readonly making: number;
  readonly setting: number;
  readonly make: ((n: EyeNumbers) => Text) | null;
  readonly seat: (n: EyeNumbers) => Text;
  readonly set: (n: EyeNumbers) => Text;
  readonly caution: Text;
}

const NEEDLE = say`Eyes on the point of the needle, fingers flat and out of its way; turn the head, not the needle.`;
const GLUE = say`Glue in fresh air and off the skin; hold the awl away from the other hand.`;

const socket = (n: EyeNumbers): Text =>
  say`${n.two ? 'Press and felt both sockets in together' : 'Press and felt the socket in'}, ${fine(n.socketMm)} deep and ${fine(n.sizeMm)} across; look from the front, from above and in profile before going on`;

export const EYE_SPECS: Readonly<Record<EyeKind, EyeKindSpec>> = {
  rolled: {
    title: 'Rolled wool ball',
    goodFor: 'soft eyes of any colour, no bought part',
    costs: 'gives a little; two alike take practice',
    made: 'wool',
    dome: 'ball',
    making: 1.6,
    setting: 1,
    make: (n) =>
      say`${n.two ? 'Roll two balls side by side from equal pinches' : 'Roll a ball'}, damp or with a little soap so that it grips, ${fine(n.beforeMm ?? n.sizeMm)} across, then felt to ${fine(n.sizeMm)}`,
    seat: socket,
    set: (n) =>
      say`Felt ${n.two ? 'each' : 'the'} ball in round its edge only, so that the dome stays ${fine(Math.max(0, n.sizeMm - n.socketMm))} out; stab the middle again where it loosens`,
    caution: NEEDLE,
  },
  wound: {
    title: 'Wool wound on a stick',
    goodFor: 'firm round eyes that keep their shape',
    costs: 'less give when they are set; a hole in the middle to close',
    made: 'wool',
    dome: 'ball',
    making: 1.4,
    setting: 1,
    make: (n) =>
      say`Wind a flat thin strip tightly round a stick to ${fine(n.beforeMm ?? n.sizeMm)}, slide it off, close the hole and felt to ${fine(n.sizeMm)}${n.two ? '; count the turns and give the second one as many' : ''}`,
    seat: socket,
    set: (n) =>
      say`Felt ${n.two ? 'each one' : 'it'} in round its edge, the dome ${fine(Math.max(0, n.sizeMm - n.socketMm))} out`,
    caution: NEEDLE,
  },
  layered: {
    title: 'Layered wool',
    goodFor: 'relief and large eyes with iris, pupil and light',
    costs: 'small layers need short fibre and a fine needle',
    made: 'wool',
    dome: 'flat',
    making: 0.6,
    setting: 2.2,
    make: (n) =>
      say`Draw off and weigh the wool ${n.two ? 'of both eyes layer by layer, rim to light, two alike of each' : 'layer by layer, rim to light'}, for ${fine(n.sizeMm)}`,
    seat: socket,
    set: (n) =>
      say`Felt in rim, iris, pupil and light one over the other${n.two ? ', both eyes layer by layer' : ''}; the light last and barely, or it vanishes`,
    caution: NEEDLE,
  },
  bead: {
    title: 'Bead, sewn on',
    goodFor: 'birds and small faces; shines by itself',
    costs: 'one colour; the thread goes through the head',
    made: 'bought',
    dome: 'ball',
    making: 0,
    setting: 1.2,
    make: null,
    seat: socket,
    set: (n) =>
      say`Sew ${n.two ? 'each' : 'the'} bead in with a double thread through the head, pulled until it sits ${fine(n.socketMm)} deep${n.two ? '; both before either is tied off' : ''}`,
    caution: say`A sewing needle through a small head comes out where the fingers are: push it against cork.`,
  },
  stem: {
    title: 'Eye on a stem, glued',
    goodFor: 'the most lifelike look',
    costs: 'a hole on each side; once glued it stays',
    made: 'bought',
    dome: 'ball',
    making: 0.4,
    setting: 1.2,
    make: (n) => say`Cut ${n.two ? 'both stems' : 'the stem'} to ${fine(n.stemMm)}`,
    seat: (n) =>
      say`Make ${n.two ? 'both holes' : 'the hole'} with the awl, ${degrees(n.inDeg)} inward seen from above and ${degrees(n.downDeg)} down along the hole, leave the awl in so that the hole does not close, then fit ${n.two ? 'both eyes' : 'the eye'} dry and look from the front, from above and in profile`,
    set: (n) =>
      say`One dot of glue on ${n.two ? 'each stem, both eyes in' : 'the stem'}, hold while it sets and make another part meanwhile; never stab toward a stem`,
    caution: GLUE,
  },
  closed: {
    title: 'Closed eye',
    goodFor: 'sleeping and young animals',
    costs: 'no look to follow',
    made: 'line',
    dome: 'line',
    making: 0,
    setting: 0.8,
    make: null,
    seat: (n) =>
      say`Mark ${n.two ? 'both lines' : 'the line'} with pins, ${fine(n.sizeMm)} long, sloping by ${degrees(n.slantDeg)}`,
    set: () =>
      say`Draw two lids over a small padding and felt a thin dark line where they meet, from the middle to each corner`,
    caution: NEEDLE,
  },
  disc: {
    title: 'Flat disc',
    goodFor: 'pictures and very small animals',
    costs: 'flat from the side',
    made: 'wool',
    dome: 'flat',
    making: 0.2,
    setting: 0.7,
    make: (n) => say`Twist ${n.two ? 'two equal pinches for discs' : 'a pinch for a disc'} of ${fine(n.sizeMm)}`,
    seat: (n) =>
      say`Mark ${n.two ? 'both middles' : 'the middle'} with pins and try a paper disc of ${fine(n.sizeMm)} on ${n.two ? 'each' : 'it'}`,
    set: (n) => say`Felt ${n.two ? 'each' : 'the'} disc flat from its edge inward`,
    caution: NEEDLE,
  },
};
