'use client';
/** A part cut across at its marks: the finished outline and the core inside it, all on one scale. */
import Box from '@mui/material/Box';
import type { CorePart } from '@/core/build/core-plan';
import type { Loop } from '@/core/geometry/slice';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';

const path = (l: Loop): string => {
  let d = '';
  for (let i = 0; i < l.length; i += 2) d += `${i === 0 ? 'M' : 'L'}${l[i]!.toFixed(2)} ${(-l[i + 1]!).toFixed(2)}`;
  return `${d}Z`;
};

export function SectionPicture({ part }: { part: CorePart }) {
  const { q } = useUnits();
  if (part.sections.length === 0) {
    return (
      <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 1 }}>
        Nowhere along this part can it be cut across without cutting a neighbour too.
      </Box>
    );
  }
  const half = 0.56 * Math.max(...part.sections.map((s) => Math.max(s.finished.width, s.finished.height)));
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${part.sections.length}, 1fr)`, gap: 1, mt: 1 }}>
      {part.sections.map((s) => (
        <Box key={s.along} component="figure" sx={{ m: 0, textAlign: 'center' }}>
          <Box
            component="svg"
            role="img"
            aria-label={`${part.name} cut at ${Math.round(s.along * 100)} % of its length`}
            viewBox={`${-half} ${-half} ${2 * half} ${2 * half}`}
            sx={{ width: '100%', maxHeight: 104, color: 'text.primary', bgcolor: 'desk.stage' }}
          >
            <path
              d={path(s.finishedLoop)}
              fill="none"
              stroke="currentColor"
              strokeWidth={half / 50}
              strokeDasharray={`${half / 14}`}
            />
            {s.coreLoop && (
              <path
                d={path(s.coreLoop)}
                fill="currentColor"
                fillOpacity={0.2}
                stroke="currentColor"
                strokeWidth={half / 35}
              />
            )}
          </Box>
          <Box component="figcaption" sx={{ ...figures, fontSize: 13, lineHeight: 1.3 }}>
            {s.core
              ? `${q({ kind: 'length', value: s.core.width })} × ${q({ kind: 'length', value: s.core.height })}`
              : 'fur only'}
            <Box sx={{ color: 'text.secondary' }}>at {Math.round(s.along * 100)} %</Box>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
