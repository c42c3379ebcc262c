/**
 * Rays through a closed skin: where a straight line goes in and comes out. A tree of boxes over the triangles makes it
 * quick (three-mesh-bvh); it is kept as long as the skin is.
 */
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { Mesh } from './mesh';
import type { Vec3 } from './vec';

const trees = new WeakMap<Float64Array, MeshBVH>();

function treeOf({ positions, triangles }: Mesh): MeshBVH {
  let tree = trees.get(positions);
  if (!tree) {
    const g = new BufferGeometry();
    g.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3));
    g.setIndex(new BufferAttribute(triangles.slice(), 1));
    tree = new MeshBVH(g);
    trees.set(positions, tree);
  }
  return tree;
}

/**
 * Every crossing of a ray with the skin, nearest first.
 * @param to unit direction
 * @returns distances from the start, in the unit of the mesh; two within `same` count as one
 */
export function crossings(mesh: Mesh, from: Vec3, to: Vec3, same = 1e-4): number[] {
  const hits = treeOf(mesh).raycast(new Ray(new Vector3(...from), new Vector3(...to)), DoubleSide);
  const all = hits.map((h) => h.distance).sort((a, b) => a - b);
  return all.filter((d, i) => i === 0 || d - all[i - 1]! > same);
}

/** Whether anything of the skin lies on a ray further than `clear` from its start. */
export function blocked(mesh: Mesh, from: Vec3, to: Vec3, clear: number): boolean {
  const start = new Vector3(...from).addScaledVector(new Vector3(...to), clear);
  return treeOf(mesh).raycastFirst(new Ray(start, new Vector3(...to)), DoubleSide) !== null;
}

/** Whether a point lies inside a closed skin: an odd number of crossings on the way out. */
export const insideSkin = (mesh: Mesh, p: Vec3): boolean =>
  // A direction along no axis, so that the ray does not run along an edge of a symmetric skin.
  crossings(mesh, p, [0.5144957554275265, 0.6859943405700353, 0.5144957554275265]).length % 2 === 1;
