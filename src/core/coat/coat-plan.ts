/** What the coat stage makes, for the stages after it: every area as it lies and as it is laid. Plain data. */
import type { LieMark } from '@/core/form/lie-marks';
import type { Vec3 } from '@/core/geometry/vec';
import type { Laid } from '@/core/piece/coat';
import type { AreaShape, Component } from '@/core/coat/rows/area-shape';
import type { Corner } from '@/core/coat/rows/corners';
import type { SharedLocks } from '@/core/coat/techniques/locks/lock-allotment';
import type { Margin } from '@/core/coat/cover/margins';
import type { Stop } from '@/core/coat/cover/stops';
import type { Overhang } from '@/core/coat/rows/neighbours';
import type { Lay } from './way';

export interface AreaPlan {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly colour: string | null;
  /** The cut surface of the area; stride 3. Null when the area lies nowhere. */
  readonly surface: {
    readonly positions: Float64Array;
    readonly normals: Float64Array;
    readonly lie: Float64Array;
    readonly triangles: Uint32Array;
  } | null;
  readonly components: readonly Component[];
  /** Places its fur points away from (eyes), mm. */
  readonly away: readonly Vec3[];
  /** How far its rows depart from the lie (0 to about 1). */
  readonly swirl: number;
  /** Null for an area left bare or whose wool is missing. */
  readonly fur:
    | (Omit<Lay, 'findings' | 'operations' | 'seats'> & {
        readonly method: Laid['method'];
        readonly lotId: string;
        readonly lotName: string;
        /** How far spacing, weight and length may go and still cover. */
        readonly margins: readonly Margin[];
        /** Where its measures come to an end, by wool, area or cover. */
        readonly stops: readonly Stop[];
        /** Practice swatches its figures rest on. */
        readonly swatches: number;
      })
    | null;
}

export interface UndecidedPlace {
  /** The area that is not laid, or the part whose skin lies in none. */
  readonly kind: 'area' | 'part';
  readonly id: string;
  readonly name: string;
  readonly mm2: number;
}

export interface Undecided {
  readonly mm2: number;
  /** Largest first. */
  readonly places: readonly UndecidedPlace[];
}

export interface CoatPlan {
  readonly areas: readonly AreaPlan[];
  readonly totals: { readonly massG: number; readonly minutes: number; readonly rowsMm: number };
  /** Crowns, partings and saddles of the lie. */
  readonly lieMarks: readonly (LieMark & { readonly areaId: string | null })[];
  readonly corners: readonly Corner[];
  /** Skin that would stay bare core. */
  readonly undecided: Undecided;
  /** Sorted locks of a lot shared out over the areas that draw on it. */
  readonly locks: readonly SharedLocks[];
}

export interface ShapedAreas {
  readonly shapes: readonly (AreaShape | null)[];
  readonly overhangs: readonly Overhang[];
  /** Which area has each vertex of the skin; -1 for none. */
  readonly owner: Int32Array;
  /** Signed depth of every vertex of the skin inside each area, later ones taken out, mm; clamped a few edges off its border. */
  readonly depths: readonly Float64Array[];
  readonly marks: readonly LieMark[];
  readonly corners: readonly Corner[];
}
