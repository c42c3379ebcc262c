/**
 * Needles that are missing: counted before and after every sitting, less those that broke. One stays missing from sitting to sitting until it is
 * counted again, or a search for it is written down.
 */
import { ref } from '@/core/ref';
import type { Cupboard } from '@/core/piece/cupboard';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Finding } from '@/core/stage';
import { count, say } from '@/core/text';

interface Lost {
  readonly missing: number;
  /** As many were there when they were counted last. */
  readonly there: number;
}

/** Needles that are missing, by their ids. */
export function lostNeedles(log: readonly LogEntry[]): ReadonlyMap<string, Lost> {
  const missing = new Map<string, number>();
  let last: Readonly<Record<string, number>> = {};
  let broken = new Map<string, number>();
  for (const e of log) {
    if (e.kind === 'broken') broken.set(e.needleId, (broken.get(e.needleId) ?? 0) + 1);
    if (e.kind === 'searched') {
      missing.delete(e.needleId);
      broken.delete(e.needleId);
      last = { ...last, [e.needleId]: e.left };
    }
    if (e.kind !== 'needles') continue;
    for (const [id, before] of Object.entries(last)) {
      const now = e.counts[id];
      if (now === undefined) continue;
      const short = before - (broken.get(id) ?? 0) - now;
      // More than there were before a sitting were bought; after one they were found.
      const found = short < 0 && e.when === 'before' ? 0 : short;
      const open = Math.max(0, (missing.get(id) ?? 0) + found);
      if (open > 0) missing.set(id, open);
      else missing.delete(id);
    }
    last = { ...last, ...e.counts };
    broken = new Map();
  }
  return new Map([...missing].map(([id, n]) => [id, { missing: n, there: last[id] ?? 0 }]));
}

type Broken = Extract<LogEntry, { kind: 'broken' }>;

/** Points of broken needles that were neither found nor searched for since. */
export const openPoints = (log: readonly LogEntry[]): Broken[] =>
  log.flatMap((e, i) =>
    e.kind === 'broken' && !e.found && !log.slice(i).some((x) => x.kind === 'searched' && x.needleId === e.needleId)
      ? [e]
      : [],
  );

/** @param partName what a part of the animal is called */
export function lostFindings(
  log: readonly LogEntry[],
  needles: Cupboard['needles'],
  partName: (id: string) => string,
): Finding[] {
  const called = (id: string) => needles.find((x) => x.id === id)?.name ?? id;
  const points = openPoints(log).map((e): Finding => ({
    id: `needle-point-${e.id}`,
    code: 'needle-lost',
    stage: 'needle',
    severity: 'stop',
    about: ref('needle', e.needleId),
    says: say`The point of a broken needle is not found: ${called(e.needleId)}${e.place ? say`, at ${partName(e.place.part)}` : ''}.`,
    why: say`It may be in the piece, and come out through the fur one day. Feel over the place with a flat hand, go over it and the mat with a magnet, look along it against a low light for the glint. Say so at the bench where it is found; else write the search down.`,
    remedies: [],
  }));
  return [...points, ...lostOnes(log, called)];
}

const lostOnes = (log: readonly LogEntry[], called: (id: string) => string): Finding[] =>
  [...lostNeedles(log)].map(([id, { missing: n }]) => ({
    id: `needle-lost-${id}`,
    code: 'needle-lost',
    stage: 'needle',
    severity: 'stop',
    about: ref('needle', id),
    says: say`${n === 1 ? say`A needle is` : say`${count(n)} needles are`} missing: ${called(id)}.`,
    why: say`Look before the piece is touched again: feel over it with a flat hand, go over it and the mat with a magnet, look along it against a low light for the glint. Count again where it is found; else write the search down at the bench.`,
    remedies: [],
  }));
