'use client';
/** One area on the turntable: its surface in the colour of its wool or of its cover, its rows, its outline when chosen. */
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { borderEdges, buildEdges } from '@/core/geometry/mesh';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { seenColours } from '@/core/shade/layers/strand-colour';
import { useDesk } from '@/desk/store';
import type { View } from '@/desk/view';
import { areaTint, BARE, MARK, PLAIN, ROW } from './colours';
import { areaHatch, hatched, UNDECIDED } from './hatch';
import { coverColour, rowGeometry, surface, thickLines, underFur, untouched, useFreed } from './turntable-geometry';

interface AreaProps {
  readonly area: AreaPlan;
  /** What it is seen as. */
  readonly shaded: ShadedArea | undefined;
  readonly surfaceOf: NonNullable<AreaPlan['surface']>;
  /** Where its fur stands, in place of the finished surface; null where that is shown. */
  readonly standsOn?: Float64Array | null;
  readonly view: View;
  readonly selected: boolean;
  readonly litRow: number | null;
  readonly raise: number;
  /** Told apart from the others: its number among them; null where it has its own colour. */
  readonly tint: number | null;
}

export function AreaOnAnimal({
  area,
  shaded,
  surfaceOf,
  standsOn = null,
  view,
  selected,
  litRow,
  raise,
  tint,
}: AreaProps) {
  const byTriangle = view.overlay === 'cover' || view.overlay === 'fur';
  const cover = byTriangle && area.fur ? area.fur.coverMap : null;
  const wool = view.overlay === 'fur' && area.colour ? (shaded?.meanHex ?? area.colour) : null;
  // Bare skin shows its colour under the fur view too: nothing grows over it.
  const field = view.overlay === 'colour' || (view.overlay === 'fur' && !area.fur) ? (shaded?.field ?? null) : null;
  const g = useFreed(
    useMemo(() => {
      const at = standsOn?.length === surfaceOf.positions.length ? standsOn : surfaceOf.positions;
      const s = surface(at, surfaceOf.normals, surfaceOf.triangles);
      if (field) {
        s.setAttribute('color', new THREE.BufferAttribute(seenColours(field), 3));
        return s;
      }
      if (!cover) return s;
      const flat = s.toNonIndexed();
      s.dispose();
      const colours = new Float32Array(cover.length * 9);
      const c = new THREE.Color();
      cover.forEach((share, t) => {
        if (wool) underFur(share, wool, c);
        else coverColour(share, c);
        for (let k = 0; k < 3; k++) c.toArray(colours, 9 * t + 3 * k);
      });
      flat.setAttribute('color', new THREE.BufferAttribute(colours, 3));
      return flat;
    }, [surfaceOf, standsOn, cover, wool, field]),
  );
  const rows = view.overlay === 'rows' || view.overlay === 'cover' || litRow !== null;
  const shown = (area.colour && shaded?.meanHex) ?? area.colour ?? BARE;
  const painted = cover !== null || field !== null;
  // Of an animal that is all decided, what has no coat has a finish of its own.
  const undecided = useDesk((s) => (s.plan?.coat.undecided.mm2 ?? 0) > 0) && area.fur === null;
  return (
    <group>
      <mesh geometry={g} userData={{ areaId: area.id }}>
        <meshLambertMaterial
          key={tint !== null ? `tint-${tint}` : undecided ? 'undecided' : painted ? 'painted' : 'wool'}
          color={tint !== null ? areaTint(tint) : painted ? PLAIN : shown}
          vertexColors={painted}
          polygonOffset
          polygonOffsetFactor={1}
          polygonOffsetUnits={1}
          {...(tint !== null ? hatched(areaHatch(tint)) : undecided ? hatched(UNDECIDED) : {})}
        />
      </mesh>
      {rows && area.fur && (
        <RowLines
          area={area}
          raise={raise}
          dark={view.overlay === 'cover' || lightOf(area.colour) > 0.45}
          litRow={litRow}
          all={view.overlay !== 'fur'}
        />
      )}
      {selected && <Outline surfaceOf={surfaceOf} raise={raise} />}
    </group>
  );
}

const lightOf = (hex: string | null): number => (hex ? new THREE.Color(hex).getHSL({ h: 0, s: 0, l: 0 }).l : 1);

function RowLines({
  area,
  raise,
  dark,
  litRow,
  all,
}: {
  area: AreaPlan;
  raise: number;
  dark: boolean;
  litRow: number | null;
  all: boolean;
}) {
  const rows = area.fur!.rows.rows;
  const g = useFreed(useMemo(() => rowGeometry(all ? rows : [], raise), [rows, raise, all]));
  const lit = useMemo(
    () => thickLines(litRow === null ? [] : (rows.find((r) => r.number === litRow)?.pieces ?? []), raise * 3),
    [rows, raise, litRow],
  );
  useEffect(
    () => () => {
      for (const l of lit) {
        l.geometry.dispose();
        l.material.dispose();
      }
    },
    [lit],
  );
  return (
    <>
      <lineSegments geometry={g} raycast={untouched}>
        <lineBasicMaterial color={dark ? ROW.onLight : ROW.onDark} transparent opacity={0.62} />
      </lineSegments>
      {lit.map((l) => (
        <primitive key={l.uuid} object={l} />
      ))}
    </>
  );
}

function Outline({ surfaceOf, raise }: { surfaceOf: NonNullable<AreaPlan['surface']>; raise: number }) {
  const g = useFreed(
    useMemo(() => {
      const { positions: p, normals: n, triangles } = surfaceOf;
      const edges = buildEdges(triangles, p.length / 3);
      const points: number[] = [];
      for (const v of borderEdges(edges).flat()) {
        for (let k = 0; k < 3; k++) points.push(p[3 * v + k]! + 2 * raise * n[3 * v + k]!);
      }
      return new THREE.BufferGeometry().setAttribute('position', new THREE.Float32BufferAttribute(points, 3));
    }, [surfaceOf, raise]),
  );
  return (
    <lineSegments geometry={g} raycast={untouched} renderOrder={2}>
      <lineBasicMaterial color={MARK} />
    </lineSegments>
  );
}
