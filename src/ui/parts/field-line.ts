/** How a field stands: its label, then what is set. Every field has its label in the same column. */
export const FIELD_LINE = {
  display: 'grid',
  gridTemplateColumns: '92px minmax(0, 1fr)',
  gap: 1.5,
  alignItems: 'center',
  minHeight: 38,
  fontSize: 13,
} as const;
