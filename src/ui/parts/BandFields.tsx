'use client';
/** From where to where a band goes, along a part or round it. Each end stays on its own side of the other; the whole way is no band. */
import { MeasureField } from './MeasureField';

export interface Band {
  readonly from: number;
  readonly to: number;
}

const WAYS = {
  along: { kind: 'share', most: 1 },
  round: { kind: 'angle', most: 180 },
  upward: { kind: 'share', most: 1 },
} as const;

interface BandFieldsProps {
  readonly way: keyof typeof WAYS;
  readonly band: Band | undefined;
  readonly onChange: (band: Band | null) => void;
}

export function BandFields({ way, band, onChange }: BandFieldsProps) {
  const { kind, most } = WAYS[way];
  const { from, to } = band ?? { from: 0, to: most };
  const gap = most / 100;
  const slide = { min: 0, max: most, step: gap };
  const say = (f: number, t: number) => onChange(f <= 0 && t >= most ? null : { from: f, to: t });
  return (
    <>
      <MeasureField
        label={`From, ${way}`}
        kind={kind}
        value={from}
        min={0}
        max={to - gap}
        slide={slide}
        onChange={(v) => say(Math.min(v, to - gap), to)}
      />
      <MeasureField
        label={`To, ${way}`}
        kind={kind}
        value={to}
        min={from + gap}
        max={most}
        slide={slide}
        onChange={(v) => say(from, Math.max(v, from + gap))}
      />
    </>
  );
}
