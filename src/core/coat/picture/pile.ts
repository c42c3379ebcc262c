import type { FeatherOutline } from '@/core/coat/cover/feather-shape';

/** How laid wool stands, for the picture: what every strand of an area has in common. Plain data; lengths mm. */
export interface Pile {
  /** Finished length at the hem and at the top of the area. */
  readonly hemMm: number;
  readonly topMm: number;
  /** Left on for trimming until it is trimmed. */
  readonly overMm: number;
  readonly liftDeg: number;
  /** Both halves rise, to all sides, instead of hanging along the lie. */
  readonly splayed: boolean;
  /** Strands begin anywhere between the rows and not on them. */
  readonly scattered: boolean;
  /** Of all fibres this share hides something; the rest lies in clumps. */
  readonly kappa: number;
  /** Scatter of direction, radians. */
  readonly scatter: number;
  /** Strands stand in tufts so wide, so far apart along the row; null for an even lay. */
  readonly tuft: { readonly widthMm: number; readonly pitchMm: number; readonly staggered: boolean } | null;
  readonly crimpMm: number;
  readonly crimpDepthMm: number;
  readonly colour: string;
  readonly tipColour: string | null;
  readonly tipShare: number;
  /** A stripe or spots in the rows that carry them: strands within so much of the row's middle have this colour. */
  readonly marking: {
    readonly colour: string;
    readonly rows: readonly number[];
    readonly halfWidthMm: number;
    /** Spot to spot; null for a stripe. */
    readonly pitchMm: number | null;
  } | null;
  /** Lengths along the row as a share of the way, for strips; null where the row is even. */
  readonly along: readonly number[] | null;
  /** Share of the length kept on the left and the right of a strip. */
  readonly sides: { readonly left: number; readonly right: number } | null;
  /** Every tuft is one felted feather, set by its quill in the middle of the tuft; null for fur. */
  readonly vane: (FeatherOutline & { readonly thickMm: number }) | null;
  /** Not fur but felt: how much it shines, 0 to 1; null for fur. */
  readonly skin: { readonly gloss: number } | null;
}

/** A layer with less lift than this is felted flat. Ours. */
const FLAT_DEG = 5;

/** Whether it is wool felted flat: no lie is seen of it, and it hangs over nothing. */
export const feltedFlat = ({ scattered, liftDeg }: Pick<Pile, 'scattered' | 'liftDeg'>): boolean =>
  scattered && liftDeg < FLAT_DEG;

/** So far along it is the middle of what is seen of a fibre: further down others lie on it. Ours. */
const SEEN_FROM = 0.65;

/** How far along the lie from its root a fibre is seen, mm. */
export const seenFrom = ({ liftDeg }: Pick<Pile, 'liftDeg'>, lengthMm: number): number =>
  SEEN_FROM * lengthMm * Math.cos((liftDeg * Math.PI) / 180);

export const PLAIN_PILE = {
  overMm: 0,
  splayed: false,
  scattered: false,
  scatter: 0.12,
  tuft: null,
  marking: null,
  along: null,
  sides: null,
  vane: null,
  skin: null,
} as const;
