/** Hatching drawn over a surface in 3D, straight on the screen: it tells areas apart without colour, and skin that no area has. */
import type { MeshLambertMaterial } from 'three';

/** Lines under an angle, so far apart; how dark they are; crossed or not. */
interface Hatch {
  readonly deg: number;
  readonly apartPx: number;
  readonly dark: number;
  readonly crossed?: boolean;
}

/** Skin in no area: crossed lines, as ground is marked that is still open. */
export const UNDECIDED: Hatch = { deg: 45, apartPx: 9, dark: 0.55, crossed: true };

const ANGLES = [20, 110, 65, 155, 0, 90] as const;
const APART = [7, 11] as const;

/** Every area its own: angle and distance of its lines. */
export const areaHatch = (i: number): Hatch => ({
  deg: ANGLES[i % ANGLES.length]!,
  apartPx: APART[Math.floor(i / ANGLES.length) % APART.length]!,
  dark: 0.82,
});

/** What a material wears to be hatched. */
export function hatched({
  deg,
  apartPx,
  dark,
  crossed = false,
}: Hatch): Pick<MeshLambertMaterial, 'onBeforeCompile' | 'customProgramCacheKey'> {
  const a = (deg * Math.PI) / 180;
  const line = (x: number, y: number) =>
    `mod(gl_FragCoord.x * ${x.toFixed(4)} + gl_FragCoord.y * ${y.toFixed(4)}, ${apartPx.toFixed(1)}) < 1.6`;
  const on = [line(Math.cos(a), Math.sin(a)), ...(crossed ? [line(-Math.sin(a), Math.cos(a))] : [])].join(' || ');
  return {
    onBeforeCompile: (shader) => {
      shader.fragmentShader = shader.fragmentShader.replace(
        '#include <dithering_fragment>',
        `#include <dithering_fragment>\n if (${on}) gl_FragColor.rgb *= ${dark.toFixed(2)};`,
      );
    },
    customProgramCacheKey: () => `hatch-${deg}-${apartPx}-${crossed}`,
  };
}
