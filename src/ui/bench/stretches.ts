/** A length cut into stretches none of which is longer than there is room for: as few as can be, full ones first. Millimetres. */
export function stretches(mm: number, room: number): number[] {
  if (room <= 0 || mm <= 0) return [];
  const full = Math.floor(mm / room + 1e-9);
  const rest = mm - full * room;
  return [...Array.from({ length: full }, () => room), ...(rest > 1e-6 ? [rest] : [])];
}
