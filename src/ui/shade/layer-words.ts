/** What the layers are called on screen and on paper. */
import type { ReadyLayer } from '@/core/shade/layers/layers';
import type { LayerKind, MarkingKind } from '@/core/shade/shade-edits';

export const LAYER_WORDS: Readonly<Record<ReadyLayer['says'], string>> = {
  coat: 'Coat',
  veil: 'Veil',
  line: 'Line',
  flecks: 'Flecks',
  'deep line': 'Deep line',
  'veil over the shadow': 'Veil over it',
  highlight: 'Highlight',
  raised: 'Raised',
};

export const ADD_WORDS: Readonly<Record<LayerKind, string>> = {
  veil: 'Veil',
  flecks: 'Flecks',
  raise: 'Reverse needle',
  shadow: 'Soft shadow',
  highlight: 'Highlight',
  line: 'Line',
};

export const MARKING_WORDS: Readonly<Record<MarkingKind, string>> = {
  stripe: 'Stripe',
  blaze: 'Blaze',
  spot: 'Spot',
  mask: 'Mask',
  bars: 'Bars',
  sock: 'Sock',
  painted: 'Painted patch',
};
