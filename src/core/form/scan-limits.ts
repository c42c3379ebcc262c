/** How large a scan may be, and its unit; apart from reading it, so that the desk need not load the readers. */
/** Kinds of file a scan may come in. */
export const SCAN_FILES = '.obj,.stl,.ply,.glb';

export const LARGEST_SCAN = 200 * 1024 * 1024;

export const SCAN_UNITS = { mm: 1, cm: 10, m: 1000, in: 25.4 } as const;
export type ScanUnit = keyof typeof SCAN_UNITS;

/** The unit that makes a scan the size of something a maker holds; millimetres where several would. */
export function likelyUnit(largest: number): ScanUnit {
  const holds = (u: ScanUnit) => largest * SCAN_UNITS[u] >= 30 && largest * SCAN_UNITS[u] <= 1500;
  return (['mm', 'cm', 'm', 'in'] as const).find(holds) ?? 'mm';
}
