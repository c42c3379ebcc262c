/** What something is about: a thing of the piece or of the cupboard, by kind and id. Nothing is read out of an id. */
type RefKind =
  | 'piece'
  | 'photographs'
  | 'frame'
  | 'core'
  | 'part'
  | 'flat part'
  | 'area'
  | 'marking'
  | 'small part'
  | 'small thing'
  | 'feature'
  | 'whiskers'
  | 'finish'
  | 'lot'
  | 'needle';

export interface Ref {
  readonly kind: RefKind;
  readonly id: string;
}

export const ref = (kind: RefKind, id: string): Ref => ({ kind, id });
/** Things there is only one of in a piece. */
export const only = (kind: 'piece' | 'photographs' | 'frame' | 'core' | 'finish'): Ref => ({ kind, id: kind });

export const sameRef = (a: Ref | null, b: Ref | null): boolean => a?.kind === b?.kind && a?.id === b?.id;

/** Whether it is about this thing. */
export const isAbout = (x: { readonly about: Ref | null }, kind: RefKind, id: string): boolean =>
  x.about?.kind === kind && x.about.id === id;

/** The area it is about; null where it is about something else. */
export const areaOf = (x: { readonly about: Ref | null }): string | null =>
  x.about?.kind === 'area' ? x.about.id : null;
