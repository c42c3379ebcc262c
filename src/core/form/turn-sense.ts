/**
 * Which way a turn goes, the same for every part: more than nothing lifts its end, or brings it forward where the part hangs or stands; takes
 * its end to the animal's left, or turns its front there; leans it to the animal's left. Joints are kept by the axes they turn about, and a tail
 * points the other way from a neck.
 */
import { sub } from '@/core/geometry/vec';
import type { Joint, Part } from '@/core/piece/schema';
import { nodesOf } from './pose';

type Turns = Pick<Joint, 'nodDeg' | 'turnDeg' | 'tiltDeg'>;

interface TurnSense {
  /** Of the axis: 1, or -1 where what is kept has to be turned over. */
  readonly nodDeg: 1 | -1;
  readonly turnDeg: 1 | -1;
  readonly tiltDeg: 1 | -1;
  /** What nodding by more than nothing does to its end. */
  readonly lifts: 'up' | 'forward';
}

export function turnSense(part: Part): TurnSense {
  const n = nodesOf(part).map((x) => x.at);
  const [root, tip] = part.root === 'start' ? [n[0]!, n[n.length - 1]!] : [n[n.length - 1]!, n[0]!];
  const [, y, z] = sub(tip, root);
  const level = Math.abs(z) >= Math.abs(y);
  return {
    // About the axis to the left by a little: y grows by -z, z by y. About the upright: x grows by z. About the one to the front: x by -y, y by x.
    nodDeg: (level ? z < 0 : y > 0) ? 1 : -1,
    turnDeg: level && z < 0 ? -1 : 1,
    tiltDeg: level || y > 0 ? -1 : 1,
    lifts: level ? 'up' : 'forward',
  };
}

/** Turns as they are kept as they are shown, or the other way. */
export const asShown = (turns: Turns, s: TurnSense): Turns => ({
  nodDeg: s.nodDeg * turns.nodDeg || 0,
  turnDeg: s.turnDeg * turns.turnDeg || 0,
  tiltDeg: s.tiltDeg * turns.tiltDeg || 0,
});
