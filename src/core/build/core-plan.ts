/** The core as it is planned: part by part, and all of it. Plain data; volumes mm3, masses g, lengths mm. */
import type { Vec3 } from '@/core/geometry/vec';
import type { Figure } from '@/core/method/define';
import type { Span } from '@/core/method/span';
import type { Piece } from '@/core/piece/schema';
import type { Section } from './core-sections';
import type { Firmness } from './firmness';
import type { UnderFur } from './under-fur';

export interface CorePart {
  readonly id: string;
  readonly name: string;
  readonly firmness: Firmness;
  /** What is done where its fur is as thick as it is. */
  readonly under: UnderFur;
  /** Across its thickest mark with the fur that stands out over it, where it is drawn without; mm. */
  readonly withFurMm: number | null;
  /** Across the wrapped wire, where it is one under its fur, mm. */
  readonly wrappedMm: number | null;
  /** Wool wound over it, of one. */
  readonly wrap: Figure | null;
  /** Made as a flat part of its own, so it is not counted here again. */
  readonly madeApart: boolean;
  /** How many of it are built: two of a pair. */
  readonly count: 1 | 2;
  /** Of one. */
  readonly volumeMm3: number;
  readonly mass: Figure;
  readonly span: Span;
  readonly loose: Figure;
  /** Null for the part all others sit on. */
  readonly length: Figure | null;
  readonly fringe: Figure | null;
  readonly collar: Figure | null;
  readonly axisMm: number;
  readonly sections: readonly Section[];
}

export interface CorePlan {
  readonly school: Piece['core']['school'];
  /** Null when the coat leaves nothing of it. */
  readonly skin: {
    readonly positions: Float64Array;
    readonly normals: Float64Array;
    readonly triangles: Uint32Array;
  } | null;
  /** How deep it lies under every vertex of the finished skin, mm: as thick as the coat is there. */
  readonly depth: Float64Array;
  /** The core could not be worked out for this coat. */
  readonly undrawn: boolean;
  readonly volumeMm3: number;
  /** It is there already: an own base brought in as the finished core. */
  readonly there: boolean;
  readonly parts: readonly CorePart[];
  /** Wool to build it from. */
  readonly massG: number;
  readonly span: Span;
  /** Of it for the collars over the joints. */
  readonly collarsG: number;
  /** Of it wound over wires that fur makes a bush of. */
  readonly wrapsG: number;
  readonly minutes: Figure;
  readonly lotId: string | null;
  /** Middle of mass and mass of each part, g, mm: what standing goes by. */
  readonly weights: readonly { readonly massG: number; readonly at: Vec3 }[];
}
