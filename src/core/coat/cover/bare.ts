/**
 * What a layer of wool leaves bare. A random layer n fibres deep hides 1 - exp(-n) (Poisson line process; standard in
 * stereology, e.g. Chiu, Stoyan, Kendall and Mecke, "Stochastic Geometry and its Applications", from memory). Two things
 * make real wool worse: fibres clump (spread kappa < 1), and nobody lays evenly (coefficient of variation c, gamma
 * distributed amount).
 */

/** Share left bare by one lay of n layers, clumped by `kappa` and uneven by `c`. Dimensionless. */
export function bareShare(n: number, kappa: number, c: number): number {
  const x = kappa * n;
  return c > 1e-6 ? (1 + x * c * c) ** (-1 / (c * c)) : Math.exp(-x);
}

export const layerCover = (n: number, kappa: number, c: number): number => 1 - bareShare(n, kappa, c);
