/** What the judgement of the colours says: pairs of neighbours, the palette, small parts against each other, linings. */
export interface Pair {
  readonly kind: 'areas' | 'marking' | 'small part';
  readonly a: { readonly id: string; readonly name: string; readonly hex: string };
  readonly b: { readonly id: string; readonly name: string; readonly hex: string };
  /** CIEDE2000 by a bright window, and at dusk. */
  readonly contrast: number;
  readonly dusk: number;
  readonly words: string;
  readonly verdict: 'stands apart' | 'same colour' | 'vanishes' | 'vanishes at dusk';
  /** Common border, mm; null for a small part. */
  readonly borderMm: number | null;
  /** A wool from the cupboard for a thin rim between them. */
  readonly rim: { readonly lotId: string; readonly name: string; readonly hex: string } | null;
}

export interface PaletteEntry {
  readonly id: string;
  readonly name: string;
  readonly hex: string;
  /** As it looks under each of `DAYLIGHTS`. */
  readonly under: readonly string[];
}

export interface Agreement {
  readonly a: string;
  readonly b: string;
  readonly aName: string;
  readonly bName: string;
  readonly contrast: number;
  readonly agrees: boolean;
  readonly words: string;
}

export interface LiningSeen {
  readonly id: string;
  readonly name: string;
  readonly faceHex: string;
  readonly liningHex: string;
  readonly seenHex: string;
  readonly showsBy: number;
  readonly words: string;
}

export interface Judged {
  readonly pairs: readonly Pair[];
  readonly palette: readonly PaletteEntry[];
  readonly agreements: readonly Agreement[];
  readonly linings: readonly LiningSeen[];
}
