/**
 * The pine marten with nothing decided about its colours, and short ways of deciding something: what the checks of the shade
 * stage begin from. Planned on a coarse skin, remembered from check to check.
 */
import { produce, type Draft } from 'immer';
import { planned } from '../cli/testing/planned';
import { defaultHand } from '../src/core/piece/hand';
import type { Piece, Place } from '../src/core/piece/schema';
import { plainShade, type Layer } from '../src/core/piece/shade';
import { cupboard, pineMarten } from './load';

export const COARSE = { edgeShare: 0.014 };
export const plan = (p: Piece, box = cupboard) => planned(p, box, defaultHand, COARSE);
export const change = (p: Piece, recipe: (d: Draft<Piece>) => void) => produce(p, recipe) as Piece;

export const plain = change(pineMarten, (d) => {
  for (const a of d.areas) a.shade = plainShade();
  d.markings = [];
  d.smallParts = [];
});

/** The plain marten with these layers on one area. */
export const layers = (id: string, list: Layer[]) =>
  change(plain, (d) => void (d.areas.find((a) => a.id === id)!.shade.layers = list));

export const COAT: Layer = { kind: 'coat', id: 'coat', blend: null, even: 1 };

export const veil = (
  id: string,
  lotId: string,
  arealMgCm2: number,
  more: Partial<Extract<Layer, { kind: 'veil' }>> = {},
): Layer => ({
  kind: 'veil',
  id,
  where: { kind: 'all' },
  recipe: [{ lotId, parts: 1 }],
  even: 1,
  arealMgCm2,
  aim: 'let through',
  ...more,
});

/** A place on the left of a part: how far along it, and how far round from its top, degrees. */
export const at = (part: string, along: number, round: number): Place => ({
  part,
  side: 'left',
  along,
  up: Math.cos((round * Math.PI) / 180),
  out: Math.sin((round * Math.PI) / 180),
});

export const shadedOf = (p: Piece, id: string) => plan(p).shade.areas.find((a) => a.id === id)!;
